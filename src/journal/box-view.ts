import type { PercentRh } from '#units/quantity.ts'
import { secondsFromMs, msFromSeconds } from '#units/time.ts'
import { settlesAtS, USUAL_HYGROMETER, type Hygrometer } from '#core/reading/hygrometer.ts'
import { leftAccuracyRh, truePercent } from '#core/reading/display-check.ts'
import { knowledgeWord, type KnowledgeWord } from '#core/verdict/knowledge.ts'
import { readingWord, type ReadingWord } from '#core/verdict/reading.ts'
import type { BoxRecord, ChargeRecord, ReadingRecord, SpoolRecord, State } from './state.ts'
import { instrumentFor } from './instruments.ts'
import { displayErrorAt } from './true-readings.ts'
import { readingsOf } from './readings-of.ts'
import { isDuring, stayIn } from './stays.ts'

export interface Target {
  readonly rhPercent: PercentRh
  readonly spool: SpoolRecord
  /** Every spool inside with its own target, strictest first. */
  readonly all: readonly { readonly spool: SpoolRecord; readonly rhPercent: PercentRh }[]
}

export interface JudgedReading extends ReadingRecord {
  readonly settled: boolean
  /** When an unsettled one is worth looking at again. */
  readonly lookAgainMs: number | null
  /** What it has to settle from: the opening or the charge that keeps it unsettled longest. */
  readonly disturbedMs: number | null
  readonly word: ReadingWord | null
}

/** One box as it stands: what is inside, what was read, what its readings say. */
export interface BoxView {
  readonly box: BoxRecord
  readonly spools: readonly SpoolRecord[]
  readonly charges: readonly ChargeRecord[]
  /** Every charge that ever was inside, those that came out and those retired too. */
  readonly everCharges: readonly ChargeRecord[]
  readonly target: Target | null
  readonly hygrometer: Hygrometer
  readonly readings: readonly JudgedReading[]
  readonly last: JudgedReading | null
  readonly previous: JudgedReading | null
  /** Its display could not be read, and nothing was read since. */
  readonly unread: BoxRecord['unread']
  readonly overSinceMs: number | null
  readonly hasWeighing: boolean
  /** When beads were last heated, swapped or put in, where that was after the last reading. */
  readonly renewedMs: number | null
  readonly known: KnowledgeWord
  /** The catalogue as this journal has it. */
  readonly materials: State['materials']
}

export function boxView(state: State, boxId: string, nowMs: number): BoxView | null {
  const box = state.boxes.get(boxId)
  if (!box) return null
  const spools = [...state.spools.values()].filter(
    spool => spool.where.at === 'box' && spool.where.boxId === boxId,
  )
  const charges = [...state.charges.values()].filter(charge => charge.boxId === boxId)
  const target = strictest(spools, state.materials)
  const hygrometer = hygrometerOf(state, boxId)
  const times = disturbances(state, box)
  const readings = readingsOf(state, { in: 'box', boxId })
    .filter(reading => reading.atMs <= nowMs)
    .map((reading): JudgedReading => {
      const before = (all: readonly number[]) => {
        const lastMs = all.findLast(atMs => atMs <= reading.atMs)
        return lastMs === undefined ? null : secondsFromMs(lastMs)
      }
      const dueS = settlesAtS(hygrometer, {
        atS: secondsFromMs(reading.atMs),
        openedS: before(times.openedMs),
        chargedS: before(times.chargedMs),
      })
      const settled = dueS === null
      const openedS = before(times.openedMs)
      const byOpening =
        dueS !== null && openedS !== null && openedS + hygrometer.settlesAfterOpeningS === dueS
      const disturbedS = dueS === null ? null : byOpening ? openedS : dueS - hygrometer.settlesAfterChargeS
      return {
        ...reading,
        settled,
        lookAgainMs: dueS === null ? null : msFromSeconds(dueS),
        disturbedMs: disturbedS === null ? null : msFromSeconds(disturbedS),
        word:
          target &&
          readingWord(
            hygrometerOfReading(state, reading, hygrometer),
            { relativeHumidityPercent: reading.relativeHumidityPercent, settled },
            target.rhPercent,
          ),
      }
    })
  const last = readings.at(-1) ?? null
  return {
    box,
    spools,
    charges,
    target,
    hygrometer,
    readings,
    last,
    previous: readings.at(-2) ?? null,
    unread: box.unread && box.unread.atMs > (last?.atMs ?? -Infinity) ? box.unread : null,
    overSinceMs: beganOver(readings),
    renewedMs: renewedSince(last, times.chargedMs, nowMs),
    everCharges: [...state.charges.values()].filter(charge => stayIn(charge.stays, boxId).length > 0),
    hasWeighing: charges.some(charge => standingWeighing(charge) !== null),
    materials: state.materials,
    known: knowledgeWord(last && secondsFromMs(last.atMs), secondsFromMs(nowMs)),
  }
}

