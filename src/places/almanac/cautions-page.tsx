import { CAUTIONS } from '#core/renewal/cautions.ts'

/** Everything that can hurt, in one place; each also stands at its step. */
export const Cautions = () => (
  <>
    <h1 className="answer">What can hurt</h1>
    <p className="behind">
      Each of these also stands at the step it is about. The maker’s instructions, local rules and licensed
      people come first.
    </p>
    <ul className="almanac-cautions">
      {CAUTIONS.map(caution => (
        <li key={caution.id}>{caution.text}</li>
      ))}
    </ul>
  </>
)
