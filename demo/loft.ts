import { MATERIALS } from '#core/filament/catalogue.ts'
import { bufferAt } from '#core/estimate/buffer.ts'
import { historyNetwork, modelOfDraw } from '#core/estimate/model-of-draw.ts'
import { seededRandom, type RandomSource } from '#core/estimate/random.ts'
import { drawValues, unknownsOf, type DrawValues } from '#core/estimate/unknowns.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import { CONTAINERS } from '#core/container/container.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { simulate } from '#core/network/simulate.ts'
import { rhAtConstantLoadingPercent } from '#core/sorbent/sorbent.ts'
import { profileAt } from '#core/room/climate.ts'
import { makeAct, type Act, type Draft, type Maker } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { msFromSeconds, secondsFromDays, secondsFromMs } from '#units/time.ts'
import { plansDrafts } from './loft-plans.ts'
import { sparesDrafts } from './loft-spares.ts'
import { BOXES, LOFT_CLIMATE, type LoftBox, type LoftTruth, type LoftSpool } from './loft-boxes.ts'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const SEED = 20_241
const ROOM = 'loft'
const ROUND_EVERY_DAYS = 7
/** The display's new error each time, % RH, one standard deviation. */
const NEW_ERROR = 1.2

/**
 * The boathouse loft: a rowing club's filament shelf above a cold lake, five months of it, ending on the given day.
 * Made up throughout. Readings come from the core with a fixed seed; the same day gives the same acts.
 * @param nowMs the day it is to be now
 */
export function boathouseLoft(nowMs: number, zone: string, boxes: readonly LoftBox[] = BOXES): Act[] {
  const random = seededRandom(SEED)
  let count = 0
  const maker = (atMs: number): Maker => ({
    nowMs: () => atMs,
    zone,
    newId: () => `demo-${String(++count).padStart(5, '0')}`,
  })
  const startMs = nowMs - 150 * DAY
  const acts: Act[] = [makeAct(maker(startMs), 'The loft and its displays', roomDrafts(startMs))]
  for (const box of boxes)
    acts.push(makeAct(maker(nowMs - box.sinceDays * DAY), `${box.name}: set up`, boxDrafts(box, nowMs)))
  for (const box of boxes)
    for (const event of box.events ?? [])
      acts.push(makeAct(maker(nowMs - event.daysAgo * DAY), `${box.name}: ${event.what}`, event.drafts(box)))

  acts.push(makeAct(maker(nowMs - 41 * DAY), 'What lies ready', sparesDrafts(nowMs)))
  acts.push(makeAct(maker(nowMs - 9 * DAY), 'Two boxes to build', plansDrafts(nowMs, ROOM)))

  const roundsMs: number[] = []
  for (let atMs = startMs + 2 * DAY + 10 * HOUR; atMs < nowMs - 12 * HOUR; atMs += ROUND_EVERY_DAYS * DAY)
    roundsMs.push(atMs)
  // the last round was yesterday evening
  roundsMs[roundsMs.length - 1] = nowMs - 16 * HOUR
  const roomReadings = roundsMs.map(atMs => roomReading(atMs, random))
  const bare = fold([
    ...acts,
    ...roomReadings.map((draft, i) => makeAct(maker(roundsMs[i]!), 'room', [draft])),
  ])
  const perRound: Draft[][] = roomReadings.map(draft => [draft])
  for (const box of boxes) {
    const times = [
      ...roundsMs.filter(
        atMs => atMs > nowMs - (box.sinceDays - 1) * DAY && atMs < nowMs - (box.unreadDays ?? 0) * DAY,
      ),
    ]
    if (box.readNow) times.push(nowMs - 20 * 60_000)
    if (box.neverRead) continue
    displayed(bare, box, times, nowMs, random).forEach((draft, i) => {
      const round = roundsMs.indexOf(times[i]!)
      if (round >= 0) perRound[round]!.push(draft)
      else acts.push(makeAct(maker(times[i]!), `${box.name}: read`, [draft]))
    })
  }
  perRound.forEach((drafts, i) => acts.push(makeAct(maker(roundsMs[i]!), 'Round of the shelf', drafts)))
  acts.push(makeAct(maker(nowMs - 45 * DAY), 'Plan looked at', [seenDraft(nowMs)]))
  acts.push(makeAct(maker(nowMs - 8 * DAY), 'Days at the oven', [ovenDaysDraft(nowMs)]))
  return acts
}

