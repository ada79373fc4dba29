import { greatest } from '#units/extremes.ts'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import type { FreshHolds } from '#core/estimate/fresh-holds.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { fillingShare } from '#core/renewal/batches.ts'
import { besideMinutes, fillingMinutes } from '#core/renewal/day-at-oven.ts'
import type { ChargeToHeat, HeatThese } from '#core/renewal/heat-these.ts'
import {
  freshBeadsHold,
  lastDayFreshHeld,
  lastHeatedS,
  LEAST_DAYS,
  lastDayHeld,
  mayLeave,
  restsUntilDay,
  shareThatMayLeave,
  surelyHeldDays,
  valueAtShare,
} from '#core/renewal/hold-dates.ts'
import type { OvenPlanAsked } from '#core/renewal/oven-days.ts'
import { suitingSpares, type RoundCharge } from '#core/renewal/spares-round.ts'
import { heatWay } from '#core/renewal/ways.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { roomsOf } from '#journal/rooms.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { ChargeRecord } from '#journal/state.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import { daysFromSeconds, msFromSeconds, secondsFromMs } from '#units/time.ts'
import { chargeToHeat } from '../charge-to-heat.ts'
import { sourceChoices, type SourceChoice } from '../heat-choices.ts'
import type { JournalView } from '../journal-view.ts'
import { judge } from '../judgement.ts'
import { knownBox, type KnownBox } from '../known-box.ts'
import { planHeating } from '../plan-heating.ts'
import { ovenDaysFrom, toldDays, type CalendarOvenDay, type ToldDays } from './told-days.ts'

/** Half a year. */
export const HORIZON_DAYS = 182
/** A charge that holds so little water of its dry mass is ready to go in. */
const READY_SHARE = 0.1
/** The shortest heat a day is planned with. */
const LEAST_HOT_MINUTES = 20

/** A box of the plan. */
export interface PlannedBox {
  readonly boxId: string
  readonly name: string
  readonly grams: number
  readonly charges: readonly { readonly charge: ChargeRecord; readonly toHeat: ChargeToHeat }[]
  readonly report: BoxReport
  readonly fresh: readonly FreshHolds[]
  /** Of all draws so many may leave before a renewal: as asked, or half where fresh beads would not be sure now. */
  readonly mayLeave: number
  /** As asked. */
  readonly sure: number
  /** Its reading is old, blind or reckoned: drawn in pencil. */
  readonly isPencil: boolean
  readonly isOver: boolean
  /** When its beads were last heated; -Infinity: not known. */
  readonly heatedS: number
}
/** Beads that lie beside the boxes and would suit one of them. */
export interface PlannedSpare {
  readonly charge: ChargeRecord
  readonly toHeat: ChargeToHeat
  /** Dry: it can go in at once. */
  readonly isReady: boolean
}
export interface LeftOut {
  readonly boxId: string
  readonly name: string
  readonly says: string
}

/** All that a plan stands on, and the question for the planner. */
export interface PlanQuestion {
  readonly today: IsoDay
  readonly todayMs: number
  readonly told: ToldDays
  readonly choice: SourceChoice
  readonly choices: readonly SourceChoice[]
  readonly dialC: number | null
  readonly temperatureC: number | null
  readonly roomId: string | null
  readonly air: { readonly roomPa: number; readonly roomC: number }
  readonly days: readonly CalendarOvenDay[]
  readonly boxes: readonly PlannedBox[]
  readonly leftOut: readonly LeftOut[]
  /** Boxes that even fresh beads do not hold for a fortnight, and from which day on: no plan keeps them under all the time. */
  readonly strained: readonly { readonly boxId: string; readonly name: string; readonly fromDay: number }[]
  readonly spares: readonly PlannedSpare[]
  /** What heating each charge by itself takes and leaves, on the day it is due. */
  readonly plans: ReadonlyMap<string, HeatThese>
  readonly asked: OvenPlanAsked
}

export interface Reckoned {
  readonly report: BoxReport | undefined
  /** null: the box has no target; undefined: not there yet. */
  readonly fresh: FreshHolds[] | null | undefined
}

/** Boxes with beads, in the order of the shelf. */
export const boxesToPlan = (journal: JournalView): KnownBox[] =>
  inShelfOrder(journal.state)
    .map(box => knownBox(journal, box.boxId))
    .filter((item): item is KnownBox => item !== null && item.view.charges.length > 0)

/**
 * What the planner is asked: days, boxes with their dates, spares, hours, wishes. The same journal on the same day gives
 * the same question.
 * @param today the day, and the instant it began in the person's zone
 */
