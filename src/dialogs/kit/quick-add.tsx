import { useEffect, useRef, useState, type FormEvent } from 'react'
import type { WantedKind } from '#formats/quick/wanted.ts'
import { kitDrafts } from '#session/kit/kit-drafts.ts'
import { ownedDrafts } from '#session/kit/owned.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo, useWriteAct } from '#session/writing.ts'
import { shortDayText } from '#ui/dates.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { knownClass } from './known-class.ts'
import { countText, saidParts, type SaidPart } from './thing-words.ts'
import { middayMs, useQuick, type QuickItem } from './use-quick.ts'
import { WantedForm } from './wanted-form.tsx'
import hand from '#ui/hand.module.css'
import css from './kit-dialogs.module.css'

const BY_HAND: readonly (readonly [WantedKind, string])[] = [
  ['spool', 'a spool'],
  ['charge', 'beads'],
  ['display', 'a display'],
  ['box', 'a box'],
  ['scale', 'a scale'],
  ['heat source', 'an oven'],
  ['room', 'a room'],
]

/** One line for everything owned: what it understood stands under it as a sentence, and nothing is kept before Enter. */
export function QuickAdd({
  start = '',
  autoFocus = false,
}: {
  readonly start?: string
  readonly autoFocus?: boolean
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const { withdraw } = useUndo()
  const quick = useQuick(start)
  const field = useRef<HTMLInputElement>(null)
  const [open, setOpen] = useState<{ readonly item: number; readonly field: string } | null>(null)
  /** Pressed once with something left open: the next press keeps it as it stands. */
  const [warned, setWarned] = useState(false)
  const [kept, setKept] = useState<string | null>(null)
  const { items, unread, help, context } = quick
  const hasErrors = items.some(item => Object.keys(item.errors).length > 0)
  const isOpen =
    unread.length > 0 || items.some(item => item.understood.asks.length > 0 || item.crowded !== null)

  useEffect(() => {
    // where it goes stands already: what it is comes before
    if (start.startsWith(' ')) field.current?.setSelectionRange(0, 0)
  }, [start])

  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (items.length === 0 || hasErrors || write.isPending) return
    if (isOpen && !warned) return setWarned(true)
    const nowMs = maker.nowMs()
    const drafts = [
      ...items.flatMap(item =>
        item.takesOwned ? ownedDrafts(item.owned!, item.understood.wanted, nowMs) : [],
      ),
      ...kitDrafts(
        items.filter(item => !item.takesOwned).map(item => item.understood),
        { state, maker, nowMs, dayMs: middayMs },
      ),
    ]
    const what = whatOf(items)
    write.mutate(
      { what, drafts },
      {
        onSuccess: () => {
          setKept(what)
          setWarned(false)
          setOpen(null)
          quick.clear()
          field.current?.focus()
        },
      },
    )
  }
  const dayWords = (day: string) => shortDayText(middayMs(day), maker.nowMs(), maker.zone)
  return (
    <form onSubmit={submit} noValidate className={css.quick} data-part="quick-add">
      <div className={css.line}>
        <input
          ref={field}
          className={css.field}
          aria-label="What you own, in your own words"
          aria-describedby="understood"
          placeholder="PETG teal 1 kg cardboard, opened today, into …"
          autoComplete="off"
          spellCheck={false}
          autoFocus={autoFocus}
          data-autofocus={autoFocus || undefined}
          value={quick.text}
          onChange={event => {
            quick.setText(event.currentTarget.value)
            setWarned(false)
            setKept(null)
            setOpen(null)
          }}
        />
        <button type="submit" className={hand.filled} disabled={items.length === 0 || hasErrors}>
          {verbOf(items, warned)} <kbd>Enter</kbd>
        </button>
      </div>
      <div id="understood" aria-live="polite" className={css.understood} data-part="understood">
        {items.map((item, i) => (
          <Sentence
            key={i}
            lead={i === 0 ? 'Understood: ' : 'and '}
            item={item}
            parts={saidParts(item.understood, measures, context.boxes, dayWords)}
            touch={name => setOpen(open?.item === i && open.field === name ? null : { item: i, field: name })}
            answer={(name, value) => {
              quick.edit(i, name, value)
              setWarned(false)
            }}
          />
        ))}
        {unread.length > 0 && (
          <p className={css.unread} data-part="unread">
            Nothing is made of “{unread.join('”, “')}”. {warned ? 'Enter once more keeps it without.' : ''}
          </p>
        )}
        {warned && unread.length === 0 && (
          <p className={css.unread}>Something is still open. Enter once more keeps it as it stands.</p>
        )}
        {help && <p className={hand.aside}>{help}</p>}
        {quick.text === '' && quick.byHand === null && (
          <p className={hand.aside}>
            {kept !== null && (
              <span data-part="kept-kit" className={css.again}>
                Kept: {kept}.{' '}
                <button
                  type="button"
                  className={hand.worded}
                  onClick={() => void withdraw().then(() => setKept(null))}
                >
                  Undo
                </button>{' '}
              </span>
            )}
            By hand:{' '}
            {BY_HAND.map(([kind, word]) => (
              <button
                key={kind}
                type="button"
                className={`${hand.worded} ${css.byHand}`}
                onClick={() => {
                  quick.startByHand(kind)
                  setKept(null)
                  setOpen({ item: 0, field: '' })
                }}
              >
                {word}
              </button>
            ))}
          </p>
        )}
      </div>
      {open !== null && items[open.item] && (
        <WantedForm
          key={`${open.item} ${open.field}`}
          wanted={items[open.item]!.understood.wanted}
          typed={quick.edits[open.item] ?? {}}
          errors={items[open.item]!.errors}
          type={(name, value) => quick.edit(open.item, name, value)}
          boxes={context.boxes}
          focus={open.field === '' ? null : open.field}
        />
      )}
      {write.error && <Refused error={write.error} remedy="press Enter again" />}
    </form>
  )
}

