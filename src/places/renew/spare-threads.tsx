import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { shortName } from '#ui/format.ts'
import pen from '#draw/pen.module.css'
import { dateOfDay } from '#ui/plan-words.ts'
import css from './plan.module.css'

const MOST_DAYS = 3
const ROW = 17
const NAMES = 104
const HEAD = 24

/** A charge and where it is after each day. */
interface Thread {
  readonly id: string
  readonly isSpare: boolean
  /** Rows, from before the first day on. */
  readonly rows: readonly number[]
  readonly heatedOn: readonly number[]
}

/** Only what changes places; each place is a row, each charge keeps its thread. */
export function threadsOf(
  { boxes, spares }: Pick<PlanQuestion, 'boxes' | 'spares'>,
  sheets: readonly DaySheet[],
): { readonly names: readonly string[]; readonly threads: readonly Thread[] } {
  const next = sheets.slice(0, MOST_DAYS)
  const moving = new Set(next.flatMap(({ round }) => round.swaps.flatMap(one => [one.outId, one.inId])))
  const inBoxes = boxes.flatMap(box =>
    box.charges
      .filter(one => moving.has(one.charge.chargeId))
      .map(one => ({ id: one.charge.chargeId, name: box.name, isSpare: false })),
  )
  const jars = spares
    .filter(one => moving.has(one.charge.chargeId))
    .map(one => ({ id: one.charge.chargeId, name: one.charge.name, isSpare: true }))
  const places = [...inBoxes, ...jars]
  let row = new Map(places.map((one, i) => [one.id, i]))
  const rows = new Map(places.map((one, i) => [one.id, [i]]))
  for (const { round } of next) {
    row = new Map(row)
    for (const { outId, inId } of round.swaps) {
      const [out, into] = [row.get(outId)!, row.get(inId)!]
      row.set(outId, into).set(inId, out)
    }
    for (const [id, at] of row) rows.get(id)!.push(at)
  }
  return {
    names: places.map(one => one.name),
    threads: places.map(one => ({
      id: one.id,
      isSpare: one.isSpare,
      rows: rows.get(one.id)!,
      heatedOn: next.flatMap((sheet, i) =>
        sheet.batches.some(batch => batch.chargeIds.includes(one.id)) ? [i] : [],
      ),
    })),
  }
}

/** Spares go round: follow a thread and you know where its grams are. */
export function SpareThreads({
  question,
  sheets,
  widthPx,
  zone,
}: {
  readonly question: PlanQuestion
  readonly sheets: readonly DaySheet[]
  readonly widthPx: number
  readonly zone: string
}) {
  const { names, threads } = threadsOf(question, sheets)
  const days = sheets.slice(0, MOST_DAYS)
  const step = (widthPx - NAMES) / (days.length + 0.4)
  const x = (i: number) => NAMES + step * (i + 0.55)
  const y = (row: number) => HEAD + 14 + row * ROW
  const bottom = y(names.length - 1) + 10
  return (
    <svg
      className={pen.drawing}
      width={widthPx}
      height={bottom + 4}
      role="img"
      aria-label={`Spares: ${days.map(day => `${dateOfDay(question, day.day, zone)}, ${day.round.swaps.length} go in at once`).join('; ')}`}
    >
      {names.map((name, row) => (
        <text key={row} x="0" y={y(row) + 5} className={css.laneName}>
          {shortName(name, 14)}
        </text>
      ))}
      {days.map((day, i) => (
        <g key={day.iso}>
          <text x={x(i)} y="13" textAnchor="middle" className={css.hotWords}>
            {dateOfDay(question, day.day, zone)}
          </text>
          <path d={`M${x(i)} 19V${bottom}`} className={css.mark} />
        </g>
      ))}
      {[...threads]
        .sort((a, b) => Number(a.isSpare) - Number(b.isSpare))
        .map(thread => {
          const line = threadPath(thread, x, y, widthPx)
          return (
            <g key={thread.id}>
              <path d={line} className={css.gap} />
              <path d={line} className={thread.isSpare ? css.spare : css.thread} />
            </g>
          )
        })}
      {threads.flatMap(thread =>
        thread.heatedOn.map(i => {
          const [cx, cy] = [x(i) + 22, y(thread.rows[i + 1]!)]
          return (
            <path
              key={`${thread.id} ${i}`}
              d={`M${cx} ${cy - 5}L${cx + 4} ${cy}L${cx} ${cy + 5}L${cx - 4} ${cy}Z`}
              className={css.lozenge}
            />
          )
        }),
      )}
    </svg>
  )
}

function threadPath(
  { rows }: Thread,
  x: (i: number) => number,
  y: (row: number) => number,
  widthPx: number,
): string {
  const parts = [`M${NAMES} ${y(rows[0]!)}`]
  for (let i = 1; i < rows.length; i++) {
    const [from, to, at] = [y(rows[i - 1]!), y(rows[i]!), x(i - 1)]
    parts.push(from === to ? `H${at + 12}` : `H${at - 12}C${at} ${from} ${at} ${to} ${at + 12} ${to}`)
  }
  return `${parts.join('')}H${widthPx}`
}
