import { NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { scaleStepG } from '#journal/scales.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { stepMs, type SessionAt } from '#session/heating.ts'
import { stepDrafts } from '#session/heating-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import { askToNotify, useBell } from '#ui/use-bell.ts'
import hand from '#ui/hand.module.css'
import css from './heating.module.css'

const COOL_MS = 30 * 60_000

/** A step that is simply done: displays out, into the oven, cooled, back into its box. */
export function PlainStep({ at, nowMs }: { readonly at: SessionAt; readonly nowMs: number }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const { session, todo, batches } = at
  const { step, batch, chargeId } = todo!
  const one = at.charges.find(item => item.charge.chargeId === chargeId)
  const [to, setTo] = useState(one?.charge.boxId ?? '')
  const inBatch = at.charges.filter(item => item.batch === batch)
  const names = listOf(inBatch.map(item => item.boxName ?? item.charge.name))
  const outMs = batches[batch]!.outMs
  const coolMs = step === 'cooled' && outMs !== null ? outMs + COOL_MS : null
  useBell(coolMs, nowMs, `${names}: cool`)
  const words = wordsOf()
  const done = () => {
    if (step === 'in') void askToNotify()
    write.mutate({
      what: words.what,
      drafts: stepDrafts(at, {
        atMs: stepMs(at, maker.nowMs()),
        weight: null,
        scaleErrorG: scaleStepG(state),
        ...(step === 'back' ? { toBoxId: to === '' ? null : to } : {}),
      }),
    })
  }
  return (
    <div className={css.step}>
      <h1 className={css.name}>{words.title}</h1>
      {words.lines.map(line => (
        <p key={line}>{line}</p>
      ))}
      {coolMs !== null && nowMs < coolMs && (
        <p className={css.timer} data-part="timer">
          <b>{Math.max(1, Math.ceil((coolMs - nowMs) / 60_000))}</b> min
        </p>
      )}
      {step === 'back' && (
        <NativeSelect
          label="Where to"
          data={[
            ...inShelfOrder(state).map(box => ({ value: box.boxId, label: box.name })),
            { value: '', label: 'a sealed jar, to lie ready' },
          ]}
          value={to}
          onChange={event => setTo(event.currentTarget.value)}
        />
      )}
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <div className={css.buttons}>
        <span />
        <button type="button" className={hand.filled} disabled={write.isPending} onClick={done}>
          {words.button}
        </button>
      </div>
    </div>
  )

  function wordsOf(): { title: string; lines: string[]; button: string; what: string } {
    const many = batches.length > 1 ? `Batch ${batch + 1}: ` : ''
    switch (step) {
      case 'displays out':
        return {
          title: 'Displays and coin cells out',
          lines: [
            `Of ${listOf(at.charges.map(item => item.boxName ?? item.charge.name))}: nothing with a cell goes into heat.`,
            'Ready beside the oven: scale, dishes, a spoon, gloves, lids to cool under.',
          ],
          button: 'They are out',
          what: 'Heating: displays are out',
        }
      case 'in':
        return {
          title: `${names} into the oven`,
          lines: [
            `${many}${session.dialC === null ? 'by power, in short steps' : `at ${degreesText(measures, session.dialC)}, hot already`}, about ${minutesText(batches[batch]!.minutes)}.`,
            'Spread flat, a finger deep at most; window open.',
          ],
          button: 'They are in',
          what: `${names}: into the oven`,
        }
      case 'cooled':
        return {
          title: `${names} under their lids`,
          lines: ['Half an hour, covered, then they can be weighed. Hot beads weigh too little and burn.'],
          button: 'They are cool',
          what: `${names}: cool`,
        }
      default:
        return {
          title: `${one?.boxName ?? one?.charge.name ?? 'Beads'} back`,
          lines: [
            one?.boxName
              ? `${one.charge.name} back into ${one.boxName}, its display with it; lid on at once.`
              : 'Into a sealed jar, or straight into a box.',
          ],
          button: 'Done',
          what: `${one?.boxName ?? one?.charge.name ?? 'Beads'}: back`,
        }
    }
  }
}

/** "Gaff and Launch". */
export const listOf = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
