import { CAUTIONS } from '#core/renewal/cautions.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

/** Everything that can hurt, in one place; each also stands at its step. */
export const Cautions = () => (
  <>
    <h1 className={hand.answer}>What can hurt</h1>
    <p className={hand.behind}>
      Each of these also stands at the step it is about. The maker’s instructions, local rules and licensed
      people come first.
    </p>
    <ul className={css.almanacCautions}>
      {CAUTIONS.map(caution => (
        <li key={caution.id}>{caution.text}</li>
      ))}
    </ul>
  </>
)
