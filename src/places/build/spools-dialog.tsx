import { Checkbox, NativeSelect, TextInput } from '@mantine/core'
import { MATERIAL_IDS, type MaterialId } from '#core/filament/material.ts'
import { SPOOL_CLASSES, SPOOL_CLASS_IDS, type SpoolClassId } from '#core/filament/spool-class.ts'
import type { PlanWish } from '#records/kinds/plan.ts'
import { WISHED_BODY_LIST } from '#records/picklists.ts'
import { useJournal } from '#session/journal-query.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

interface Typed {
  readonly own: readonly string[]
  readonly count: string
  readonly sizeClass: SpoolClassId | typeof OWN_SIZE
  readonly rim: string
  readonly width: string
  readonly bore: string
  readonly filament: string
  readonly empty: string
  readonly material: MaterialId
  readonly body: (typeof WISHED_BODY_LIST)[number]
}
const MOST = 20
const OWN_SIZE = 'own size'

/** What is to go in: spools of the kit, and spools one means to buy. */
export function SpoolsDialog({
  spools,
  title,
  close,
  keep,
}: {
  readonly spools: readonly PlanWish[]
  readonly title: string
  readonly close: () => void
  readonly keep: (spools: PlanWish[]) => void
}) {
  const { state } = useJournal()
  const { length, weight } = useMeasures()
  // one kind to buy is changed here; others stay as they are
  const bought = spools.find(wish => wish.of !== 'own')
  const rest = spools.filter(wish => wish.of !== 'own').slice(1)
  const sized = bought?.of === 'sized' ? bought : null
  const mine = [...state.spools.values()].filter(spool => spool.where.at !== 'used up')
  const form = useCheckedForm<Typed, PlanWish[]>(
    {
      own: spools.flatMap(wish => (wish.of === 'own' ? [wish.spoolId] : [])),
      count: bought ? String(bought.count) : mine.length === 0 ? '4' : '',
      sizeClass: sized ? OWN_SIZE : bought?.of === 'class' ? bought.sizeClass : 'kilogram',
      rim: length.field(sized?.rimDiameterMm ?? 200),
      width: length.field(sized?.widthMm ?? 66),
      bore: length.field(sized?.boreMm ?? 52),
      filament: weight.field(sized?.filamentG ?? 1000),
      empty: weight.field(sized?.emptyG ?? 215),
      material: bought?.material ?? 'PLA',
      body: bought?.body ?? 'plastic',
    },
    typed => {
      const count = typed.count.trim() === '' ? 0 : Number(typed.count)
      if (!Number.isInteger(count) || count < 0 || count > MOST)
        return { ok: false, errors: { count: `How many: type a whole number, ${MOST} at most.` } }
      const { sizeClass, material, body } = typed
      const errors: Partial<Record<keyof Typed, string>> = {}
      const within = (
        key: 'rim' | 'width' | 'bore' | 'filament' | 'empty',
        words: string,
        low: number,
        high: number,
      ): number => {
        const measure = key === 'filament' || key === 'empty' ? weight : length
        const value = measure.parse(typed[key])
        if (!(value >= low && value <= high))
          errors[key] = `${words}: type ${measure.text(low)} to ${measure.text(high)}.`
        return value
      }
      const toBuy = (): PlanWish => {
        if (sizeClass !== OWN_SIZE) return { of: 'class', sizeClass, material, body, count }
        const rimDiameterMm = within('rim', 'Over the rim', 40, 500)
        const boreMm = within('bore', 'Bore', 5, 200)
        if (!errors.bore && boreMm >= rimDiameterMm)
          errors.bore = 'Bore: it is wider than the rim; measure the hole in the middle.'
        return {
          of: 'sized',
          name: sized?.name ?? material,
          material,
          body,
          rimDiameterMm,
          widthMm: within('width', 'Over the flanges', 10, 300),
          boreMm,
          filamentG: within('filament', 'Filament', 1, 20_000),
          emptyG: within('empty', 'The empty spool', 1, 5000),
          count,
        }
      }
      const bring = count === 0 ? [] : [toBuy()]
      if (Object.keys(errors).length > 0) return { ok: false, errors }
      const all: PlanWish[] = [
        ...typed.own.map((spoolId): PlanWish => ({ of: 'own', spoolId })),
        ...bring,
        ...rest,
      ]
      if (all.length === 0)
        return { ok: false, errors: { count: 'Pick a spool, or type how many you mean to buy.' } }
      return all.length > MOST
        ? { ok: false, errors: { count: `Plan for ${MOST} spools at most, and the next box for the rest.` } }
        : { ok: true, kept: all }
    },
  )
  const { own } = form.values
  return (
    <Dialog onClose={close} title={title} size="lg">
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="spools-form">
        {mine.length > 0 && (
          <fieldset className={css.mine}>
            <legend>Of mine</legend>
            {mine.map(spool => (
              <Checkbox
                key={spool.spoolId}
                label={`${spool.name}, ${length.bare(spool.rimDiameterMm)} × ${length.text(spool.widthMm)}`}
                checked={own.includes(spool.spoolId)}
                onChange={event =>
                  form.setFieldValue(
                    'own',
                    event.currentTarget.checked
                      ? [...own, spool.spoolId]
                      : own.filter(id => id !== spool.spoolId),
                  )
                }
              />
            ))}
          </fieldset>
        )}
        <div className={hand.pair}>
          <TextInput
            label={mine.length > 0 ? 'And to buy, spools' : 'How many spools'}
            inputMode="numeric"
            autoComplete="off"
            {...form.getInputProps('count')}
          />
          <NativeSelect
            label="Their size"
            data={[
              ...SPOOL_CLASS_IDS.map(id => ({
                value: id,
                label: `${SPOOL_CLASSES[id].name}, about ${length.bare(SPOOL_CLASSES[id].size.rimDiameterMm)} × ${length.text(SPOOL_CLASSES[id].size.widthMm)}`,
              })),
              { value: OWN_SIZE, label: 'another size …' },
            ]}
            {...form.getInputProps('sizeClass')}
          />
        </div>
        <div className={hand.pair}>
          <NativeSelect label="Material" data={[...MATERIAL_IDS]} {...form.getInputProps('material')} />
          <NativeSelect label="Spool of" data={[...WISHED_BODY_LIST]} {...form.getInputProps('body')} />
        </div>
        {form.values.sizeClass === OWN_SIZE && (
          <div className={css.three}>
            <TextInput
              label={`Over the rim, ${length.unit}`}
              inputMode="decimal"
              {...form.getInputProps('rim')}
            />
            <TextInput
              label={`Over the flanges, ${length.unit}`}
              inputMode="decimal"
              {...form.getInputProps('width')}
            />
            <TextInput label={`Bore, ${length.unit}`} inputMode="decimal" {...form.getInputProps('bore')} />
            <TextInput
              label={`Filament, ${weight.unit}`}
              inputMode="decimal"
              {...form.getInputProps('filament')}
            />
            <TextInput
              label={`The empty spool, ${weight.unit}`}
              inputMode="decimal"
              {...form.getInputProps('empty')}
            />
          </div>
        )}
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
