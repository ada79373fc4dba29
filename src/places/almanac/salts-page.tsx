import { Link } from 'react-router'
import { SALTS, saltRhPercent, type SaltId } from '#core/air/salts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { inHundredths } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

const SHOWN_C = [10, 15, 20, 25, 30] as const

/** Saturated solutions, to hold a display against. */
export function SaltsPage() {
  const { temperature } = useMeasures()
  const { base } = useJournalTools()
  return (
    <>
      <h1 className={hand.answer}>Air of a humidity one can trust</h1>
      <p className={hand.behind}>
        A wet slush of salt in a small shut jar holds its air at one RH. Put the display in with it, not
        touching, and read it after a day: what it shows too much or too little is its own error.{' '}
        <Link to={`${base}/kit/displays`}>Enter what it showed</Link>
      </p>
      <table className={`${css.almanacTable} ${css.narrowTable}`}>
        <thead>
          <tr>
            <th scope="col">Salt, % RH at</th>
            {SHOWN_C.map(temperatureC => (
              <th key={temperatureC} scope="col" className={css.number}>
                {temperature.text(temperatureC)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Object.entries(SALTS).map(([id, { name, formula }]) => (
            <tr key={id}>
              <th scope="row">
                {name}, {formula}
              </th>
              {SHOWN_C.map(temperatureC => (
                <td key={temperatureC} className={css.number}>
                  {inHundredths(saltRhPercent(id as SaltId, temperatureC)!)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={hand.aside}>
        Source: Greenspan 1977, J. Res. NBS 81A, 89; other temperatures than 25 °C, but for table salt, from
        memory of it. Potassium carbonate and lithium chloride irritate: gloves, and keep all of it from
        children and pets.
      </p>
    </>
  )
}