export function planQuestion(
  journal: JournalView,
  known: readonly KnownBox[],
  reckoned: readonly Reckoned[],
  today: { readonly iso: IsoDay; readonly beganMs: number },
): PlanQuestion {
  const { state, nowMs } = journal
  const told = toldDays(state)
  const { ovenPlan } = state
  const choices = sourceChoices(state, false)
  const choice = choices.find(one => one.heatSourceId === (ovenPlan.days.heatSourceId ?? '')) ?? choices[0]!
  const room = roomsOf(state)[0]
  const roomAir = roomAirOrUsual(state, room, nowMs)
  const air = { roomPa: vapourPressureOfRhPa(roomAir), roomC: roomAir.temperatureC }

  const leftOut: LeftOut[] = []
  const boxes = known.flatMap((box, i): PlannedBox[] => {
    const planned = plannedBox(journal, box, reckoned[i]!, { choice, air, sure: told.sure })
    if (typeof planned !== 'string') return [planned]
    leftOut.push({ boxId: box.view.box.boxId, name: box.view.box.name, says: planned })
    return []
  })
  const inBoxes = boxes.flatMap(box => box.charges)
  const spares = sparesFor(
    journal,
    inBoxes.map(one => asRound(one.charge)),
  )
  const heating = planHeating([...inBoxes, ...spares], choice.source, air)
  const { plans } = heating
  const boxDays = boxes.flatMap(box => ovenPlan.boxWishes.get(box.boxId)?.day ?? [])
  const days = ovenDaysFrom(told, ovenPlan.dayWishes, boxDays, today.iso, HORIZON_DAYS)
  const placeOf = (day: IsoDay | null | undefined) => {
    const at = days.findIndex(one => one.iso === day)
    return at < 0 ? null : at
  }
  const shareOf = (charge: ChargeRecord) => fillingShare(asRound(charge), choice.source)
  const sharesOf = (list: readonly PlannedSpare[]) => list.reduce((sum, one) => sum + shareOf(one.charge), 0)
  const asked: OvenPlanAsked = {
    days: days.map(({ day, wish }) => ({ day, wish, presentMinutes: told.presentMinutes })),
    horizon: HORIZON_DAYS,
    batchMinutes: Math.ceil(fillingMinutes(longestHeat(plans)) / 5) * 5,
    besideMinutes: besideMinutes(told.unattendedMinutes),
    spareShare: sharesOf(spares),
    waitingShare: sharesOf(spares.filter(one => !one.isReady)),
    seen: (ovenPlan.seen?.sessions ?? []).flatMap(({ day, boxIds }) => {
      const at = placeOf(day)
      return at === null ? [] : [{ at, boxIds }]
    }),
    boxes: boxes.map(box => ({
      id: box.boxId,
      share: box.charges.reduce((sum, one) => sum + shareOf(one.charge), 0),
      holdsUntil: box.isOver ? -1 : lastDayHeld(leavesS(box), secondsFromMs(today.beganMs), box.heatedS),
      restsUntil: restsUntilDay(box.heatedS, secondsFromMs(today.beganMs)),
      freshHoldsUntil: days.map(({ day }) =>
        lastDayFreshHeld(box.fresh, {
          day,
          todayS: secondsFromMs(today.beganMs),
          share: mayLeave(box.sure),
        }),
      ),
      pinnedTo: placeOf(ovenPlan.boxWishes.get(box.boxId)?.day),
    })),
  }
  return {
    today: today.iso,
    todayMs: today.beganMs,
    told,
    choice,
    choices,
    dialC: heating.dialC,
    temperatureC: heating.temperatureC,
    roomId: room?.roomId ?? null,
    air,
    days,
    boxes,
    leftOut,
    strained: strainedAmong(boxes, days, secondsFromMs(today.beganMs)),
    spares,
    plans,
    asked,
  }
}

