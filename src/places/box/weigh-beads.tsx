import { useJournal } from '#session/journal-query.ts'
import { scaleStepG } from '#journal/scales.ts'
import { Dialog } from '#ui/dialog.tsx'
import { weighedRhAnswer } from '#core/answers/renewal-answers.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { weighedCharge } from '#core/renewal/weighed.ts'
import { weighedSigmaG } from '#core/evidence/weighing.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { Figure } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useWriteAct } from '#session/writing.ts'
import { NOT_WEIGHED, readWeight } from '#ui/read-weight.ts'
import { WeightFields } from '#ui/weight-fields.tsx'
import hand from '#ui/hand.module.css'

/** A weighing of the charge is a reading of its own: it sees what a display at its floor cannot. */
export default function WeighBeads({
  charge,
  boxC,
  close,
}: {
  readonly charge: ChargeRecord
  /** The box's own temperature, for the air over the beads. */
  readonly boxC: number
  readonly close: () => void
}) {
  const write = useWriteAct()
  const scaleErrorG = scaleStepG(useJournal().state)
  const { weight, water } = useMeasures()
  const thing = { kind: 'charge', charge } as const
  const form = useCheckedForm({ scale: NOT_WEIGHED }, ({ scale }) => {
    const read = readWeight(thing, scale, weight)
    return read.ok ? { ok: true, kept: read.weight } : { ok: false, errors: { scale: read.message } }
  })
  const { scale } = form.values
  const read = scale.gross.trim() === '' ? null : readWeight(thing, scale, weight)
  const submit = form.onKeep(({ grossG, tareG }) =>
    write.mutate(
      {
        what: `${charge.name}: weighed`,
        drafts: [
          {
            kind: 'charge.weighed',
            payload: { chargeId: charge.chargeId, grossG, tareG, scaleErrorG },
          },
        ],
      },
      { onSuccess: close },
    ),
  )
  const weighed =
    read?.ok === true
      ? (() => {
          const { grossG, tareG } = read.weight
          return weighedCharge({
            desiccant: charge.desiccant,
            dryMassG: charge.dryMassG,
            waterG: grossG - tareG - charge.dryMassG,
            sigmaG: weighedSigmaG(charge.dryMassG, charge.massKnown, {
              grossG,
              tareG,
              scaleErrorG,
            }),
            temperatureC: boxC,
          })
        })()
      : null
  return (
    <Dialog onClose={close} title="Weigh the beads">
      <form onSubmit={submit} noValidate className={hand.form}>
        <WeightFields thing={thing} {...form.valueOf('scale')} />
        <p aria-live="polite" data-part="after-line">
          {weighed ? (
            <>
              They hold {water.text(Math.max(0, weighed.waterG))} of water: air of{' '}
              <Figure answer={weighedRhAnswer(weighed, charge.desiccant, boxC)}>
                {inWhole(weighed.rhPercent)} ({inWhole(weighed.lowRhPercent)}–{inWhole(weighed.highRhPercent)}
                ){THIN}%
              </Figure>{' '}
              over them.
            </>
          ) : (
            <span className={hand.aside}>A scale good to {weight.text(scaleErrorG)} is taken.</span>
          )}
        </p>
        <Cautions
          list={cautionsAt({
            step: 'weigh the beads',
            indicator: charge.indicator,
            desiccant: charge.desiccant,
          })}
        />
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
