import { useQueries } from '@tanstack/react-query'
import { useMemo } from 'react'
import {
  actsKnownAt,
  momentsOf,
  scoreOf,
  whatCame,
  type GivenDate,
  type WhatCame,
} from '#journal/dates-given.ts'
import { msFromSeconds, secondsFromDays } from '#units/time.ts'
import { useJournalTools, type JournalTools } from './journal-context.tsx'
import { useJournal } from './journal-query.ts'
import { journalViewOf, type JournalView } from './journal-view.ts'
import { knownBox } from './known-box.ts'

/** A date that was given, and what came of it. */
export interface ScoredDate extends GivenDate {
  readonly came: WhatCame
  readonly score: ReturnType<typeof scoreOf>
}

export interface Score {
  readonly dates: readonly ScoredDate[]
  /** Moments looked at so far, and in all. */
  readonly done: number
  readonly of: number
}

/** After everything a person waits for. */
const LAST = Number.MAX_SAFE_INTEGER

/** The journal as it was known at a time; many boxes are read on one round. */
const knownThen = new WeakMap<JournalView, Map<number, JournalView>>()
function journalAt(journal: JournalView, atMs: number): JournalView {
  const views = knownThen.get(journal) ?? new Map<number, JournalView>()
  knownThen.set(journal, views)
  const view = views.get(atMs) ?? journalViewOf(actsKnownAt(journal.kept, atMs), [], atMs)
  views.set(atMs, view)
  return view
}

/** That a box is over now is no date. */
const isRange = ({ low, high }: { low: number; high: number }): boolean => high - low >= secondsFromDays(1)

/**
 * The date a box had at a time, by what was known then; null where none was shown.
 * @param mayReckon else only what was reckoned before is looked up: `undefined` where it was not
 */
async function dateGiven(
  tools: JournalTools,
  journal: JournalView,
  boxId: string,
  givenMs: number,
  mayReckon: boolean,
  signal: AbortSignal,
): Promise<GivenDate | null | undefined> {
  const name = `score ${boxId} ${givenMs}`
  // what was known then never changes: it is enough to know how much that was, and nothing has to be folded
  const then = actsKnownAt(journal.kept, givenMs)
  const latest = then.reduce((last, act) => (act.writtenAt > last ? act.writtenAt : last), '')
  const standsOn = `${tools.scienceVersion} ${then.length} ${latest}`
  const last = await tools.results.last(name)
  if (last?.standsOn === standsOn) return last.value as GivenDate | null
  if (!mayReckon) return undefined
  const facts = knownBox(journalAt(journal, givenMs), boxId)?.facts
  if (!facts || facts.charges.length === 0 || facts.targetRhPercent === null) return null
  const { leaves, standing } = await tools.estimator.report(facts, signal, LAST)
  const value: GivenDate | null =
    leaves && standing?.is === 'shown' && isRange(leaves.spread)
      ? {
          boxId,
          givenMs,
          targetRhPercent: facts.targetRhPercent,
          lowMs: msFromSeconds(leaves.spread.low),
          middleMs: msFromSeconds(leaves.spread.middle),
          highMs: leaves.beyondHorizon.late ? null : msFromSeconds(leaves.spread.high),
        }
      : null
  void tools.results.keep(name, { standsOn, value })
  return value
}

/**
 * Every date given for some boxes, as known then, against what came; nothing is kept for it but the journal.
 * @param mayReckon left out: only what was reckoned before
 */
export function useScore(boxIds: readonly string[], mayReckon = false): Score {
  const tools = useJournalTools()
  const journal = useJournal()
  const { kept, state, nowMs } = journal
  const moments = useMemo(
    () => boxIds.flatMap(boxId => momentsOf(kept, boxId).map(givenMs => ({ boxId, givenMs }))),
    [kept, boxIds],
  )
  const stand = `${kept.length} ${kept.at(-1)?.id ?? ''}`
  const answers = useQueries({
    queries: moments.map(({ boxId, givenMs }) => ({
      queryKey: ['score', tools.store.name, boxId, givenMs, stand, mayReckon],
      networkMode: 'always' as const,
      retry: false,
      staleTime: Infinity,
      structuralSharing: false as const,
      queryFn: async ({ signal }: { signal: AbortSignal }) => ({
        given: await dateGiven(tools, journal, boxId, givenMs, mayReckon, signal),
      }),
    })),
  })
  const given = answers.flatMap(({ data }) => (data?.given ? [data.given] : []))
  const done = answers.filter(({ data, isError }) => isError || (data && data.given !== undefined)).length
  return {
    dates: given.flatMap(date => {
      const came = whatCame(state, date, nowMs)
      return came ? [{ ...date, came, score: scoreOf(date, came) }] : []
    }),
    done,
    of: moments.length,
  }
}
