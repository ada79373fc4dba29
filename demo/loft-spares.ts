import type { Draft } from '#records/act.ts'

const DAY = 86_400_000

/** What the club has beside its boxes: two packets on the peg, spools not in use, three more displays, a scale. */
export function sparesDrafts(nowMs: number): Draft[] {
  const atMs = nowMs - 41 * DAY
  const packet = (n: number, side: string): Draft => ({
    kind: 'charge.made',
    atMs,
    payload: {
      chargeId: `spare-beads-${n}`,
      name: `Spare packet, ${side}`,
      desiccant: 'silica-a',
      dryMassG: 60,
      massKnown: 'told',
      holder: 'packet',
      freshness: 'heated',
      freshnessKnown: 'told',
      indicator: 'orange',
      boxId: null,
    },
  })
  const spool = (n: number, payload: Partial<Extract<Draft, { kind: 'spool.made' }>['payload']>): Draft => ({
    kind: 'spool.made',
    atMs,
    payload: {
      spoolId: `spare-spool-${n}`,
      name: 'PLA chalk',
      material: 'PLA',
      colour: 'chalk',
      filamentG: 1000,
      filamentKnown: 'told',
      emptyG: 210,
      cardboardG: 0,
      rimDiameterMm: 200,
      widthMm: 66,
      wetness: 'sealed bag',
      wetnessKnown: 'told',
      where: { at: 'bag' },
      ...payload,
    },
  })
  const display = (boxId: string, name: string): Draft => ({
    kind: 'instrument.made',
    atMs,
    payload: { instrumentId: `display-${boxId}`, name, accuracyPercentRh: 5, floorPercentRh: 10, boxId },
  })
  return [
    packet(1, 'port'),
    packet(2, 'starboard'),
    spool(1, {}),
    spool(2, {
      name: 'PLA sloe',
      colour: 'plum',
      filamentG: 620,
      filamentKnown: 'measured',
      wetness: 'weeks in the room',
      where: { at: 'open' },
    }),
    spool(3, {
      name: 'PETG kelp',
      material: 'PETG',
      colour: 'moss',
      emptyG: 145,
      cardboardG: 145,
      body: 'board',
      maker: 'Slipway',
    }),
    display('skeg', 'Skeg’s display'),
    display('launch', 'Launch’s display'),
    display('cox', 'Cox’s display'),
    { kind: 'instrument.cell', atMs: nowMs - 20 * DAY, payload: { instrumentId: 'display-launch' } },
    {
      kind: 'instrument.checked',
      atMs: nowMs - 19 * DAY,
      payload: {
        air: 'magnesium chloride',
        temperatureC: 9,
        waitedHours: 15,
        shown: [
          { instrumentId: 'display-skeg', relativeHumidityPercent: 36 },
          { instrumentId: 'display-launch', relativeHumidityPercent: 32 },
        ],
      },
    },
    { kind: 'scale.made', atMs, payload: { scaleId: 'bench-scale', name: 'Bench scale', stepG: 0.1 } },
    { kind: 'scale.made', atMs, payload: { scaleId: 'club-scale', name: 'Club scale', stepG: 1 } },
  ]
}
