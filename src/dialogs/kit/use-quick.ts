import { useMemo, useState } from 'react'
import { readQuick } from '#formats/quick/read-quick.ts'
import { crowdedText } from '#draw/crowded.ts'
import type { QuickContext, Understood, WantedKind } from '#formats/quick/wanted.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { BLANK } from '#session/kit/blank-wanted.ts'
import { ownedFor, type Owned } from '#session/kit/owned.ts'
import { usePreferences, useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { isoDay } from '#ui/dates.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { withFields, type Fields } from './with-fields.ts'

/** One thing of the sentence with what was put right by hand. */
export interface QuickItem {
  readonly understood: Understood
  readonly errors: Fields
  /** Already owned things it may mean, and whether they are taken. */
  readonly owned: Owned | null
  readonly takesOwned: boolean
  /** Said where more spools go in than stand side by side. */
  readonly crowded: string | null
}

/** Midday of a calendar day, on this device. */
export const middayMs = (day: string): number => Date.parse(`${day}T12:00:00`)

export function useQuickContext(): { readonly context: QuickContext; readonly today: string } {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { lengthUnit } = usePreferences().preferences
  const today = isoDay(nowMs, maker.zone)
  return useMemo(() => {
    const [year, month, day] = today.split('-').map(Number)
    return {
      today,
      context: {
        today: new Date(year!, month! - 1, day, 12),
        boxes: inShelfOrder(state).map(({ boxId, name }) => ({ id: boxId, name })),
        lengthUnit,
      },
    }
  }, [state, today, lengthUnit])
}

/** What is typed, what is understood of it, and what was put right by hand. */
export function useQuick(start: string) {
  const { state } = useJournal()
  const measures = useMeasures()
  const { context, today } = useQuickContext()
  const [text, setText] = useState(start)
  const [byHand, setByHand] = useState<WantedKind | null>(null)
  const [edits, setEdits] = useState<Readonly<Record<number, Fields>>>({})
  const reading = useMemo(() => readQuick(text, context), [text, context])
  const read: readonly Understood[] =
    byHand === null ? reading.things : [{ wanted: BLANK[byHand], told: new Set<string>(), asks: [] }]
  const items = read.map((understood, i): QuickItem => {
    const { owned: takes, ...typed } = edits[i] ?? {}
    const changed = withFields(understood.wanted, typed, measures, today, context.boxes)
    const answered = Object.keys(typed)
    const told = new Set([...understood.told, ...answered])
    const wanted = changed.ok ? changed.wanted : understood.wanted
    const owned = byHand === null ? ownedFor(state, wanted, told) : null
    return {
      understood: { wanted, told, asks: understood.asks.filter(ask => !answered.includes(ask.field)) },
      errors: changed.ok ? {} : changed.errors,
      owned,
      takesOwned: owned !== null && takes !== 'new',
      crowded:
        wanted.kind === 'spool' && wanted.place.startsWith('box:')
          ? crowdedText(state, wanted.place.slice(4), wanted)
          : null,
    }
  })
  return {
    text,
    byHand,
    items,
    edits,
    context,
    unread: byHand === null ? reading.unread : [],
    help: byHand === null ? reading.help : null,
    setText: (next: string) => {
      setText(next)
      setByHand(null)
      // what was put right stays while the sentence is still about as many things
      if (readQuick(next, context).things.length !== reading.things.length || next === '') setEdits({})
    },
    edit: (item: number, field: string, value: string) =>
      setEdits(current => ({ ...current, [item]: { ...current[item], [field]: value } })),
    startByHand: (kind: WantedKind) => {
      setText('')
      setEdits({})
      setByHand(kind)
    },
    clear: () => {
      setText('')
      setEdits({})
      setByHand(null)
    },
  }
}