/** A box as the plan takes it; a sentence where it is left out: why, and what would help. */
function plannedBox(
  { state, nowMs }: JournalView,
  { view, facts }: KnownBox,
  { report, fresh }: Reckoned,
  {
    choice,
    air,
    sure,
  }: {
    readonly choice: SourceChoice
    readonly air: PlanQuestion['air']
    readonly sure: number
  },
): PlannedBox | string {
  const { boxId, name } = view.box
  const judgement = judge(view, report, nowMs)
  const heatable = view.charges.filter(charge => heatWay(charge) !== null)
  if (heatable.length === 0) return 'its desiccant is used once: it is replaced, not heated'
  if (facts === null || facts.targetRhPercent === null) return 'no spool in it asks for a target'
  if (judgement.word === "can't reach") return `can’t reach its target: ${judgement.wouldDo} would do`
  if (judgement.word === 'amiss') return 'look first at what is wrong with it'
  if (report?.standing?.is === 'withdrawn')
    return 'its readings do not fit together: look first at what is wrong'
  if (!report?.leaves || !fresh || judgement.word === 'not known')
    return 'no reading that tells: read it once'
  if (!freshBeadsHold(fresh))
    return 'even fresh beads would not hold it for long: more beads, or a tighter lid'
  const heatedS = lastHeatedS(facts.charges)
  const heatedDays = Math.floor(daysFromSeconds(secondsFromMs(nowMs) - heatedS))
  if (judgement.word === 'over since' && heatedDays < LEAST_DAYS)
    return `over again ${heatedDays < 2 ? 'a day' : `${heatedDays} days`} after its beads were heated: look first at what is wrong`
  const asked = state.ovenPlan.boxWishes.get(boxId)?.sure ?? sure
  const all = heatable.map(charge => ({ charge, toHeat: asWhenRenewed(charge, report, nowMs) }))
  // what may not go in there is no matter where other beads of the box may
  const refusedOf = (one: (typeof all)[number]) => planHeating([one], choice.source, air).refused[0]
  const charges = all.filter(one => !refusedOf(one))
  const refused = charges.length === 0 ? refusedOf(all[0]!) : undefined
  // the first of its sentences: the rest is said where it is replaced
  if (refused) return `not in ${choice.name}: ${refused.says.split(/[;.]\s/)[0]!}`
  return {
    boxId,
    name,
    grams: charges.reduce((sum, one) => sum + one.charge.dryMassG, 0),
    charges,
    report,
    fresh,
    mayLeave: shareThatMayLeave(fresh, asked),
    sure: asked,
    isPencil:
      view.known.word === 'reckoned' ||
      view.last?.word === 'blind' ||
      report.standing?.is === 'not known yet',
    isOver: judgement.word === 'over since',
    heatedS,
  }
}

function strainedAmong(
  boxes: readonly PlannedBox[],
  days: readonly CalendarOvenDay[],
  todayS: number,
): PlanQuestion['strained'] {
  return boxes.flatMap(({ boxId, name, fresh, sure }) => {
    const held = (day: number) => surelyHeldDays(fresh, todayS + (day + 0.5) * DAY_S, mayLeave(sure))
    const first = days.find(({ day }) => held(day) < LEAST_DAYS)
    return first ? [{ boxId, name, fromDay: first.day }] : []
  })
}
const DAY_S = 86_400

/** Minutes of the longest heat, of each charge by itself. */
export const longestHeat = (plans: PlanQuestion['plans']): number =>
  Math.max(
    greatest([...plans.values()].map(plan => Math.round(plan.minutes.middle * plan.bed.batches))),
    LEAST_HOT_MINUTES,
  )

/** Charges that lie beside the boxes and would suit one of these. */
function sparesFor({ state, nowMs }: JournalView, inBoxes: readonly RoundCharge[]): PlannedSpare[] {
  const lying = [...state.charges.values()].filter(
    one => one.boxId === null && one.retiredMs === null && heatWay(one) !== null,
  )
  const suiting = suitingSpares([...inBoxes, ...lying.map(asRound)])
  return lying
    .filter(one => suiting.some(spare => spare.id === one.chargeId))
    .map(charge => {
      const toHeat = chargeToHeat(charge, undefined, nowMs)
      return { charge, toHeat, isReady: toHeat.waterG.middle <= READY_SHARE * charge.dryMassG }
    })
}

/** When a box leaves its target by the certainty asked of it. */
export const leavesS = ({ report, mayLeave }: Pick<PlannedBox, 'report' | 'mayLeave'>): number =>
  valueAtShare(report.leaves!.sharesOfDates, mayLeave).atS
export const leavesMs = (box: Pick<PlannedBox, 'report' | 'mayLeave'>): number => msFromSeconds(leavesS(box))

export const asRound = (charge: ChargeRecord): RoundCharge => ({
  id: charge.chargeId,
  desiccant: charge.desiccant,
  dryMassG: charge.dryMassG,
  boxId: charge.boxId,
})

/** Its water on the day it is due: what it holds at the target, where it holds less today. */
function asWhenRenewed(charge: ChargeRecord, report: BoxReport, nowMs: number): ChargeToHeat {
  const now = chargeToHeat(charge, report, nowMs)
  const held = report.charges.find(one => one.ids.includes(charge.chargeId))
  const dueG = (held?.notchLoadingGPerG ?? 0) * now.dryMassG * now.capacityFactor
  if (dueG <= now.waterG.middle) return now
  return {
    ...now,
    waterG: { low: now.waterG.low, middle: dueG, high: Math.max(now.waterG.high, dueG) },
  }
}
