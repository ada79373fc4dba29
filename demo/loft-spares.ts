import type { Draft } from '#records/act.ts'

const DAY = 86_400_000
const HOUR = 3_600_000

/** The old oven in the boat bay cooks no more; the club room's microwave does; a dryer, as advertised and as it is. */
const heatDrafts = (atMs: number, nowMs: number): Draft[] => [
  {
    kind: 'heatSource.made',
    atMs,
    payload: {
      heatSourceId: 'bay-oven',
      name: 'Bay oven',
      kind: 'electric',
      lowestC: 60,
      highestC: 230,
      watts: 1900,
      trays: 2,
      trayAreaCm2: 1080,
      trayDepthMm: 24,
      pricePerKwh: 0.34,
      food: false,
    },
  },
  {
    kind: 'heatSource.measured',
    atMs: nowMs - 33 * DAY,
    payload: { heatSourceId: 'bay-oven', dialC: 115, advertisedC: null, measuredC: 107, swingC: 8 },
  },
  {
    kind: 'heatSource.measured',
    atMs: nowMs - 33 * DAY + 3_600_000,
    payload: { heatSourceId: 'bay-oven', dialC: 85, advertisedC: null, measuredC: 80, swingC: 6 },
  },
  {
    kind: 'heatSource.made',
    atMs,
    payload: { heatSourceId: 'club-microwave', name: 'Club room microwave', kind: 'microwave', watts: 750 },
  },
  {
    kind: 'heatSource.made',
    atMs,
    payload: { heatSourceId: 'drum-dryer', name: 'Drum dryer', kind: 'dryer', lowestC: 45, highestC: 65 },
  },
  {
    kind: 'heatSource.measured',
    atMs: nowMs - 12 * DAY,
    payload: { heatSourceId: 'drum-dryer', dialC: 65, advertisedC: 65, measuredC: 58, swingC: 3 },
  },
]

/** The packet that was lent from locker to locker: weighed before and after each heat. */
const portsLife = (nowMs: number): Draft[] =>
  (
    [
      [228, 72.6, 64.2, 118],
      [171, 73.9, 64.3, 112],
      [118, 71.2, 64.4, 112],
      [73, 74.8, 64.6, 107],
    ] as const
  ).flatMap(([daysAgo, beforeG, afterG, temperatureC]): Draft[] => {
    const chargeId = 'spare-beads-1'
    const heatedMs = nowMs - daysAgo * DAY
    const weighed = (grossG: number, atMs: number): Draft => ({
      kind: 'charge.weighed',
      atMs,
      payload: { chargeId, grossG, tareG: 3, scaleErrorG: 0.1 },
    })
    return [
      weighed(beforeG, heatedMs - 3_600_000),
      {
        kind: 'charge.heated',
        atMs: heatedMs,
        payload: { chargeId, temperatureC, hours: 1.5, oven: 'electric', roomId: null },
      },
      weighed(afterG, heatedMs + 3_600_000),
    ]
  })

/** What the club has beside its boxes: two packets on the peg, spools not in use, three more displays, a scale. */
export function sparesDrafts(nowMs: number): Draft[] {
  const atMs = nowMs - 41 * DAY
  const packet = (n: number, side: string, madeMs = atMs): Draft => ({
    kind: 'charge.made',
    atMs: madeMs,
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
    packet(1, 'port', nowMs - 236 * DAY),
    ...portsLife(nowMs),
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
    ...lives(nowMs, spool),
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
    ...heatDrafts(atMs, nowMs),
  ]
}

/** Since this morning, weighed on the hour or so. */
function inTheDryer(nowMs: number): Draft[] {
  const runId = 'heron-drying'
  const weighed = (hoursAgo: number, grossG: number): Draft => ({
    kind: 'drying.weighed',
    atMs: nowMs - hoursAgo * HOUR,
    payload: { runId, grossG },
  })
  return [
    {
      kind: 'drying.begun',
      atMs: nowMs - 3.2 * HOUR,
      payload: {
        runId,
        spoolId: 'spare-spool-7',
        heatSourceId: 'drum-dryer',
        dialC: 65,
        temperatureC: 58,
        air: 'vented',
        roomId: null,
        nextG: 310,
        grossG: 884.3,
        scaleErrorG: 0.1,
      },
    },
    weighed(2.1, 882.9),
    weighed(1.2, 882.2),
    weighed(0.2, 881.6),
  ]
}

/** Four more: one dried a while ago and on the printer since, one left on it, one dried of late, one in the dryer now. */
function lives(
  nowMs: number,
  spool: (n: number, payload: Partial<Extract<Draft, { kind: 'spool.made' }>['payload']>) => Draft,
): Draft[] {
  const moved = (n: number, daysAgo: number, at: 'open' | 'printer' | 'bag'): Draft => ({
    kind: 'spool.moved',
    atMs: nowMs - daysAgo * DAY,
    payload: { spoolId: `spare-spool-${n}`, where: { at } },
  })
  const dried = (n: number, daysAgo: number, temperatureC: number, hours: number): Draft => ({
    kind: 'spool.dried',
    atMs: nowMs - daysAgo * DAY,
    payload: { spoolId: `spare-spool-${n}`, temperatureC, hours, air: 'vented', roomId: null },
  })
  return [
    spool(4, { name: 'PA12 tarn', material: 'PA12', colour: 'slate', filamentG: 780, body: 'plastic' }),
    moved(4, 19, 'open'),
    dried(4, 11.5, 78, 9),
    moved(4, 11.4, 'bag'),
    moved(4, 0.45, 'printer'),
    {
      kind: 'spool.printed',
      atMs: nowMs - 0.3 * DAY,
      payload: { spoolId: 'spare-spool-4', grams: 84 },
    },
    spool(5, { name: 'PETG gull', material: 'PETG', colour: 'chalk', filamentG: 870 }),
    moved(5, 0.25, 'printer'),
    spool(7, {
      name: 'TPU heron',
      material: 'TPU',
      colour: 'teal',
      filamentG: 690,
      emptyG: 188,
      filamentKnown: 'measured',
      body: 'PS',
      maker: 'Slipway',
      preset: 'soft, slow',
      wetness: 'weeks in the room',
    }),
    moved(7, 40, 'open'),
    ...inTheDryer(nowMs),
    spool(6, { name: 'TPU otter', material: 'TPU', colour: 'umber', filamentG: 540, emptyG: 180 }),
    moved(6, 6, 'open'),
    dried(6, 3.6, 55, 7),
    moved(6, 3.5, 'bag'),
  ]
}
