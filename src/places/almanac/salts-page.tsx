import { SALTS } from '#core/air/salts.ts'
import { inHundredths } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

/** Saturated solutions, to hold a display against. */
export function SaltsPage() {
  const { temperature } = useMeasures()
  return (
    <>
      <h1 className={hand.answer}>Air of a humidity one can trust</h1>
      <p className={hand.behind}>
        A wet slush of salt in a small shut jar holds its air at one RH. Put the display in with it, not
        touching, and read it after a day: what it shows too much or too little is its own error.
      </p>
      <table className={`${css.almanacTable} ${css.narrowTable}`}>
        <thead>
          <tr>
            <th scope="col">Salt</th>
            <th scope="col" className={css.number}>
              at {temperature.unit}
            </th>
            <th scope="col" className={css.number}>
              % RH
            </th>
          </tr>
        </thead>
        <tbody>
          {SALTS.flatMap(salt =>
            salt.points.map(([temperatureC, rh], i) => (
              <tr key={`${salt.id}${temperatureC}`}>
                <th scope="row">{i === 0 ? salt.name : ''}</th>
                <td className={css.number}>{temperature.bare(temperatureC)}</td>
                <td className={css.number}>{inHundredths(rh)}</td>
              </tr>
            )),
          )}
        </tbody>
      </table>
      <p className={hand.aside}>
        Source: Greenspan 1977, J. Res. NBS 81A, 89. Potassium carbonate and lithium chloride irritate:
        gloves, and keep all of it from children and pets.
      </p>
    </>
  )
}
