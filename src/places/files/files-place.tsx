import { agoText } from '#ui/dates.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { lastBroughtMs, useKeeping } from '#session/keeping.ts'
import { useJournal } from '#session/journal-query.ts'
import { AsideList } from './aside-list.tsx'
import { BringIn } from './bring-in.tsx'
import { CalendarFile } from './calendar-file.tsx'
import { HandOver } from '#ui/hand-over-button.tsx'
import { backupFile, readingsFile } from './make-files.ts'
import { TwinBoxes } from './twins.tsx'
import { StorageLine } from './storage-line.tsx'
import { WeatherRoom } from './weather-room.tsx'
import hand from '#ui/hand.module.css'
import css from './files.module.css'

/** What this journal keeps outside this browser, and what comes back in. */
export default function FilesPlace() {
  const { state, kept, damaged } = useJournal()
  const { store, maker, photos } = useJournalTools()
  const [keeping, change] = useKeeping()
  const nowMs = maker.nowMs()
  const saved = keeping?.savedAtMs ?? null
  const brought = lastBroughtMs(kept)
  return (
    <main className={`${hand.page} ${css.files}`} data-place="files">
      <h1 className={hand.answer}>
        {saved === null
          ? brought === null
            ? 'No file is saved yet: all of it is in this browser alone'
            : 'No file is saved yet from this browser'
          : `Last saved ${agoText(saved, nowMs, maker.zone)}`}
      </h1>
      <p className={hand.behind}>
        {brought === null
          ? 'Phone and laptop each keep their own journal; save a file on one, bring it in on the other. '
          : `Last brought together ${agoText(brought, nowMs, maker.zone)}. `}
        <StorageLine />
      </p>
      <section className={css.filePart}>
        <h2 className={hand.section}>Save it</h2>
        <p>
          One file with everything ever entered, readable without Veld: acts one a line, a checksum, a page
          that explains them.
        </p>
        <HandOver
          label="Save a file"
          filled
          make={() => backupFile({ store, photos }, { kept, damaged }, maker.nowMs(), maker.zone)}
          onDone={() => change({ savedAtMs: maker.nowMs() })}
        />
      </section>
      <BringIn />
      <TwinBoxes />
      <WeatherRoom />
      <section className={css.filePart}>
        <h2 className={hand.section}>Take out a part</h2>
        <p className={css.fileRow}>
          <span>All {state.readings.length.toLocaleString('en-GB')} readings as a table (CSV)</span>
          <HandOver
            label="Save the table"
            make={() => Promise.resolve(readingsFile(state, maker.nowMs(), maker.zone))}
          />
        </p>
        <CalendarFile keeping={keeping} change={change} />
      </section>
      <AsideList damaged={damaged} />
    </main>
  )
}
