import type { SpoolWord } from '#core/verdict/spool.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { hatchId } from './hatch.tsx'
import css from './spool-ring.module.css'
import pen from './pen.module.css'

const BUBBLES = [0, 1, 2, 3, 4, 5, 6, 7]

/** A spool face with its rings: outside the turns printed next, round the hub the whole spool. */
export function SpoolRing({
  spool,
  word,
  meanWord = null,
  size = 56,
}: {
  readonly spool: { readonly material: MaterialId; readonly colour: string }
  readonly word: SpoolWord | null
  readonly meanWord?: SpoolWord | null
  readonly size?: number
}) {
  return (
    <svg width={size} height={size} viewBox="-28 -28 56 56" aria-hidden="true">
      <circle r="22" fill={`url(#${hatchId(spool.material, spool.colour)})`} className={pen.windingEdge} />
      <circle r="12" className={pen.flange} />
      <circle r="6.5" className={pen.flangeHole} />
      {word && <WaterRing word={word} radius={24} scale={1} />}
      {meanWord && <WaterRing word={meanWord} radius={10.5} scale={0.4} />}
    </svg>
  )
}

/** How damp, as a ring: thin ink, water, or water with bubbles. The word stands beside it. */
export function WaterRing({
  word,
  radius,
  scale,
}: {
  readonly word: SpoolWord
  readonly radius: number
  readonly scale: number
}) {
  if (word === 'clean')
    return <circle r={radius + 1.5 * scale} className={css.ringClean} strokeWidth={1.2 * scale} />
  if (word === 'usable')
    return <circle r={radius + 1 * scale} className={css.ringUsable} strokeWidth={3 * scale} />
  return (
    <>
      <circle r={radius} className={css.ringTrouble} strokeWidth={7 * scale} />
      {BUBBLES.map(i => (
        <circle
          key={i}
          cx={radius * Math.cos(i * 0.785 + 0.3)}
          cy={radius * Math.sin(i * 0.785 + 0.3)}
          r={(i % 2 ? 1.3 : 1.9) * scale}
          className={css.ringBubble}
        />
      ))}
    </>
  )
}
