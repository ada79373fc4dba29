import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { FITTINGS, TUBE_BORES_MM, type Fitting } from '#core/build/fittings.ts'
import { usualOutlets, type OutletWish } from '#core/build/holes.ts'
import { ROD_MATERIALS, type RodMaterial } from '#core/build/rod.ts'
import { fittingsKnown } from '#journal/plan-drill.ts'
import { insideOfCandidate, type PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { Plan, PlanCandidate } from '#records/kinds/plan.ts'
import { useJournal } from '#session/journal-query.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

interface Typed {
  readonly material: RodMaterial
  readonly rod: string
  readonly bore: string
  readonly cap: string
  readonly outlets: string
  readonly capped: string
  readonly fitting: string
  readonly ownName: string
  readonly ownDrill: string
  readonly ownSeals: Fitting['seals']
  readonly tubeBore: string
  readonly run: string
}
type Part = Pick<Plan, 'rod' | 'rodDiameterMm' | 'outlets' | 'fitting' | 'ownFittings' | 'tube' | 'outletsAt'>
const OWN = 'own'
const MOST_OUTLETS = 12

/** What was typed about rod, tubes and fittings; messages name the field and the remedy. */
export function checkFitted(
  typed: Typed,
  known: readonly Fitting[],
  spools: readonly PlanSpool[],
  measures: Measures,
): Checked<Typed, Part & { readonly capped: number }> {
  const { length, mark } = measures
  const errors: Partial<Record<keyof Typed, string>> = {}
  const within = (key: keyof Typed, words: string, low: number, high: number): number => {
    const mm = mark.parse(typed[key])
    if (!(mm >= low && mm <= high)) errors[key] = `${words}: type ${mark.text(low)} to ${mark.text(high)}.`
    return mm
  }
  const rodDiameterMm = within('rod', 'Rod', 2, 60)
  const narrow = [...spools].sort((a, b) => a.boreMm - b.boreMm)[0]
  if (!errors.rod && narrow && rodDiameterMm > narrow.boreMm)
    errors.rod = `Rod: it does not go through ${narrow.name}, whose bore is ${length.text(narrow.boreMm)}; take a thinner one.`
  const boreMm = typed.bore.trim() === '' ? 0 : mark.parse(typed.bore)
  if (!(boreMm >= 0 && boreMm < rodDiameterMm - 0.5))
    errors.bore = `Bore of the rod: leave it empty for a solid one, else type less than ${mark.text(rodDiameterMm - 0.5)}.`
  const capMm = within('cap', 'Outside each wall', 0, 100)
  const outlets = parseDecimal(typed.outlets)
  if (!Number.isInteger(outlets) || outlets < 0 || outlets > MOST_OUTLETS)
    errors.outlets = `Tubes out: type a whole number from 0 to ${MOST_OUTLETS}.`
  const capped = parseDecimal(typed.capped)
  if (!Number.isInteger(capped) || capped < 0 || capped > outlets)
    errors.capped = `Idle and capped: type a whole number, no more than tubes out.`
  const runMm = length.parse(typed.run)
  if (!(runMm >= 0 && runMm <= 5000))
    errors.run = `To the printer: type ${length.text(0)} to ${length.text(5000)}.`
  let own: Fitting | null = null
  if (typed.fitting === OWN) {
    const name = typed.ownName.trim()
    if (name.length < 1 || name.length > 60) errors.ownName = 'Its name: type 1 to 60 letters.'
    const drillMm = within('ownDrill', 'Its drill', 0.5, 100)
    own = { id: `own-${name.toLowerCase()}`.slice(0, 60), name, drillMm, seals: typed.ownSeals }
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  const chosen = own ?? known.find(one => one.id === typed.fitting) ?? FITTINGS[0]!
  const isHouse = FITTINGS.some(one => one.id === chosen.id)
  return {
    ok: true,
    kept: {
      rod: { material: typed.material, boreMm, capMm },
      rodDiameterMm,
      outlets,
      fitting: chosen.id,
      // a plan carries the fittings it uses, so that its file stands alone
      ownFittings: isHouse ? [] : [chosen],
      tube: { boreMm: Number(typed.tubeBore), outerMm: 4, runMm },
      outletsAt: null,
      capped,
    },
  }
}

/** Rod, tubes and fittings: drills come from a table one can add to. */
export function FittedDialog({
  plan,
  candidate,
  spools,
  outlets,
  close,
  keep,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
  readonly spools: readonly PlanSpool[]
  readonly outlets: readonly OutletWish[]
  readonly close: () => void
  readonly keep: (part: Part) => void
}) {
  const { state } = useJournal()
  const measures = useMeasures()
  const { length, mark } = measures
  const [known] = useState(() => fittingsKnown(state))
  const form = useCheckedForm<Typed, Part & { readonly capped: number }>(
    {
      material: plan.rod.material,
      rod: mark.field(plan.rodDiameterMm),
      bore: plan.rod.boreMm > 0 ? mark.field(plan.rod.boreMm) : '',
      cap: mark.field(plan.rod.capMm),
      outlets: String(outlets.length),
      capped: String(outlets.filter(one => one.capped).length),
      fitting: plan.fitting,
      ownName: '',
      ownDrill: '',
      ownSeals: 'coupler',
      tubeBore: String(plan.tube.boreMm),
      run: length.field(plan.tube.runMm),
    },
    typed => checkFitted(typed, known, spools, measures),
  )
  const isOwn = form.values.fitting === OWN
  /** Outlets that were put somewhere stay there; only what is new is placed. */
  const placed = ({ capped, ...part }: Part & { readonly capped: number }): Part => {
    const isSame = part.outlets === outlets.length && part.fitting === plan.fitting
    if (isSame && capped === 0 && plan.outletsAt === null) return part
    const wall = outlets[0]?.wall
    const fresh = usualOutlets(insideOfCandidate(candidate), plan.arrangement, part.outlets, part.fitting)
    const stand = part.outlets === outlets.length ? outlets : fresh
    return {
      ...part,
      outletsAt: stand.map((one, i) => ({
        ...one,
        wall: part.outlets === outlets.length ? one.wall : (wall ?? one.wall),
        fitting: part.fitting === plan.fitting ? one.fitting : part.fitting,
        // those at the end stand idle
        capped: i >= part.outlets - capped,
      })),
    }
  }
  return (
    <Dialog onClose={close} title="What is fitted" size="lg">
      <form
        onSubmit={form.onKeep(kept => keep(placed(kept)))}
        noValidate
        className={hand.form}
        data-part="fitted-form"
      >
        <div className={css.three}>
          <NativeSelect
            label="The rod is of"
            data={Object.entries(ROD_MATERIALS).map(([value, { name }]) => ({ value, label: name }))}
            {...form.getInputProps('material')}
          />
          <TextInput label={`Rod, ${mark.unit} thick`} inputMode="decimal" {...form.getInputProps('rod')} />
          <TextInput
            label={`Bore of the rod, ${mark.unit}`}
            placeholder="solid"
            inputMode="decimal"
            {...form.getInputProps('bore')}
          />
          <TextInput
            label={`Outside each wall, ${mark.unit}`}
            inputMode="decimal"
            {...form.getInputProps('cap')}
          />
          <TextInput label="Tubes out" inputMode="numeric" {...form.getInputProps('outlets')} />
          <TextInput label="of these idle, capped" inputMode="numeric" {...form.getInputProps('capped')} />
        </div>
        <NativeSelect
          label="Each by"
          data={[
            ...known.map(one => ({ value: one.id, label: `${one.name}: drill ${mark.text(one.drillMm)}` })),
            { value: OWN, label: 'another fitting …' },
          ]}
          {...form.getInputProps('fitting')}
        />
        {isOwn && (
          <div className={css.three}>
            <TextInput label="Its name" autoComplete="off" {...form.getInputProps('ownName')} />
            <TextInput
              label={`Its drill, ${mark.unit}`}
              inputMode="decimal"
              {...form.getInputProps('ownDrill')}
            />
            <NativeSelect
              label="It seals like"
              data={[
                { value: 'coupler', label: 'a coupler' },
                { value: 'tube', label: 'a tight tube' },
                { value: 'membrane', label: 'a membrane' },
                { value: 'cap', label: 'a cap' },
              ]}
              {...form.getInputProps('ownSeals')}
            />
          </div>
        )}
        <div className={css.three}>
          <NativeSelect
            label="Bore of the tube"
            data={TUBE_BORES_MM.map(mm => ({ value: String(mm), label: mark.text(mm) }))}
            {...form.getInputProps('tubeBore')}
          />
          <TextInput
            label={`To the printer, ${length.unit}`}
            inputMode="decimal"
            {...form.getInputProps('run')}
          />
        </div>
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
