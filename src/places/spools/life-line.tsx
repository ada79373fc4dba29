import { spoolLegs, type SpoolLeg } from '#journal/spool-legs.ts'
import type { SpoolRecord, State } from '#journal/state.ts'
import { inWhole, THIN } from '#ui/format.ts'
import css from './life.module.css'

const Y = 30
const CASE = 5.5
/** Words narrower than their stretch are left to the stretch itself. */
const LETTER_PX = 7

/**
 * Where a spool has been as one line: sealed a heavy line, a box a line in a case, open or on the printer dots, heat
 * solid; prints hang under it as small wedges with their grams.
 */
export function LifeLine({
  spool,
  boxes,
  fromMs,
  nowMs,
  left,
  widthPx,
}: {
  readonly spool: SpoolRecord
  readonly boxes: State['boxes']
  readonly fromMs: number
  readonly nowMs: number
  readonly left: number
  readonly widthPx: number
}) {
  const x = (ms: number) => left + ((ms - fromMs) / Math.max(nowMs - fromMs, 1)) * (widthPx - left - 8)
  const legs = spoolLegs(spool, fromMs, nowMs)
  const words = wordsThatFit(
    legs.map(leg => ({ from: x(leg.fromMs), to: x(leg.untilMs), word: legWord(leg, boxes) })),
  )
  const prints = spool.amounts.filter(one => one.is === 'printed' && one.atMs >= fromMs)
  const weighed = spool.amounts.filter(one => one.is === 'weighed' && one.atMs >= fromMs)
  return (
    <svg
      width={widthPx}
      height="64"
      className={css.line}
      role="img"
      aria-label={`Its life: ${legs.map(leg => legWord(leg, boxes)).join(', ')}`}
      data-part="life-line"
    >
      {legs.map((leg, i) => (
        <LegStroke key={i} leg={leg} x1={x(leg.fromMs)} x2={x(leg.untilMs)} />
      ))}
      {words.map(({ at, word, isHeat }) => (
        <text
          key={`${at} ${word}`}
          x={at}
          y="14"
          textAnchor="middle"
          className={isHeat ? css.heatWord : css.word}
        >
          {word}
        </text>
      ))}
      {prints.map(({ id, atMs, grams }) => (
        <g key={id} transform={`translate(${x(atMs)} ${Y + 8})`}>
          <path d="M-3.5 0H3.5L0 6Z" className={css.wedge} />
          <text y="20" textAnchor={x(atMs) > widthPx - 40 ? 'end' : 'middle'} className={css.small}>
            −{inWhole(grams)}
            {THIN}g
          </text>
        </g>
      ))}
      {weighed.map(({ id, atMs }) => (
        <path key={id} d={`M${x(atMs)} ${Y - 9}V${Y + 9}`} className={css.tick} />
      ))}
      <path d={`M${x(nowMs)} 4V60`} className={css.today} />
    </svg>
  )
}

function LegStroke({ leg, x1, x2 }: { readonly leg: SpoolLeg; readonly x1: number; readonly x2: number }) {
  const path = `M${x1} ${Y}H${x2}`
  switch (leg.is) {
    case 'bag':
    case 'used up':
      return <path d={path} className={css.sealed} />
    case 'box':
      return (
        <>
          <rect x={x1} y={Y - CASE} width={Math.max(x2 - x1, 1)} height={2 * CASE} className={css.case} />
          <path d={path} className={css.inside} />
        </>
      )
    case 'heat':
      return <rect x={x1} y={Y - CASE} width={Math.max(x2 - x1, 4)} height={2 * CASE} className={css.heat} />
    case 'open':
    case 'printer':
      return <path d={path} className={css.open} />
  }
}

function legWord(leg: SpoolLeg, boxes: State['boxes']): string {
  if (leg.is === 'box') return boxes.get(leg.boxId)?.name ?? 'a box that is gone'
  if (leg.is === 'heat') return 'dried'
  return { bag: 'sealed', 'used up': 'used up', open: 'in the open', printer: 'on the printer' }[leg.is]
}

/** Heat first, since it is short and tells most; then the longest stretches, none over another. */
function wordsThatFit(
  legs: readonly { readonly from: number; readonly to: number; readonly word: string }[],
): { at: number; word: string; isHeat: boolean }[] {
  const placed: { at: number; word: string; isHeat: boolean; half: number }[] = []
  const order = [...legs].sort(
    (a, b) => Number(b.word === 'dried') - Number(a.word === 'dried') || b.to - b.from - (a.to - a.from),
  )
  for (const { from, to, word } of order) {
    const half = (word.length * LETTER_PX) / 2
    const isHeat = word === 'dried'
    if (!isHeat && to - from < 2 * half) continue
    const at = (from + to) / 2
    if (placed.some(one => Math.abs(one.at - at) < one.half + half + 4)) continue
    placed.push({ at, word, isHeat, half })
  }
  return placed
}
