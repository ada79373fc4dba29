import { KEPT_ASIDE_MS } from '#journal/merge.ts'
import type { DamagedRecord } from '#store/journal-store.ts'
import { dayText } from '#ui/dates.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo } from '#session/writing.ts'
import { HandOver } from '#ui/hand-over-button.tsx'
import { damagedFile } from './make-files.ts'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** States set aside by a replacement, and records that do not read: both are kept, both can be had. */
export function AsideList({ damaged }: { readonly damaged: readonly DamagedRecord[] }) {
  const { kept, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { withdraw, isPending } = useUndo()
  const withdrawn = new Set(kept.flatMap(act => (act.withdraws === undefined ? [] : [act.withdraws])))
  const here = new Set(kept.map(act => act.id))
  const replaced = kept.filter(
    act => act.setsAside?.some(id => here.has(id)) === true && !withdrawn.has(act.id),
  )
  if (replaced.length === 0 && damaged.length === 0) return null
  return (
    <section className={css.filePart}>
      <h2 className={hand.section}>Set aside</h2>
      {replaced.map(act => {
        const atMs = Date.parse(act.writtenAt)
        return (
          <p key={act.id} className={css.fileRow}>
            <span>
              {act.setsAside!.length.toLocaleString('en-GB')} acts, {dayText(atMs, nowMs, maker.zone)}; kept
              until {dayText(atMs + KEPT_ASIDE_MS, nowMs, maker.zone)}
            </span>
            <button
              type="button"
              className={hand.worded}
              disabled={isPending}
              onClick={() => void withdraw(act)}
            >
              Have it back
            </button>
          </p>
        )
      })}
      {damaged.length > 0 && (
        <p className={css.fileRow}>
          <span>
            {damaged.length === 1 ? 'One record that does' : `${damaged.length} records that do`} not read:{' '}
            {damaged[0]!.problem.kind}. Left where {damaged.length === 1 ? 'it is' : 'they are'}; everything
            else is shown.
          </span>
          <HandOver
            label="Take them out as a file"
            make={() => Promise.resolve(damagedFile(damaged, maker.nowMs(), maker.zone))}
          />
        </p>
      )}
    </section>
  )
}
