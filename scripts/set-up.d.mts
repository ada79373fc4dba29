export const root: string
export const findChromium: () => string | undefined
