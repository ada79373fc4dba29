import { Drawer } from '@mantine/core'
import { Link } from 'react-router'
import type { Answer, BecauseInput } from '#core/answer.ts'
import { msFromSeconds } from '#units/time.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { pageOfFormula } from './almanac-pages.ts'
import { clockText, isoDay } from './dates.ts'
import { Approx, Tick } from './figure.tsx'
import { inFull } from './format.ts'
import { knownLook } from './known-look.ts'
import css from './why-drawer.module.css'
import hand from './hand.module.css'

const KNOWN = { assumed: 'assumed', told: 'told', measured: 'measured', computed: 'worked out' } as const

/** The margin note beside the page, for one answer at a time. */
export default function WhyDrawer({
  answer,
  zone,
  close,
}: {
  readonly answer: Answer | null
  readonly zone: string
  readonly close: () => void
}) {
  return (
    <Drawer
      opened={answer !== null}
      onClose={close}
      position="right"
      size={400}
      title={answer ? capital(answer.quantity) : ''}
      closeButtonProps={{ 'aria-label': 'Close' }}

      transitionProps={{ duration: 0 }}
      withOverlay={false}
      trapFocus={false}
      zIndex={400}
      lockScroll={false}
    >
      {answer && <WhyNote answer={answer} zone={zone} close={close} />}
    </Drawer>
  )
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
const shown = (value: number, unit: string, zone: string): string =>
  unit === 'date'
    ? isoDay(msFromSeconds(value), zone)
    : unit === 'time'
      ? `${isoDay(msFromSeconds(value), zone)} ${clockText(msFromSeconds(value), zone)}`
      : inFull(value)
const unitText = (unit: string): string => (unit === 'date' || unit === 'time' ? '' : unit)

function WhyNote({
  answer,
  zone,
  close,
}: {
  readonly answer: Answer
  readonly zone: string
  readonly close: () => void
}) {
  const { base } = useJournalTools()
  const { because } = answer
  return (
    <div data-why data-formula={because.formulaId}>
      <p className={`${css.whyValue} ${knownLook(answer)}`}>
        {answer.knowledge === 'assumed' && <Approx />}
        <span data-result>{shown(answer.value, answer.unit, zone)}</span> {unitText(answer.unit)}
        {answer.knowledge === 'measured' && <Tick />}
      </p>
      <p className={css.whyFormula} data-formula-text>
        {because.formula}
      </p>
      <ul className={css.whyInputs}>
        {because.inputs.map(input => (
          <WhyInput key={input.symbol} input={input} zone={zone} />
        ))}
      </ul>
      {because.note && <p className={hand.behind}>{because.note}</p>}
      <p className={css.whySource}>
        Source: <span data-source>{because.source}</span>
      </p>
      <p>
        <Link
          to={`${base}/almanac/${pageOfFormula(because.formulaId)}`}
          className={hand.worded}
          onClick={close}
        >
          More in the almanac
        </Link>
      </p>
    </div>
  )
}

const WhyInput = ({ input, zone }: { readonly input: BecauseInput; readonly zone: string }) => (
  <li className={knownLook(input)} data-symbol={input.symbol}>
    <span className={css.whySymbol}>{input.symbol}</span>
    <span>
      <span data-input-value>{shown(input.value, input.unit, zone)}</span> {unitText(input.unit)}
    </span>
    <span className={css.whyName}>
      {input.name}, {KNOWN[input.knowledge]}
    </span>
  </li>
)
