import { greatest } from '#units/extremes.ts'
import type { Asked } from '#core/build/arrangement.ts'
import type { CandidateReport, Wish } from '#core/build/candidate.ts'
import { mgPerDay } from '#core/build/candidate.ts'
import {
  allBoxesAnswer,
  eachAnswer,
  insideAnswer,
  oneMoreAnswer,
  openingsAnswer,
  roomAnswer,
  takesAnswer,
  wayAnswer,
  waysAnswer,
} from '#core/answers/build-answers.ts'
import { differenceAnswer, enteredAnswer } from '#core/answers/answers.ts'
import { insideL } from '#core/build/inside.ts'
import { CONTAINERS } from '#core/container/container.ts'
import { LIDS } from '#core/container/lid.ts'
import { HatchDefs } from '#draw/hatch.tsx'
import { PlanView } from '#draw/plan-view.tsx'
import { askedOf, insideOfCandidate, type PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { countWord, roomTo, standingWords } from './plan-words.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './build.module.css'

const BOARD = 6
const LID = 14

/** One container that might do: drawn with what it takes, and what it lets in and costs. */
export function CandidateColumn({
  candidate,
  plan,
  report,
  wish,
  spools,
  scale,
  heightPx,
  chosen,
  onChoose,
  onChange,
  onRemove,
}: {
  readonly candidate: PlanCandidate
  readonly plan: PlanRecord
  readonly report: CandidateReport | undefined
  readonly wish: Wish | null
  readonly spools: readonly PlanSpool[]
  readonly scale: number
  readonly heightPx: number
  readonly chosen: boolean
  readonly onChoose: () => void
  readonly onChange: () => void
  readonly onRemove: (() => void) | null
}) {
  const { dark } = usePreferences()
  const { length, volume } = useMeasures()
  const inside = insideOfCandidate(candidate)
  // beads and display stand in the one that is chosen
  const asked = askedOf(chosen ? plan : { ...plan, charge: null, display: null }, candidate)
  const pencil = candidate.sizeKnown === 'assumed'
  const width = (candidate.rimLengthMm + 40) * scale
  const line = heightPx - BOARD
  return (
    <div
      className={chosen ? `${css.candidate} ${css.chosen}` : css.candidate}
      data-candidate={candidate.name}
    >
      <svg
        className={`${pen.drawing} ${css.drawn}`}
        width={width}
        height={heightPx}
        viewBox={`0 0 ${width} ${heightPx}`}
        role="img"
        aria-label={`${candidate.name} from the front, ${report?.found ? `${report.found.count} spools ${standingWords(report)}` : 'empty'}`}
      >
        <HatchDefs spools={spools} dark={dark} />
        <rect x="0" y={line} width={width} height={BOARD} className={pen.board} />
        <path d={`M0 ${line}H${width}`} className={pen.boardLine} />
        <PlanView
          asked={asked}
          arrangement={report?.found?.arrangement ?? null}
          spools={spools}
          scale={scale}
          x={width / 2}
          y={line}
          pencil={pencil}
        />
      </svg>
      <label className={hand.choiceWord}>
        <input
          type="radio"
          name="candidate"
          className={hand.visuallyHidden}
          checked={chosen}
          onChange={onChoose}
        />
        <span className={css.candidateName}>{candidate.name}</span>
      </label>
      <p className={pencil ? hand.pencil : undefined}>
        <Figure answer={insideAnswer(inside, insideL(inside))}>{volume.text(insideL(inside))}</Figure>
        {', '}
        {[candidate.rimLengthMm, candidate.rimDepthMm, candidate.heightMm].map((mm, i) => (
          <span key={i}>
            {i > 0 && ' × '}
            <Figure
              answer={enteredAnswer(
                `${candidate.name}, ${['length', 'depth', 'height'][i]}`,
                'inside, at the rim',
                mm,
                'mm',
                candidate.sizeKnown,
              )}
            >
              {i === 2 ? length.text(mm) : length.bare(mm)}
            </Figure>
          </span>
        ))}
        , {CONTAINERS[candidate.container].section === 'round' ? 'round, ' : ''}
        {LIDS[candidate.lid].name}
      </p>
      {report && wish ? (
        <Judged
          candidate={candidate}
          report={report}
          wish={wish}
          asked={asked}
          spools={spools}
          allCount={spools.length}
        />
      ) : (
        <p className={hand.aside}>{spools.length === 0 ? 'Nothing is to go in yet.' : 'Trying …'}</p>
      )}
      <p className={css.candidateActs}>
        <button type="button" className={hand.worded} onClick={onChange}>
          Change it
        </button>
        {onRemove && (
          <button type="button" className={hand.worded} onClick={onRemove}>
            Leave it out
          </button>
        )}
      </p>
    </div>
  )
}

function Judged({
  candidate,
  report,
  wish,
  asked,
  spools,
  allCount,
}: {
  readonly candidate: PlanCandidate
  readonly report: CandidateReport
  readonly wish: Wish
  readonly asked: Asked
  readonly spools: readonly PlanSpool[]
  readonly allCount: number
}) {
  const { length, volume } = useMeasures()
  const { currency } = usePreferences().preferences
  const money = (value: number) =>
    new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(value)
  const { found, tightest, oneMoreWantsMm, boxesForAll } = report
  const takes = takesAnswer(report, wish.spools)
  const room = tightest && found && roomAnswer(tightest, found, wish.spools, asked)
  const water = waysAnswer(report)
  const perDay = water.value
  if (!found || !takes)
    return (
      <p className={hand.notice} data-part="takes">
        <WhyNone asked={asked} spools={spools} />
      </p>
    )
  return (
    <>
      <p data-part="takes">
        takes <Figure answer={takes}>{countWord(found.count)}</Figure> {standingWords(report)}
        {report.fewest !== report.most && (
          <span className={hand.pencil}>
            {' '}
            ({countWord(report.fewest)} to {countWord(report.most)} until it is measured)
          </span>
        )}
      </p>
      {tightest && room && (
        <p>
          tightest: <Figure answer={room}>{length.text(tightest.isMm)}</Figure> {roomTo(tightest, spools)}
          {oneMoreWantsMm !== null && (
            <>
              ; one more wants{' '}
              <Figure answer={oneMoreAnswer(oneMoreWantsMm)}>{length.text(oneMoreWantsMm)}</Figure> more
              length
            </>
          )}
        </p>
      )}
      <p>
        free air{' '}
        <Figure
          answer={differenceAnswer('free air', 'L', ['inside', report.insideL], ['spools', report.solidsL])}
        >
          {volume.text(report.freeAirL)}
        </Figure>
        ; water in <Figure answer={water}>{mgText(perDay)}</Figure> a day:{' '}
        {report.ways.map((way, i) => (
          <span key={way.by}>
            {i > 0 && ', '}
            {way.by}{' '}
            <Figure answer={wayAnswer(way, report, wish)}>
              {inWhole(mgPerDay(way.usualLPerH, report.driveGPerM3))}
            </Figure>
          </span>
        ))}
      </p>
      <p>
        a month of openings{' '}
        <Figure answer={openingsAnswer(report, wish)}>
          {inHundredths(report.openingsGPerMonth)}
          {THIN}g
        </Figure>
        {boxesForAll !== null && boxesForAll > 1 && (
          <>
            ; for all {countWord(allCount)}: {countWord(boxesForAll)} of them,{' '}
            <Figure answer={allBoxesAnswer(boxesForAll, perDay)}>{mgText(boxesForAll * perDay)}</Figure> a day
          </>
        )}
      </p>
      <p>
        <Figure
          answer={eachAnswer(
            'shelf a spool takes',
            'mm',
            ['length over walls and lid', report.outerLengthMm],
            found.count,
          )}
        >
          {length.text(report.outerLengthMm / found.count)}
        </Figure>{' '}
        of shelf a spool
        {candidate.price === null ? (
          <span className={hand.aside}>; no price told</span>
        ) : (
          <>
            ;{' '}
            <Figure answer={enteredAnswer('price', 'of one', candidate.price, currency, 'told')}>
              {money(candidate.price)}
            </Figure>
            ,{' '}
            <Figure answer={eachAnswer('price a spool', currency, ['price', candidate.price], found.count)}>
              {money(candidate.price / found.count)}
            </Figure>{' '}
            a spool
          </>
        )}
      </p>
    </>
  )
}

const mgText = (mg: number): string => `${mg < 10 ? inTenths(mg) : inWhole(mg)}${THIN}mg`

/** Nothing goes in: what the smallest wants, and what there is. */
function WhyNone({ asked, spools }: { readonly asked: Asked; readonly spools: readonly PlanSpool[] }) {
  const { length } = useMeasures()
  const smallest = [...spools].sort((a, b) => a.rimDiameterMm - b.rimDiameterMm || a.widthMm - b.widthMm)[0]
  if (!smallest) return null
  const { lidMm, sidesMm } = asked.clearances
  const { rimMm, heightMm } = asked.inside
  return (
    <>
      Takes none: {smallest.name} is {length.bare(smallest.rimDiameterMm)} across and{' '}
      {length.text(smallest.widthMm)} wide, and wants {length.text(smallest.rimDiameterMm + 2 * sidesMm)} with
      the room asked ({length.text(smallest.rimDiameterMm + lidMm)} upwards). Inside there are{' '}
      {length.bare(rimMm[0])} × {length.bare(rimMm[1])} × {length.text(heightMm)}: take a larger box, let
      spools stand another way, or ask for less room.
    </>
  )
}

/** What a drawing of these needs: one scale for all, as large as they fit side by side. */
export function scaleFor(
  candidates: readonly PlanCandidate[],
  widthPx: number,
): { scale: number; heightPx: number } {
  const gaps = 24 * (candidates.length - 1)
  const total = candidates.reduce((sum, one) => sum + one.rimLengthMm + 40, 0)
  const tallest = Math.max(greatest(candidates.map(one => one.heightMm)), 1)
  // on the phone they stand under each other: the widest fills the page
  const widest = Math.max(greatest(candidates.map(one => one.rimLengthMm + 40)), 1)
  const fits = widthPx < 660 ? widthPx / widest : (widthPx - gaps) / total
  const scale = Math.min(0.66, fits, 190 / tallest)
  return { scale, heightPx: tallest * scale + LID + BOARD }
}
