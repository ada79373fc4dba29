import { useState } from 'react'
import * as v from 'valibot'
import { asTold, hasDial, heatAt } from '#core/renewal/heat-source.ts'
import type { DryingRunRecord } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import { heatingField } from '#records/fields.ts'
import { sourceChoices } from '#session/heat-choices.ts'
import { useJournal } from '#session/journal-query.ts'
import { degreesText } from '#ui/heat-text.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { OneNumber } from './one-number.tsx'
import hand from '#ui/hand.module.css'
import css from './run.module.css'

/** What may happen to a run: off, on, set otherwise, fallen back after a power cut; or the spool is taken out. */
export function RunActs({
  run,
  isBusy,
  done,
}: {
  readonly run: DryingRunRecord
  readonly isBusy: boolean
  readonly done: (what: string, draft: Draft) => void
}) {
  const { state } = useJournal()
  const measures = useMeasures()
  const { temperature } = measures
  const [isSetting, setIsSetting] = useState(false)
  const { runId } = run
  const heatC = run.heats.at(-1)!.temperatureC
  const lastC = run.heats.findLast(one => one.temperatureC !== null)?.temperatureC ?? run.temperatureC
  const source = sourceChoices(state, false).find(one => one.heatSourceId === run.heatSourceId)?.source
  const fallsToC = source && hasDial(source.kind) ? heatAt(source, asTold(source).lowestC).middleC : null
  const heat = (what: string, temperatureC: number | null) =>
    done(what, { kind: 'drying.heat', payload: { runId, temperatureC } })
  const setOtherwise = (typed: string): string | null => {
    const wantedC = temperature.parse(typed)
    if (!v.is(heatingField, wantedC)) return 'Type the heat at the spool, a plain number.'
    heat(`set to ${degreesText(measures, wantedC)}`, wantedC)
    setIsSetting(false)
    return null
  }
  return (
    <>
      <div className={css.heatActs}>
        <button
          type="button"
          className={hand.worded}
          disabled={isBusy}
          onClick={() => (heatC === null ? heat('on again', lastC) : heat('went off', null))}
        >
          {heatC === null ? 'It is on again' : 'It went off'}
        </button>
        {heatC !== null && fallsToC !== null && fallsToC < heatC - 1 && (
          <button
            type="button"
            className={hand.worded}
            disabled={isBusy}
            onClick={() => heat('fell back after a power cut', fallsToC)}
          >
            Power cut: now {degreesText(measures, fallsToC)}
          </button>
        )}
        {!isSetting && (
          <button type="button" className={hand.worded} onClick={() => setIsSetting(true)}>
            Set otherwise
          </button>
        )}
      </div>
      {isSetting && (
        <OneNumber
          label={`Heat at the spool, ${temperature.unit}`}
          word="From now on"
          isBusy={isBusy}
          keep={setOtherwise}
        />
      )}
      <div className={css.foot}>
        <button
          type="button"
          className={hand.filled}
          disabled={isBusy}
          onClick={() => done('taken out', { kind: 'drying.ended', payload: { runId } })}
        >
          Take it out
        </button>
      </div>
    </>
  )
}
