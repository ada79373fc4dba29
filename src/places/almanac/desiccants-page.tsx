import { useElementSize } from '@mantine/hooks'
import { useState } from 'react'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { TABULATED } from '#core/desiccant/tabulated.ts'
import { inHundredths, THIN } from '#ui/format.ts'
import { Slider } from './slider.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { usePreferences } from '#session/journal-context.tsx'
import IsothermChart from './isotherm-chart.tsx'
import { LINES } from './isotherm-option.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

/** What each desiccant holds in balance with the air, by temperature. */
export default function DesiccantsPage() {
  const [temperatureC, setTemperature] = useState(20)
  const { temperature } = useMeasures()
  const { dark } = usePreferences()
  const { ref, width } = useElementSize()
  const rows = [
    ...[DESICCANTS['silica-a'], DESICCANTS['silica-rd']].map(item => ({
      ...item,
      renew: `${temperature.field(105)}–${temperature.field(item.neverAboveC)}`,
      note: 'beads with an indicator no hotter than this; plain ones bear more',
    })),
    ...Object.values(TABULATED).map(item => ({
      ...item,
      renew: item.renewAtC
        ? `${temperature.field(item.renewAtC[0])}–${temperature.field(item.renewAtC[1])}`
        : 'not at all',
    })),
  ]
  return (
    <>
      <h1 className={hand.answer}>What each desiccant holds</h1>
      <p className={hand.behind}>
        Grams of water a gram, in balance with air of this humidity, the desiccant at{' '}
        {temperature.text(temperatureC)}.
      </p>
      <Slider
        says={`Desiccant at ${temperature.text(temperatureC)}`}
        label="Temperature of the desiccant"
        value={temperatureC}
        min={-10}
        max={60}
        text={temperature.text(temperatureC)}
        set={setTemperature}
      />
      <div ref={ref} className={css.isotherms} data-part="isotherms">
        {width > 0 && <IsothermChart key={String(dark)} temperatureC={temperatureC} width={width} />}
      </div>
      <table className={css.almanacTable}>
        <thead>
          <tr>
            <th scope="col">Desiccant</th>
            <th scope="col" className={css.number}>
              g/mL
            </th>
            <th scope="col" className={css.number}>
              renew at, {temperature.unit}
            </th>
            <th scope="col" className={css.wideCell}>
              to know
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(row => (
            <tr key={row.kind}>
              <th scope="row">
                <LineKey kind={row.kind} /> {row.name}
              </th>
              <td className={css.number}>{inHundredths(row.bulkDensityGPerMl)}</td>
              <td className={css.number}>{row.renew}</td>
              <td className={css.wideCell}>{row.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={hand.aside}>
        Silica gel: Tóth equation, Ng et al. 2001 (from memory; beads of unknown kind lie between A and RD,
        ±25
        {THIN}%). The others: typical values at 25 °C from memory, carried to other temperatures by their net
        heat. Calcium chloride leaves the page at its brine.
      </p>
    </>
  )
}

/** The stroke by which the drawing tells it: on a phone there is no room for names. */
function LineKey({ kind }: { readonly kind: string }) {
  const line = LINES.find(item => item.kind === kind)
  if (!line) return null
  return (
    <svg width="30" height="8" className={css.lineKey} aria-hidden="true">
      <path
        d="M0 4H30"
        style={{
          stroke: `var(--${line.colour})`,
          strokeWidth: line.width,
          strokeDasharray: line.dash.join(' '),
        }}
      />
    </svg>
  )
}
