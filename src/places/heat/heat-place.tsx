import { Link } from 'react-router'
import { asTold, hasDial, HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import { asHeatSource, heatSourcesOf } from '#journal/heat-sources.ts'
import type { HeatSourceRecord } from '#journal/state.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { inHundredths, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import { HeatLines } from './heat-lines.tsx'
import { MeasureForm } from './measure-sheet.tsx'
import css from './heat.module.css'

/** What can heat beads here, and how hot is it really? */
export default function HeatPlace() {
  const { state } = useJournal()
  const { base } = useJournalTools()
  const sources = heatSourcesOf(state)
  const measured = sources.reduce((sum, one) => sum + one.measured.length, 0)
  return (
    <main className={hand.page} data-place="heat">
      <p className={hand.where}>
        <Link to={`${base}/kit`}>Kit</Link>
      </p>
      <h1 className={hand.answer}>{answerOf(sources)}</h1>
      <p className={hand.behind}>
        {sources.length === 0 ? (
          <>
            Say in <Link to={`${base}/kit`}>Kit</Link> what you have: “electric oven 50–250 °C, 2 trays”.
          </>
        ) : (
          'A dial says one heat, a maker another, a thermometer by the beads a third. Only the third counts; until it is known, the swing that is common is kept in hand.'
        )}
      </p>
      {sources.length > 0 && (
        <div className={ruled.two}>
          <section aria-labelledby="how-hot">
            <h2 id="how-hot">How hot</h2>
            <HeatLines sources={sources.filter(one => one.kind !== 'microwave')} />
            <p className={hand.aside}>
              Ring: the dial. Bar: what its maker says. Dot: measured, with its swing. Upright: what beads
              with a dye stand.
            </p>
            <Sources sources={sources} />
          </section>
          <MeasureForm key={measured} sources={sources} />
        </div>
      )}
    </main>
  )
}

function answerOf(sources: readonly HeatSourceRecord[]): string {
  const [first] = sources.filter(one => one.measured.length === 0 && one.kind !== 'microwave')
  if (sources.length === 0) return 'Nothing to heat beads in is here'
  if (!first) return offWords(sources)
  return `${first.name} was never measured`
}

/** By how much the one that is furthest off is off. */
function offWords(sources: readonly HeatSourceRecord[]): string {
  const [most] = sources
    .filter(one => hasDial(one.kind))
    .flatMap(({ name, measured }) =>
      measured.map(({ dialC, measuredC }) => ({ name, offC: measuredC - dialC })),
    )
    .sort((a, b) => Math.abs(b.offC) - Math.abs(a.offC))
  if (!most || Math.abs(most.offC) < 1) return 'Every dial says what it gives'
  const kelvins = `${inWhole(Math.abs(most.offC))}${THIN}K`
  return `${most.name} runs up to ${kelvins} ${most.offC < 0 ? 'cooler' : 'hotter'} than its dial says`
}

function Sources({ sources }: { readonly sources: readonly HeatSourceRecord[] }) {
  const { temperature } = useMeasures()
  const { preferences } = usePreferences()
  return (
    <table className={`${ruled.table} ${css.sources}`}>
      <thead>
        <tr>
          <th scope="col">Heat source</th>
          <th scope="col">can be set</th>
          <th scope="col">measured</th>
          <th scope="col">trays</th>
          <th scope="col">draws</th>
        </tr>
      </thead>
      <tbody>
        {sources.map(record => {
          const source = asHeatSource(record)
          const told = asTold(source)
          const assumed = (isTold: boolean) => (isTold ? undefined : hand.pencil)
          const almost = (isTold: boolean) => (isTold ? '' : `≈${THIN}`)
          return (
            <tr key={record.heatSourceId} data-source={record.heatSourceId}>
              <th scope="row">
                {record.name}
                <small>
                  {HEAT_SOURCES[record.kind].name}
                  {told.food ? ', food is cooked in it' : ''}
                </small>
              </th>
              <td className={assumed(record.highestC != null || !hasDial(record.kind))}>
                {hasDial(record.kind)
                  ? `${almost(record.highestC != null)}${temperature.bare(told.lowestC).replace(/\.0$/, '')}–${temperature.text(told.highestC).replace('.0', '')}`
                  : record.kind === 'microwave'
                    ? 'by power'
                    : 'has no dial'}
              </td>
              <td>
                {record.kind === 'microwave' ? (
                  <span className={hand.pencil}>no thermometer stands it</span>
                ) : record.measured.length === 0 ? (
                  <span className={hand.pencil}>
                    never: ±{THIN}
                    {inWhole(told.swingC)}
                    {THIN}K
                  </span>
                ) : (
                  [...record.measured]
                    .sort((a, b) => a.dialC - b.dialC)
                    .map(one => (
                      <span key={one.dialC} className={css.found}>
                        {hasDial(record.kind) && `at ${temperature.bare(one.dialC).replace(/\.0$/, '')}: `}
                        {temperature.text(one.measuredC).replace('.0', '')} ±{THIN}
                        {inWhole(one.swingC)}
                        {one.advertisedC !== null && (
                          <small>its maker says {temperature.text(one.advertisedC).replace('.0', '')}</small>
                        )}
                      </span>
                    ))
                )}
              </td>
              <td className={assumed(record.trays != null)}>
                {almost(record.trays != null)}
                {told.trays} × {inWhole(told.trayAreaCm2)}
                {THIN}cm²
              </td>
              <td className={assumed(record.watts != null)}>
                {almost(record.watts != null)}
                {inWhole(told.watts)}
                {THIN}W
                {record.pricePerKwh != null && (
                  <small>
                    {inHundredths(record.pricePerKwh)} {preferences.currency} a kWh
                  </small>
                )}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
