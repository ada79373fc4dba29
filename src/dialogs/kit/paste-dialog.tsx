import { Dialog } from '#ui/dialog.tsx'
import { useMemo, useState } from 'react'
import { readList } from '#formats/quick/read-list.ts'
import { kitDrafts } from '#session/kit/kit-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { shortDayText } from '#ui/dates.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { knownClass } from './known-class.ts'
import { saidParts } from './thing-words.ts'
import { middayMs, useQuickContext } from './use-quick.ts'
import hand from '#ui/hand.module.css'
import css from './kit-dialogs.module.css'

/** A whole shelf at once: a line for each thing, or a table with headings. One act, one undo. */
export default function PasteDialog({ close }: { readonly close: () => void }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const { context } = useQuickContext()
  const [text, setText] = useState('')
  const list = useMemo(() => readList(text, context), [text, context])
  const things = list.rows.flatMap(row => row.reading.things)
  const open = list.rows.filter(row => row.reading.help !== null)
  const count = things.reduce((sum, { wanted }) => sum + wanted.count, 0)
  const boxes = [
    ...context.boxes,
    ...things.flatMap(({ wanted }) =>
      wanted.kind === 'box' ? [{ id: `new:${wanted.name}`, name: wanted.name }] : [],
    ),
  ]
  const nowMs = maker.nowMs()
  const keep = () =>
    write.mutate(
      {
        what: `${count} things from a list`,
        drafts: kitDrafts(things, { state, maker, nowMs, dayMs: middayMs }),
      },
      { onSuccess: close },
    )
  return (
    <Dialog onClose={close} title="Paste a list" size={900}>
      <form
        noValidate
        className={hand.form}
        onSubmit={event => {
          event.preventDefault()
          if (things.length > 0) keep()
        }}
      >
        <p>
          A thing a line, as you would say it; or a table with headings such as material, colour, grams,
          opened, box. A box named on one line can be used on the next.
        </p>
        <textarea
          className={css.list}
          aria-label="The list"
          data-autofocus
          autoFocus
          placeholder={'tote "Scull" 45 L foam strip\n4 PLA white 1 kg into Scull\n2 packets 50 g into Scull'}
          value={text}
          onChange={event => setText(event.currentTarget.value)}
        />
        {list.rows.length > 0 && (
          <ol className={css.rows} data-part="list-rows">
            {list.rows.map(row => (
              <li key={row.line}>
                {row.reading.things.length === 0 ? (
                  <span className={css.unread}>
                    Line {row.line}, “{row.sentence.slice(0, 60)}”: {row.reading.help}
                  </span>
                ) : (
                  <>
                    {row.reading.things.map((thing, i) => (
                      <span key={i}>
                        {i > 0 && '; '}
                        {saidParts(thing, measures, boxes, day =>
                          shortDayText(middayMs(day), nowMs, maker.zone),
                        ).map((part, j) =>
                          typeof part === 'string' ? (
                            part
                          ) : (
                            <span key={j} className={knownClass(part.known)}>
                              {part.text}
                            </span>
                          ),
                        )}
                      </span>
                    ))}
                    {row.reading.unread.length > 0 && (
                      <span className={css.unread}>
                        {' '}
                        Nothing is made of “{row.reading.unread.join('”, “')}”.
                      </span>
                    )}
                  </>
                )}
              </li>
            ))}
          </ol>
        )}
        {list.leftOut > 0 && (
          <p className={css.unread}>
            {list.leftOut} lines more than fit at once are left out: paste them afterwards.
          </p>
        )}
        {open.length > 0 && things.length > 0 && (
          <p className={css.unread}>
            {open.length === 1 ? 'One line is' : `${open.length} lines are`} left out as it stands.
          </p>
        )}
        <p aria-live="polite">{count > 0 ? `${count} ${count === 1 ? 'thing' : 'things'} in all.` : ''}</p>
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