function strictest(spools: readonly SpoolRecord[], materials: State['materials']): Target | null {
  const all = spools
    .map(spool => ({ spool, rhPercent: materials[spool.material].targetRhPercent }))
    .sort((a, b) => a.rhPercent - b.rhPercent)
  const first = all[0]
  return first ? { rhPercent: first.rhPercent, spool: first.spool, all } : null
}

function hygrometerOf(state: State, boxId: string): Hygrometer {
  const instrument = instrumentFor(state, boxId)
  return instrument
    ? {
        ...USUAL_HYGROMETER,
        accuracyPercentRh: instrument.accuracyPercentRh,
        floorPercentRh: instrument.floorPercentRh,
      }
    : USUAL_HYGROMETER
}

/** A checked display is believed more nearly, and its floor is the air's. */
function hygrometerOfReading(state: State, reading: ReadingRecord, usual: Hygrometer): Hygrometer {
  const error = reading.putRight && displayErrorAt(state)(reading.instrumentId, reading.atMs)
  const instrument = error && state.instruments.get(reading.instrumentId)
  return instrument
    ? {
        ...usual,
        accuracyPercentRh: leftAccuracyRh(instrument.accuracyPercentRh, error),
        floorPercentRh: truePercent(instrument.floorPercentRh, error),
      }
    : usual
}

/** Openings and changes of charge, in order of time. */
function disturbances(state: State, box: BoxRecord): { openedMs: number[]; chargedMs: number[] } {
  const openedMs = box.openings.map(opening => opening.atMs)
  const chargedMs: number[] = []
  for (const spool of state.spools.values())
    for (const stay of stayIn(spool.stays, box.boxId)) {
      openedMs.push(stay.fromMs)
      if (stay.untilMs !== null) openedMs.push(stay.untilMs)
    }
  for (const charge of state.charges.values())
    for (const stay of stayIn(charge.stays, box.boxId)) {
      chargedMs.push(stay.fromMs)
      for (const heating of charge.heatings) if (isDuring(stay, heating.atMs)) chargedMs.push(heating.atMs)
    }
  const inOrder = (times: number[]) => times.sort((a, b) => a - b)
  return { openedMs: inOrder(openedMs), chargedMs: inOrder(chargedMs) }
}

/** The last weighing that still says what is in the charge: a heat since, or a stay elsewhere, has made it old. */
export function standingWeighing(charge: ChargeRecord): ChargeRecord['weighings'][number] | null {
  const last = charge.weighings.at(-1)
  if (!last) return null
  const heatedMs = charge.heatings.at(-1)?.atMs ?? -Infinity
  return last.atMs < heatedMs ? null : last
}

/** The last renewal, where nothing was read since; a box nobody read was set up, not renewed. */
function renewedSince(
  last: JudgedReading | null,
  chargedMs: readonly number[],
  nowMs: number,
): number | null {
  const renewedMs = chargedMs.findLast(atMs => atMs <= nowMs)
  return last === null || renewedMs === undefined || renewedMs <= last.atMs ? null : renewedMs
}

/** The first of the readings' present run above the target; unsettled ones neither begin nor end it. */
function beganOver(readings: readonly JudgedReading[]): number | null {
  let sinceMs: number | null = null
  for (const reading of readings) {
    if (reading.word === 'over') sinceMs ??= reading.atMs
    else if (reading.word !== 'too early') sinceMs = null
  }
  return sinceMs
}