/** What was planned in autumn: two days were kept, one was not. */
const seenDraft = (nowMs: number): Draft => {
  const day = (daysAgo: number) => new Date(nowMs - daysAgo * DAY).toISOString().slice(0, 10)
  return {
    kind: 'ovenPlan.seen',
    payload: {
      sessions: [
        { day: day(30), boxIds: ['launch', 'ferry'] },
        { day: day(21), boxIds: ['stroke'] },
        { day: day(12), boxIds: ['bilge'] },
      ],
    },
  }
}

/** Saturdays at the bay oven; nobody is there for a fortnight when the lake is shut. */
const ovenDaysDraft = (nowMs: number): Draft => {
  const day = (inDays: number) => new Date(nowMs + inDays * DAY).toISOString().slice(0, 10)
  return {
    kind: 'ovenDays.told',
    payload: {
      weekdays: [5],
      presentMinutes: 270,
      unattendedMinutes: 90,
      heatSourceId: 'bay-oven',
      sure: 0.9,
      away: [{ from: day(33), to: day(46) }],
    },
  }
}

function roomDrafts(startMs: number): Draft[] {
  return [
    {
      kind: 'room.made',
      atMs: startMs,
      payload: {
        roomId: ROOM,
        name: 'Loft, boathouse',
        climate: {
          kind: 'own',
          ...LOFT_CLIMATE,
          temperatureC: [...LOFT_CLIMATE.temperatureC],
          relativeHumidityPercent: [...LOFT_CLIMATE.relativeHumidityPercent],
        },
        climateKnown: 'measured',
      },
    },
    {
      kind: 'instrument.made',
      atMs: startMs,
      payload: {
        instrumentId: 'round-display',
        name: 'Small round display',
        accuracyPercentRh: 5,
        floorPercentRh: 10,
        boxId: null,
      },
    },
  ]
}

function boxDrafts(box: LoftBox, nowMs: number): Draft[] {
  const atMs = nowMs - box.sinceDays * DAY
  const usual = CONTAINERS[box.container]
  const [widthMm, depthMm, heightMm] = box.sizeMm ?? [
    usual.size.widthMm,
    usual.size.depthMm,
    usual.size.heightMm,
  ]
  const drafts: Draft[] = [
    {
      kind: 'box.made',
      atMs,
      payload: {
        boxId: box.id,
        name: box.name,
        container: box.container,
        widthMm,
        depthMm,
        heightMm,
        sizeKnown: box.sizeMm ? 'measured' : 'assumed',
        lid: box.lid,
        lidKnown: box.lid === 'unknown' ? 'assumed' : 'told',
        openingsPerMonth: box.openingsPerMonth,
        openingsKnown: 'told',
        roomId: ROOM,
        board: box.board,
        leftMm: box.leftMm,
      },
    },
    {
      kind: 'charge.made',
      atMs,
      payload: {
        chargeId: `${box.id}-beads`,
        name: `Beads in ${box.name}`,
        desiccant: box.desiccant ?? 'silica-a',
        dryMassG: box.beadsG,
        massKnown: box.beadsKnown ?? 'measured',
        holder: box.holder,
        freshness: box.freshness,
        freshnessKnown: box.freshness === 'unknown' ? 'assumed' : 'told',
        indicator: box.indicator ?? 'orange',
        boxId: box.id,
      },
    },
  ]
  box.spools.forEach((spool, i) => drafts.push(spoolDraft(box, spool, i, nowMs)))
  return drafts
}

