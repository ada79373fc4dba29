import { TextInput } from '@mantine/core'
import { useState } from 'react'
import { scaleStepG } from '#journal/scales.ts'
import { stepMs, type SessionAt } from '#session/heating.ts'
import { stepDrafts } from '#session/heating-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { readGross } from './read-gross.ts'
import { WeightKeys } from './weight-keys.tsx'
import hand from '#ui/hand.module.css'
import css from './heating.module.css'

/** Before it goes in, and after it is cool: on the scale, in its dish. */
export function WeighStep({ at }: { readonly at: SessionAt }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const { weight } = measures
  const write = useWriteAct()
  const { todo } = at
  const one = at.charges.find(item => item.charge.chargeId === todo!.chargeId)
  const isOut = todo!.step === 'weighed out'
  const [tare, setTare] = useState(() => weight.field(one?.inTareG ?? 0))
  const [text, setText] = useState(() =>
    isOut && one?.inGrossG != null ? weight.field(Math.round(one.inTareG + one.charge.dryMassG * 1.01)) : '',
  )
  const [error, setError] = useState<string | null>(null)
  if (!one) return null
  const { charge, boxName } = one
  const name = boxName ?? charge.name
  const stepG = scaleStepG(state)
  const tareG = isOut && one.inGrossG !== null ? one.inTareG : weight.parse(tare === '' ? '0' : tare)
  const lastHot = at.session.weighings.findLast(item => item.chargeId === charge.chargeId)
  const keep = (weighed: boolean) => {
    if (!weighed) {
      write.mutate({
        what: `${name}: ${isOut ? 'heated' : 'into the oven'}, not weighed`,
        drafts: stepDrafts(at, { atMs: stepMs(at, maker.nowMs()), weight: null, scaleErrorG: stepG }),
      })
      return
    }
    if (!(tareG >= 0 && tareG <= 5000))
      return setError(
        `The empty dish weighs from 0 to ${weight.field(5000)} ${weight.unit}: type 0 if the beads were weighed alone.`,
      )
    const read = readGross(
      text,
      {
        name,
        dryMassG: charge.dryMassG,
        massIsKnown: charge.massKnown !== 'assumed',
        tareG,
        beforeG: isOut ? one.inGrossG : null,
        scaleStepG: stepG,
      },
      weight,
    )
    if (!read.ok) return setError(read.message)
    setError(null)
    write.mutate({
      what: `${name}: ${isOut ? 'heated' : 'weighed in'}, ${weight.text(read.grossG)}`,
      drafts: stepDrafts(at, {
        atMs: stepMs(at, maker.nowMs()),
        weight: { grossG: read.grossG, tareG },
        scaleErrorG: stepG,
      }),
    })
  }
  return (
    <form
      noValidate
      className={css.step}
      onSubmit={event => {
        event.preventDefault()
        keep(true)
      }}
    >
      <h1 className={css.name}>{isOut ? `${name}, cool, on the scale` : `${name} on the scale`}</h1>
      <p>
        {isOut
          ? 'In the same dish, cool enough to hold. What it weighs now is what the reckoning goes by.'
          : `${charge.name}, ${weight.text(charge.dryMassG)} of beads. In the dish it will be heated in.`}
      </p>
      <WeightKeys label="Dish and all" text={text} stepG={stepG} onText={setText} />
      <p className={hand.aside}>
        {isOut && one.inGrossG !== null
          ? `It went in at ${weight.text(one.inGrossG)}${lastHot ? `; hot, it last weighed ${weight.text(lastHot.grossG)}` : ''}.`
          : `Steps of ${stepG} g, as your scale has.`}
      </p>
      {(!isOut || one.inGrossG === null) && (
        <TextInput
          label={`The empty dish, ${weight.unit}`}
          inputMode="decimal"
          autoComplete="off"
          value={tare}
          onChange={event => setTare(event.currentTarget.value)}
        />
      )}
      {error && (
        <p className={hand.notice} role="alert">
          {error}
        </p>
      )}
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <div className={css.buttons}>
        <button type="button" className={hand.worded} disabled={write.isPending} onClick={() => keep(false)}>
          No scale here
        </button>
        <button type="submit" className={hand.filled} disabled={write.isPending}>
          {text.trim() === '' ? 'Write it down' : `Write down ${text} ${weight.unit}`}
        </button>
      </div>
    </form>
  )
}
