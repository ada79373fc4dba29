import { secondsFromMs } from '#units/time.ts'
import {
  daysSinceAnswer,
  dewPointAnswer,
  enteredAnswer,
  readingAnswer,
  shareAnswer,
  targetAnswer,
  vapourDensityAnswer,
} from '#core/answers/answers.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { heldAtTarget } from '#core/verdict/held-at-target.ts'
import { inScale } from '#core/reading/scale-slip.ts'
import { roomAirAt } from '#journal/room-air.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { State } from '#journal/state.ts'
import { agoText, calendarDays } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { THIN, asTyped, inTenths, inWhole, readText } from '#ui/format.ts'
import { markColour, StateMark } from '#draw/state-mark.tsx'
import { usePreferences } from '#session/journal-context.tsx'
import hand from '#ui/hand.module.css'
import css from './box.module.css'

/** The reading against the strictest material, and the box's air against the room's. */
export function AirLine({
  view,
  state,
  nowMs,
  zone,
  report,
}: {
  readonly view: BoxView
  readonly state: State
  readonly nowMs: number
  readonly zone: string
  readonly report: BoxReport | undefined
}) {
  const { temperatureScale: scale } = usePreferences().preferences
  const { last, target } = view
  const room = state.rooms.get(view.box.roomId)
  if (last && !target)
    return (
      <p className={hand.aside}>
        Read {agoText(last.atMs, nowMs, zone)}; with no spool in it there is no target to judge it by.
      </p>
    )
  if (!last || !target || !room)
    return <p className={hand.aside}>No reading yet: log one, and this box can be judged.</p>
  const box = { ...last, knowledge: 'measured' as const }
  const roomAir = roomAirAt(state, room, last.atMs)
  const outside = { ...roomAir, knowledge: roomAir.measured ? ('measured' as const) : ('assumed' as const) }
  const degrees = (celsius: number) => `${inTenths(inScale(celsius, scale))}${THIN}°${scale}`
  const inside = vapourDensityAnswer('vapour density in the box', box)
  const around = vapourDensityAnswer('vapour density in the room', outside)
  const daysAgo = calendarDays(last.atMs, nowMs, zone)
  const expected =
    report &&
    ((share: number) =>
      shareAnswer(
        'what the display should show now',
        '%',
        share,
        report.expectedRhPercent,
        'in the draws, by twentieths',
      ))
  const held = heldAtTarget(view.materials[target.spool.material])
  return (
    <p className={css.airLine} data-part="air-line">
      {last.word && (
        <>
          <StateMark word={last.word} />{' '}
        </>
      )}
      <Figure
        answer={readingAnswer('reading', last, `±${view.hygrometer.accuracyPercentRh} %`)}
        className={hand.strong}
      >
        {readText(last)}
        {THIN}%
      </Figure>{' '}
      of{' '}
      <Figure
        answer={targetAnswer(
          target.all.map(item => ({ name: item.spool.name, rhPercent: item.rhPercent })),
          `At it ${target.spool.material} ends at ${held.moisturePercent.toFixed(2)} wt %: ${held.word}. ${held.cleanHoldingRhPercent.toFixed(1)} % RH would keep it clean.`,
        )}
      >
        {asTyped(target.rhPercent)}
        {THIN}%
      </Figure>{' '}
      for {target.spool.name}:{' '}
      <strong style={{ color: markColour(last.word ?? 'not known') }}>{last.word}</strong>, read{' '}
      {daysAgo < 2 ? (
        agoText(last.atMs, nowMs, zone)
      ) : (
        <Figure
          answer={daysSinceAnswer(
            'days since it was read',
            daysAgo,
            secondsFromMs(last.atMs),
            secondsFromMs(nowMs),
          )}
        >
          {agoText(last.atMs, nowMs, zone)}
        </Figure>
      )}
      {last.putRight && (
        <span className={hand.aside} data-part="put-right">
          {' '}
          (its display shows{' '}
          <Figure
            answer={enteredAnswer(
              'shown',
              'what the display showed',
              last.putRight.shownRhPercent,
              '%',
              'measured',
            )}
          >
            {asTyped(last.putRight.shownRhPercent)}
          </Figure>
          )
        </span>
      )}
      {expected && last.settled && (
        <span className={hand.aside}>
          {' '}
          (now reckoned <Figure answer={expected(0.1)}>{inWhole(expected(0.1).value)}</Figure>–
          <Figure answer={expected(0.9)}>
            {inWhole(expected(0.9).value)}
            {THIN}%
          </Figure>
          )
        </span>
      )}
      . Inside{' '}
      <Figure answer={inside} after=",">
        {inTenths(inside.value)}
        {THIN}g/m³
      </Figure>{' '}
      dew point{' '}
      <Figure answer={dewPointAnswer('dew point in the box', box)} after=";">
        {degrees(dewPointAnswer('', box).value)}
      </Figure>{' '}
      room{' '}
      <Figure answer={around} after=",">
        {inTenths(around.value)}
        {THIN}g/m³
      </Figure>{' '}
      dew point{' '}
      <Figure answer={dewPointAnswer('dew point in the room', outside)} after=":">
        {degrees(dewPointAnswer('', outside).value)}
      </Figure>{' '}
      water moves {around.value > inside.value ? 'in' : 'out'}.
    </p>
  )
}