function spoolDraft(box: LoftBox, spool: LoftSpool, index: number, nowMs: number): Draft {
  return {
    kind: 'spool.made',
    atMs: nowMs - (spool.inDaysAgo ?? box.sinceDays) * DAY,
    payload: {
      spoolId: `${box.id}-spool-${index + 1}`,
      name: spool.name,
      material: spool.material,
      colour: spool.colour,
      filamentG: spool.filamentG,
      filamentKnown: 'measured',
      emptyG: spool.cardboardG ? 30 : 215,
      cardboardG: spool.cardboardG ?? 0,
      rimDiameterMm: USUAL_SPOOL.rimDiameterMm,
      widthMm: MATERIALS[spool.material].targetRhPercent <= 10 ? 60 : USUAL_SPOOL.widthMm,
      wetness: spool.wetness,
      wetnessKnown: 'told',
      where: { at: 'box', boxId: box.id },
    },
  }
}

function roomReading(atMs: number, random: RandomSource): Draft {
  const usual = profileAt(LOFT_CLIMATE, secondsFromMs(atMs))
  return {
    kind: 'reading.taken',
    atMs,
    payload: {
      place: { in: 'room', roomId: ROOM },
      instrumentId: 'round-display',
      relativeHumidityPercent: Math.round(
        Math.min(92, Math.max(45, usual.relativeHumidityPercent + 4 * random.normal())),
      ),
      temperatureC: Math.round(2 * (usual.temperatureC + 1.3 * random.normal())) / 2,
      temperatureKnown: 'measured',
    },
  }
}

function truthOf(facts: BoxFacts, usual: DrawValues, truth: LoftTruth): DrawValues {
  const {
    slip,
    leakLPerH = usual.leakLPerH,
    massDeviations = 0,
    freshnessShare = 0.5,
    wetnessShares = {},
  } = truth
  return {
    ...usual,
    leakLPerH,
    amiss: slip
      ? { kind: 'leak', atS: facts.nowS - secondsFromDays(slip.daysAgo), factor: slip.factor }
      : null,
    beads: { ...usual.beads, massDeviations },
    freshnessShares: facts.charges.map((_, i) => (i === 0 ? freshnessShare : 0.5)),
    wetnessShares: facts.spools.map(spool => wetnessShares[spool.wetness.group] ?? 0.5),
  }
}

/** What the display showed in a box whose truth is the scenario's: offset, new error, whole per cent, floor. */
function displayed(
  bare: ReturnType<typeof fold>,
  box: LoftBox,
  timesMs: readonly number[],
  nowMs: number,
  random: RandomSource,
): Draft[] {
  const facts = boxFacts(bare, boxView(bare, box.id, nowMs)!, nowMs)!
  const unknowns = unknownsOf(facts)
  const usual = drawValues(facts, unknowns, new Float64Array(unknowns.length))
  const truth = truthOf(facts, usual, box.truth)
  const offsetRh = 1.4 * random.normal()
  const model = modelOfDraw(facts, truth)
  const { surroundings } = model
  const outputS = timesMs.map(secondsFromMs)
  const run = simulate(historyNetwork(facts, model), {
    fromS: facts.fromS,
    toS: facts.nowS,
    outputS,
  })
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  return outputS.map((atS, i): Draft => {
    surroundings.at(atS, point)
    const temperatureC = Math.round(2 * (point.temperatureC + 0.3 * random.normal())) / 2
    const shown =
      rhAtConstantLoadingPercent(bufferAt(model, atS), {
        relativeHumidityPercent: run.airRhPercent[i]!,
        fromTemperatureC: point.temperatureC,
        toTemperatureC: temperatureC,
      }) +
      offsetRh +
      NEW_ERROR * random.normal()
    return {
      kind: 'reading.taken',
      atMs: msFromSeconds(atS),
      payload: {
        place: { in: 'box', boxId: box.id },
        instrumentId: 'round-display',
        relativeHumidityPercent: Math.round(Math.min(99, Math.max(10, shown))),
        temperatureC,
        temperatureKnown: 'measured',
      },
    }
  })
}
