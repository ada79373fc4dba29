import { stuckSinceS } from '#core/reading/stuck.ts'
import type { InstrumentRecord, State } from '#journal/state.ts'
import { displayErrorAt, shownRh } from '#journal/true-readings.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { msFromSeconds, secondsFromMs } from '#units/time.ts'
import { shortDayText } from '#ui/dates.ts'
import { leftWords, offWords } from '#ui/display-words.ts'
import { THIN } from '#ui/format.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './displays.module.css'

const FAR_RH = 60
export function Displays({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const write = useWriteAct()
  const day = (ms: number) => shortDayText(ms, nowMs, maker.zone)
  return (
    <>
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <table className={`${ruled.table} ${css.displays}`}>
        <thead>
          <tr>
            <th scope="col">Display</th>
            <th scope="col">off by, at 25{THIN}%</th>
            <th scope="col">last checked</th>
            <th scope="col">cell</th>
          </tr>
        </thead>
        <tbody>
          {displays.map(one => {
            const error = displayErrorAt(state)(one.instrumentId, nowMs)
            const last = state.checks.findLast(check =>
              check.shown.some(shown => shown.instrumentId === one.instrumentId),
            )
            const stuckS = stuckSinceOf(state, one.instrumentId)
            const far = error && { offsetRh: error.offsetRh + error.perRh * (FAR_RH - 25) }
            return (
              <tr key={one.instrumentId} data-display={one.instrumentId}>
                <th scope="row">
                  {one.name}
                  <small>
                    {one.boxId === null
                      ? 'carried round'
                      : `in ${state.boxes.get(one.boxId)?.name ?? 'a box'}`}
                  </small>
                </th>
                <td data-part="off">
                  {error ? (
                    <>
                      {offWords(error)} ({leftWords(error)})
                      {far && offWords(far) !== offWords(error) && (
                        <small>
                          at {FAR_RH}
                          {THIN}% it {offWords(far)}
                        </small>
                      )}
                    </>
                  ) : (
                    <span className={hand.pencil}>
                      never checked: ±{one.accuracyPercentRh}
                      {THIN}%
                    </span>
                  )}
                  {stuckS !== null && (
                    <small className={css.stuck}>
                      shows the same two figures since {day(msFromSeconds(stuckS))}: a weak cell?
                    </small>
                  )}
                </td>
                <td>{last ? day(last.atMs) : <span className={hand.pencil}>never</span>}</td>
                <td>
                  {one.cellMs !== null && <>since {day(one.cellMs)} </>}
                  <button
                    type="button"
                    className={hand.worded}
                    disabled={write.isPending}
                    aria-label={`Fresh today: the cell in ${one.name}`}
                    onClick={() =>
                      write.mutate({
                        what: `${one.name}: a fresh cell`,
                        drafts: [{ kind: 'instrument.cell', payload: { instrumentId: one.instrumentId } }],
                      })
                    }
                  >
                    Fresh today
                  </button>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}

function stuckSinceOf(state: State, instrumentId: string): number | null {
  return stuckSinceS(
    state.readings
      .filter(reading => reading.instrumentId === instrumentId && reading.temperatureKnown === 'measured')
      .map(reading => ({
        atS: secondsFromMs(reading.atMs),
        rhPercent: shownRh(reading),
        temperatureC: reading.temperatureC,
        place: reading.place.in === 'box' ? reading.place.boxId : `room ${reading.place.roomId}`,
      })),
  )
}
