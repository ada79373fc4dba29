import type { RandomSource } from '#core/estimate/random.ts'
import { inForce } from '#journal/in-force.ts'
import { sweepable } from '#journal/merge.ts'
import { undoSteps } from '#journal/undo.ts'
import { isAhead, lastWrittenMs, writtenAfter } from '#journal/written-at.ts'
import { makeAct, type Act } from '#records/act.ts'
import { fromWallClock, wallClock } from '#ui/wall-clock.ts'

const DAY_MS = 86_400_000
const ZONES = ['UTC', 'Europe/Oslo', 'America/New_York', 'Asia/Kathmandu', 'Pacific/Apia', 'America/St_Johns']

/**
 * One journal whose clock goes where it likes while things are done in it: back, on, years ahead, across zones.
 * @returns what went wrong, by name; nothing where all held
 */
export function clockCase(random: RandomSource): string[] {
  const wrong: string[] = []
  let nowMs = Date.UTC(2026, 5, 1) + random.uniform() * 300 * DAY_MS
  let zone = 'UTC'
  let ids = 0
  const maker = { nowMs: () => nowMs, zone: 'UTC', newId: () => `k${String(++ids).padStart(3, '0')}` }
  const kept: Act[] = []
  for (let i = 0; i < 14; i++) {
    const jump = random.uniform()
    nowMs +=
      jump < 0.5
        ? 60_000 * random.uniform()
        : jump < 0.75
          ? -2 * DAY_MS * random.uniform()
          : jump < 0.95
            ? 20 * DAY_MS * random.uniform()
            : 12 * 365 * DAY_MS * (random.uniform() - 0.3)
    zone = ZONES[Math.floor(random.uniform() * ZONES.length)]!
    const act = writtenAfter(
      makeAct({ ...maker, zone }, `doing ${i}`, [
        { kind: 'box.opened', payload: { boxId: 'cox', openSeconds: 30 } },
      ]),
      kept,
    )
    const before = undoSteps(kept, one => isAhead(one, nowMs)).undo
    kept.push(act)
    const { undo } = undoSteps(kept, one => isAhead(one, nowMs))
    // what was just done is what undo takes back, whatever the clock says
    if (undo?.id !== act.id)
      wrong.push(`undo takes back ${undo?.id ?? 'nothing'} after ${before?.id ?? 'nothing'}`)
    const shown = wallClock(nowMs, zone)
    if (wallClock(fromWallClock(shown, zone), zone) !== shown) wrong.push(`a picker in ${zone}`)
  }
  if (inForce(kept).length !== kept.length) wrong.push('something done is gone')
  // set aside a moment ago: no clock that jumps may sweep it
  const replaced: Act = {
    ...writtenAfter(makeAct(maker, 'replaced', []), kept),
    format: 2,
    brings: [],
    setsAside: [kept[0]!.id],
  }
  const later = nowMs + 400 * DAY_MS * random.uniform()
  const all = [...kept.filter(act => !isAhead(act, nowMs)), replaced]
  if (sweepable(all, Math.min(later, lastWrittenMs(all, later))).length > 0) wrong.push('swept too early')
  return wrong
}
