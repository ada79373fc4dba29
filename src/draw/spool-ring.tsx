import type { SpoolWord } from '#core/verdict/spool.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { hatchId } from './hatch.tsx'
import css from './spool-ring.module.css'
import pen from './pen.module.css'

/** The turns printed next as a ring: thin ink, water, or water with bubbles. The word stands beside it. */
export function SpoolRing({ spool, word }: { readonly spool: SpoolRecord; readonly word: SpoolWord | null }) {
  return (
    <svg width="56" height="56" viewBox="-28 -28 56 56" aria-hidden="true">
      <circle r="22" fill={`url(#${hatchId(spool.material, spool.colour)})`} className={pen.windingEdge} />
      <circle r="12" className={pen.flange} />
      <circle r="6.5" className={pen.flangeHole} />
      {word === 'clean' && <circle r="25.5" className={css.ringClean} />}
      {word === 'usable' && <circle r="25" className={css.ringUsable} />}
      {word === 'expect trouble' && (
        <>
          <circle r="24" className={css.ringTrouble} />
          {[0, 1, 2, 3, 4, 5, 6, 7].map(i => (
            <circle
              key={i}
              cx={24 * Math.cos(i * 0.785 + 0.3)}
              cy={24 * Math.sin(i * 0.785 + 0.3)}
              r={i % 2 ? 1.3 : 1.9}
              className={css.ringBubble}
            />
          ))}
        </>
      )}
    </svg>
  )
}
