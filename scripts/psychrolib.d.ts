declare module 'psychrolib' {
  const psychrolib: {
    SI: number
    SetUnitSystem(system: number): void
    GetSatVapPres(temperatureC: number): number
    GetTDewPointFromVapPres(dryBulbC: number, vapourPressurePa: number): number
  }
  export default psychrolib
}
