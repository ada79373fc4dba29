import { greatest } from '#units/extremes.ts'
import { hangMm, type Arrangement, type Asked } from '#core/build/arrangement.ts'
import { clearancesOf, liftRoomMm, standingSpools, type Clearance } from '#core/build/clearances.ts'
import { hangAnswer, roomAnswer } from '#core/answers/build-answers.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { Figure } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './build.module.css'

const R = 40

/** Each spool by its hub: bore and rod to scale, how far it hangs, what room it has over and under it. */
export function HangStrip({
  asked,
  arrangement,
  spools,
}: {
  readonly asked: Asked
  readonly arrangement: Arrangement
  readonly spools: readonly PlanSpool[]
}) {
  const { length } = useMeasures()
  const clearances = clearancesOf(arrangement, spools, asked)
  const standing = standingSpools(arrangement, spools, asked)
  const scale = R / Math.max(greatest(spools.map(spool => spool.boreMm / 2)), asked.support.rodDiameterMm)
  const roomTo = (id: string, test: (one: Clearance) => boolean) =>
    clearances.find(one => one.spoolId === id && test(one))
  const room = (words: string, one: Clearance | undefined) => {
    const answer = one && roomAnswer(one, { arrangement }, spools, asked)
    if (!one || !answer) return null
    const missing = one.isMm < one.askedMm - 0.05
    return (
      <p className={missing ? css.missing : undefined}>
        {words} <Figure answer={answer}>{length.bare(one.isMm)}</Figure> of {length.text(one.askedMm)}
      </p>
    )
  }
  return (
    <section>
      <h2 className={hand.section}>How each one hangs</h2>
      <ul className={css.hangs}>
        {standing.map(one => {
          const spool = spools.find(({ id }) => id === one.spool.id)!
          const hang = hangMm(spool, asked.support)
          const rodPx = 0 - hang * scale
          const lift = liftRoomMm(one, asked)
          return (
            <li key={spool.id} className={css.hang}>
              <svg
                width={2 * R + 4}
                height={2 * R + 4}
                viewBox={`${-R - 2} ${-R - 2} ${2 * R + 4} ${2 * R + 4}`}
                aria-hidden="true"
              >
                <circle r={(spool.boreMm / 2) * scale} className={pen.flangeHole} />
                <circle cy={rodPx} r={(asked.support.rodDiameterMm / 2) * scale} className={pen.rodEnd} />
                <path d={`M-4 ${rodPx}h8M-4 0h8M0 ${rodPx}V0`} className={css.iMark} />
              </svg>
              <div>
                <p className={css.hangName} data-part="spool-name">
                  {spool.name}
                </p>
                <p>
                  bore {length.bare(spool.boreMm)}, hangs{' '}
                  <Figure answer={hangAnswer(spool, asked.support)}>{length.text(hang)}</Figure>
                </p>
                {room(
                  'lid',
                  roomTo(spool.id, ({ to }) => to.what === 'face' && to.face === 'lid'),
                )}
                {room(
                  'beads',
                  roomTo(spool.id, ({ to }) => to.what === 'block' && to.name === 'beads'),
                ) ??
                  room(
                    'floor',
                    roomTo(spool.id, ({ to }) => to.what === 'face' && to.face === 'floor'),
                  )}
                {lift.roomMm < 2 && (
                  <p className={css.missing}>
                    {lift.over ? `the ${lift.over} is in its way out` : 'the walls hold it in'}
                  </p>
                )}
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
