import { Checkbox, NativeSelect, TextInput } from '@mantine/core'
import { MATERIAL_IDS, type MaterialId } from '#core/filament/material.ts'
import { SPOOL_CLASSES, SPOOL_CLASS_IDS, type SpoolClassId } from '#core/filament/spool-class.ts'
import type { PlanWish } from '#records/kinds/plan.ts'
import { SPOOL_BODY_LIST } from '#records/picklists.ts'
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
  readonly sizeClass: SpoolClassId
  readonly material: MaterialId
  readonly body: (typeof SPOOL_BODY_LIST)[number]
}
const MOST = 20

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
  const { length } = useMeasures()
  const bought = spools.find(wish => wish.of === 'class')
  const rest = spools.filter(wish => wish.of === 'class').slice(1)
  const mine = [...state.spools.values()].filter(spool => spool.where.at !== 'used up')
  const form = useCheckedForm<Typed, PlanWish[]>(
    {
      own: spools.flatMap(wish => (wish.of === 'own' ? [wish.spoolId] : [])),
      count: bought ? String(bought.count) : mine.length === 0 ? '4' : '',
      sizeClass: bought?.sizeClass ?? 'kilogram',
      material: bought?.material ?? 'PLA',
      body: bought?.body ?? 'plastic',
    },
    typed => {
      const count = typed.count.trim() === '' ? 0 : Number(typed.count)
      if (!Number.isInteger(count) || count < 0 || count > MOST)
        return { ok: false, errors: { count: `How many: type a whole number, ${MOST} at most.` } }
      const all: PlanWish[] = [
        ...typed.own.map((spoolId): PlanWish => ({ of: 'own', spoolId })),
        ...(count === 0
          ? []
          : [
              {
                of: 'class' as const,
                sizeClass: typed.sizeClass,
                material: typed.material,
                body: typed.body,
                count,
              },
            ]),
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
            data={SPOOL_CLASS_IDS.map(id => ({
              value: id,
              label: `${SPOOL_CLASSES[id].name}, about ${length.bare(SPOOL_CLASSES[id].size.rimDiameterMm)} × ${length.text(SPOOL_CLASSES[id].size.widthMm)}`,
            }))}
            {...form.getInputProps('sizeClass')}
          />
        </div>
        <div className={hand.pair}>
          <NativeSelect label="Material" data={[...MATERIAL_IDS]} {...form.getInputProps('material')} />
          <NativeSelect label="Spool of" data={[...SPOOL_BODY_LIST]} {...form.getInputProps('body')} />
        </div>
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
