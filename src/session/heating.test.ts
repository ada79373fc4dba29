import { describe, expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { makeAct, makeWithdrawal, readAct, type Act, type Draft } from '#records/act.ts'
import { endDrafts, stepDrafts } from './heating-drafts.ts'
import { openSessions, sessionAt, stepMs } from './heating.ts'

const NOW = Date.parse('2025-12-06T10:00:00Z')
const MINUTE = 60_000
let nowMs = NOW
let ids = 0
const maker = { nowMs: () => nowMs, zone: 'UTC', newId: () => `h${++ids}` }
const loft = boathouseLoft(NOW, 'UTC')

/** Stroke's and Cox's beads in the bay oven, one batch. */
function oven() {
  nowMs = NOW
  const acts: Act[] = [...loft]
  const write = (drafts: readonly Draft[]) => {
    const act = makeAct(maker, 'x', drafts)
    const read = readAct(JSON.parse(JSON.stringify(act)))
    if (!read.ok) throw new Error(read.problem.detail)
    acts.push(read.act)
    return read.act
  }
  write([
    {
      kind: 'session.begun',
      payload: {
        sessionId: 'n1',
        oven: 'electric',
        heatSourceId: 'bay-oven',
        dialC: 115,
        temperatureC: 107,
        roomId: null,
        batches: [{ minutes: 50, chargeIds: ['stroke-beads', 'cox-beads'] }],
      },
    },
  ])
  const state = () => fold(acts)
  const at = () => sessionAt(state(), 'n1')!
  const step = (minutes: number, grossG: number | null = null, toBoxId?: string | null) => {
    nowMs += minutes * MINUTE
    const now = at()
    return write(
      stepDrafts(now, {
        atMs: stepMs(now, nowMs),
        weight: grossG === null ? null : { grossG, tareG: 100 },
        scaleErrorG: 1,
        ...(toBoxId === undefined ? {} : { toBoxId }),
      }),
    )
  }
  return { acts, write, state, at, step }
}
const whole = ({ step }: ReturnType<typeof oven>) => {
  step(2)
  step(1, 230)
  step(1, 148)
  step(3)
  step(55)
  step(35)
  step(1, 220)
  step(1)
  step(1, 145)
  return step(1)
}

describe('a session, step by step', () => {
  test('every step is in the journal; what the beads had stands in their account', () => {
    const session = oven()
    whole(session)
    const { state, at, write } = session
    expect(at().todo).toBeNull()
    write(endDrafts(at(), nowMs + 1))
    const now = state()
    expect(now.contradictions).toEqual([])
    expect(at().session.ended?.how).toBe('done')
    const charge = now.charges.get('stroke-beads')!
    expect(charge.heatings.at(-1)).toMatchObject({
      temperatureC: 107,
      hours: 0.917,
      heatSourceId: 'bay-oven',
    })
    expect(charge.boxId).toBe('stroke')
    const facts = boxFacts(now, boxView(now, 'stroke', nowMs + MINUTE)!, nowMs + MINUTE)!
    // 220 − 100 − 118 dry: what the scale found after the heat wins over the isotherm
    expect(facts.charges[0]!.heatings.at(-1)!.leftWaterG).toBeCloseTo(220 - 100 - charge.dryMassG, 6)
  })
  test('left halfway and gone on with a day later: the same step, nothing doubled', () => {
    const session = oven()
    session.step(2)
    session.step(1, 230)
    const before = session.at()
    nowMs += 26 * 60 * MINUTE
    expect(session.at().todo).toEqual(before.todo)
    expect(openSessions(session.state()).map(one => one.sessionId)).toEqual(['n1'])
  })
  test('two tabs press the same step: the first counts, the second is named as done before', () => {
    const session = oven()
    const drafts = stepDrafts(session.at(), { atMs: nowMs + 1000, weight: null, scaleErrorG: 1 })
    session.write(drafts)
    session.write(
      stepDrafts(
        { ...session.at(), todo: { step: 'displays out', batch: 0, chargeId: null } },
        { atMs: nowMs + 2000, weight: null, scaleErrorG: 1 },
      ),
    )
    expect(session.at().session.done).toHaveLength(1)
    expect(session.state().contradictions.map(one => one.reason)).toEqual(['This step was done before.'])
  })
  test('a clock set back in between: no step is dated before the last', () => {
    const session = oven()
    session.step(30)
    nowMs = NOW - 5 * MINUTE
    session.step(0, 230)
    expect(session.at().session.done).toHaveLength(2)
    expect(session.state().contradictions).toEqual([])
  })
  test('stopped while hot: the heat it had is kept', () => {
    const session = oven()
    session.step(2)
    session.step(1, 230)
    session.step(1, 148)
    session.step(1)
    nowMs += 40 * MINUTE
    session.write(endDrafts(session.at(), nowMs))
    const now = session.state()
    expect(session.at().session.ended?.how).toBe('stopped')
    for (const id of ['stroke-beads', 'cox-beads'])
      expect(now.charges.get(id)!.heatings.at(-1)).toMatchObject({ temperatureC: 107, hours: 0.667 })
    expect(openSessions(now)).toEqual([])
  })
  test('taken back as a whole: the journal says what it said before', () => {
    const session = oven()
    whole(session)
    const before = fold(loft)
    for (const id of session.at().session.actIds.toReversed())
      session.acts.push(
        makeWithdrawal(
          maker,
          session.acts.find(act => act.id === id)!,
        ),
      )
    const after = session.state()
    expect(after.sessions.size).toBe(before.sessions.size)
    expect(JSON.stringify([...after.charges])).toBe(JSON.stringify([...before.charges]))
  })
  test('back into another box, or a jar', () => {
    const session = oven()
    session.step(1)
    for (const grossG of [230, 148]) session.step(1, grossG)
    session.step(1)
    session.step(50)
    session.step(30)
    session.step(1, 220)
    session.step(1, null, null)
    expect(session.state().charges.get('stroke-beads')!.boxId).toBeNull()
  })
})
