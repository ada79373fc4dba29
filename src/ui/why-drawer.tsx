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
import { curveOf, ShareCurve } from './share-curve.tsx'
import css from './why-drawer.module.css'
import hand from './hand.module.css'

const KNOWN = { assumed: 'assumed', told: 'told', measured: 'measured', computed: 'worked out' } as const

/** The margin note beside the page, for one answer at a time. */
export default function WhyDrawer({
  answer,
  zone,
  close,
  leave,
}: {
  readonly answer: Answer | null
  readonly zone: string
  readonly close: () => void
  /** Gone to another page: there is nothing to go back from. */
  readonly leave: () => void
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
      {answer && <WhyNote answer={answer} zone={zone} leave={leave} />}
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
  leave,
}: {
  readonly answer: Answer
  readonly zone: string
  readonly leave: () => void
}) {
  const { base } = useJournalTools()
  const { because } = answer
  const curve = curveOf(because)
  const share = because.inputs.find(input => input.symbol === 'p')
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
      {curve && share ? (
        <>
          <ShareCurve
            points={curve}
            share={share.value}
            text={value => curveText(value, answer.unit, zone)}
          />
          <ul className={css.whyInputs}>
            <WhyInput input={share} zone={zone} />
          </ul>
          <details className={css.whyList}>
            <summary>The {curve.length} figures of the curve</summary>
            <WhyInputs inputs={because.inputs.filter(input => input !== share)} zone={zone} />
          </details>
        </>
      ) : (
        <WhyInputs inputs={because.inputs} zone={zone} />
      )}
      {because.note && <p className={hand.behind}>{because.note}</p>}
      <p className={css.whySource}>
        Source: <span data-source>{because.source}</span>
      </p>
      <p>
        <Link
          to={`${base}/almanac/${pageOfFormula(because.formulaId)}`}
          className={hand.worded}
          replace
          onClick={leave}
        >
          More in the almanac
        </Link>
      </p>
    </div>
  )
}

/** Short enough to stand under a curve. */
const curveText = (value: number, unit: string, zone: string): string =>
  unit === 'date' ? isoDay(msFromSeconds(value), zone) : `${inFull(Number(value.toPrecision(3)))} ${unit}`

const WhyInputs = ({ inputs, zone }: { readonly inputs: readonly BecauseInput[]; readonly zone: string }) => (
  <ul className={css.whyInputs}>
    {inputs.map(input => (
      <WhyInput key={input.symbol} input={input} zone={zone} />
    ))}
  </ul>
)

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
