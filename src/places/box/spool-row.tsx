import { MATERIALS } from '#core/filament/catalogue.ts'
import { heldAtTarget } from '#core/filament/held-at-target.ts'
import { holdingRhAnswer, outerTurnsAnswer, spoolMeanAnswer } from '#core/answers/box-answers.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { spoolWord, type SpoolWord } from '#core/verdict/spool.ts'
import type { BoxView } from '#records/box-view.ts'
import type { SpoolRecord } from '#records/state.ts'
import { Figure } from '#draw/figure.tsx'
import { HatchDefs, hatchId } from '#draw/hatch.tsx'
import { inHundredths, inTenths, THIN } from '#draw/format.ts'
import { usePreferences } from '../journal/journal-context.tsx'

/** Every spool inside: the word for its mean, and for its outer turns, which follow the air first. */
export function SpoolRow({ view, report }: { readonly view: BoxView; readonly report: BoxReport }) {
  const { dark } = usePreferences()
  return (
    <section className="spools" aria-label="Spools inside">
      <svg width="0" height="0" aria-hidden="true">
        <HatchDefs spools={view.spools} dark={dark} />
      </svg>
      <ul className="spool-row">
        {view.spools.map(spool => (
          <SpoolItem key={spool.spoolId} spool={spool} report={report} />
        ))}
      </ul>
    </section>
  )
}

function SpoolItem({ spool, report }: { readonly spool: SpoolRecord; readonly report: BoxReport }) {
  const material = MATERIALS[spool.material]
  const now = report.spools.find(item => item.id.split('.')[0] === spool.spoolId)
  if (!now) return null
  const outer = outerTurnsAnswer(material, spool.name, now.boxRhPercent)
  const mean = spoolMeanAnswer(now, spool.name)
  const outerWord = spoolWord(material, outer.value)
  const meanWord = spoolWord(material, mean.value)
  const held = heldAtTarget(material)
  return (
    <li className="spool-item">
      <SpoolRing spool={spool} word={outerWord} />
      <div>
        <p className="spool-name">{spool.name}</p>
        <p className={outerWord === 'expect trouble' ? 'trouble' : undefined}>
          outer {outerWord}{' '}
          <Figure answer={outer} className="small">
            {inHundredths(outer.value)}
            {THIN}%
          </Figure>
        </p>
        <p className={meanWord === 'expect trouble' ? 'trouble' : undefined}>
          mean {meanWord}{' '}
          <Figure answer={mean} className="small">
            {inHundredths(mean.value)}
            {THIN}%
          </Figure>
        </p>
        {held.word === 'expect trouble' && held.troubleHoldingRhPercent !== null && (
          <p className="aside small">
            its target only slows it: below{' '}
            <Figure
              answer={holdingRhAnswer(
                material,
                `RH that keeps ${material.id} usable`,
                material.troubleAbovePercent!,
              )}
            >
              {inTenths(held.troubleHoldingRhPercent)}
              {THIN}%
            </Figure>{' '}
            RH it stays usable
          </p>
        )}
      </div>
    </li>
  )
}

/** The outer turns as a ring: thin ink, water, or water with bubbles. The word stands beside it. */
function SpoolRing({ spool, word }: { readonly spool: SpoolRecord; readonly word: SpoolWord }) {
  return (
    <svg width="56" height="56" viewBox="-28 -28 56 56" aria-hidden="true">
      <circle r="22" fill={`url(#${hatchId(spool.material, spool.colour)})`} className="winding-edge" />
      <circle r="12" className="flange" />
      <circle r="6.5" className="flange-hole" />
      {word === 'clean' && <circle r="25.5" className="ring-clean" />}
      {word === 'usable' && <circle r="25" className="ring-usable" />}
      {word === 'expect trouble' && (
        <>
          <circle r="24" className="ring-trouble" />
          {[0, 1, 2, 3, 4, 5, 6, 7].map(i => (
            <circle
              key={i}
              cx={24 * Math.cos(i * 0.785 + 0.3)}
              cy={24 * Math.sin(i * 0.785 + 0.3)}
              r={i % 2 ? 1.3 : 1.9}
              className="ring-bubble"
            />
          ))}
        </>
      )}
    </svg>
  )
}