/** Two of the three: which owned things are meant. */
const ownedText = ({ names, of }: NonNullable<QuickItem['owned']>): string =>
  names.length === 1 && of === 1
    ? `${names[0]}, which lies ready`
    : `${names.length === of ? `the ${countText(of)}` : `${countText(names.length)} of the ${countText(of)}`} that lie ready`

function Sentence({
  lead,
  item,
  parts,
  touch,
  answer,
}: {
  readonly lead: string
  readonly item: QuickItem
  readonly parts: readonly SaidPart[]
  readonly touch: (field: string) => void
  readonly answer: (field: string, value: string) => void
}) {
  const { asks } = item.understood
  return (
    <div>
      <p className={css.sentence}>
        <span className={css.lead}>{lead}</span>
        {parts.map((part, i) =>
          typeof part === 'string' ? (
            part
          ) : (
            <button
              key={i}
              type="button"
              className={knownClass(part.known)}
              data-known={part.known}
              data-said={part.field}
              onClick={() => touch(part.field)}
            >
              {part.known === 'assumed' && /^\d/.test(part.text) ? '≈' : ''}
              {part.text}
            </button>
          ),
        )}
        .
      </p>
      {asks.map(ask => (
        <p key={ask.field} className={css.ask} data-part="ask">
          {ask.says}{' '}
          {ask.options.map((option, i) => (
            <button
              key={String(option.value)}
              type="button"
              className={`${hand.worded} ${i === 0 ? hand.strong : ''}`}
              onClick={() => answer(ask.field, String(option.value))}
            >
              {option.label}
            </button>
          ))}
        </p>
      ))}
      {item.crowded && (
        <p className={css.unread} data-part="crowded">
          {item.crowded}
        </p>
      )}
      {item.owned && (
        <p className={css.ask} data-part="owned">
          {item.takesOwned
            ? `${item.owned.ids.length === 1 ? 'It is' : 'They are'} ${ownedText(item.owned)}. Or: `
            : `New. Or: `}
          <button
            type="button"
            className={hand.worded}
            onClick={() => answer('owned', item.takesOwned ? 'new' : 'owned')}
          >
            {item.takesOwned
              ? item.owned.ids.length === 1
                ? 'a new one'
                : 'new ones'
              : ownedText(item.owned)}
          </button>
        </p>
      )}
    </div>
  )
}

const countOf = (items: readonly QuickItem[]): number =>
  items.reduce(
    (sum, item) => sum + (item.takesOwned ? item.owned!.ids.length : item.understood.wanted.count),
    0,
  )

/** What Enter will do. */
function verbOf(items: readonly QuickItem[], warned: boolean): string {
  if (warned) return 'Keep it so'
  const moves = items.length > 0 && items.every(item => item.takesOwned)
  const count = countOf(items)
  return `${moves ? 'Move' : 'Add'} ${count > 1 ? (moves ? 'them' : `${count} things`) : 'it'}`
}

/** For the undo line: the things by name. */
function whatOf(items: readonly QuickItem[]): string {
  const names = items.map(item => {
    const { wanted } = item.understood
    if (item.takesOwned) return `${item.owned!.names.join(', ')} moved`
    return wanted.count > 1 ? `${wanted.count} × ${wanted.name}` : wanted.name
  })
  return names.length > 3 ? `${countOf(items)} things` : names.join(', ')
}
