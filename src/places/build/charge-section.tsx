import { shareAnswer } from '#core/answers/answers.ts'
import { floorAnswer } from '#core/answers/box-answers.ts'
import { beadsVolumeAnswer, broughtAnswer, yearCostAnswer } from '#core/answers/seal-answers.ts'
import { broughtG, holderFit } from '#core/build/charge-sums.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { PlanSeal } from '#journal/plan-seal.ts'
import type { PlanRecord } from '#journal/state.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, moneyFor, roundedGrams, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './close.module.css'

const WEEKS_A_YEAR = 52

/** The beads of a plan: what goes in, whether it fits, how many for the weeks wanted with dry and with damp spools. */
export function ChargeSection({
  plan,
  seal,
  wanted,
  failed,
  floor,
  onWithout,
}: {
  readonly plan: PlanRecord
  readonly seal: PlanSeal
  readonly wanted: readonly GramsWanted[] | undefined
  readonly failed: boolean
  readonly floor: BoxReport['floor']
  readonly onWithout: (isWithout: boolean) => void
}) {
  const { weight } = useMeasures()
  const { preferences } = usePreferences()
  const { filling, targetRhPercent } = seal
  const kind = DESICCANTS[filling.desiccant]
  const fit = plan.charge ? holderFit(filling.desiccant, filling.holder, filling.grams, plan.charge) : null
  const dry = wanted?.find(one => one.remedy === 'dry the damp spools')
  const damp = wanted?.find(one => one.remedy === 'as it is')
  const isWithout = plan.without.includes('charge')
  return (
    <section data-part="charge">
      <h2 className={hand.section}>What goes in to dry it</h2>
      {isWithout ? (
        <p>
          Nothing: you said it does without.{' '}
          <button type="button" className={hand.worded} onClick={() => onWithout(false)}>
            Beads after all
          </button>
        </p>
      ) : (
        <p>
          {filling.pieces !== null
            ? `${filling.pieces} × ${weight.text(filling.grams / filling.pieces)}`
            : weight.text(filling.grams)}{' '}
          of {kind.name}, in{' '}
          {filling.pieces !== null && filling.pieces > 1 ? 'packets' : `a ${HOLDERS[filling.holder].name}`}
          {plan.filling ? '' : ', until you say otherwise'}.{' '}
          {fit && (
            <>
              They fill{' '}
              <Figure answer={beadsVolumeAnswer(filling.grams, kind.bulkDensityGPerMl)}>
                {inWhole(fit.beadsMl)}
                {THIN}mL
              </Figure>
              {fit.fits ? (
                <>, and the tray in the drawing holds them.</>
              ) : (
                <span className={css.wrong}>
                  {' '}
                  and the tray in the drawing takes {inWhole(fit.holdsMl)}
                  {THIN}mL: a larger one, or fewer beads.
                </span>
              )}
            </>
          )}
        </p>
      )}
      <p aria-live="polite">
        {!wanted && (
          <span className={hand.aside}>{failed ? 'The sizes could not be reckoned.' : 'Sizing …'}</span>
        )}
        {dry && (
          <>
            For {countWeeks(plan.weeksWanted)}{' '}
            {dry.grams === null ? (
              'no amount that fits holds it, even with dry spools'
            ) : (
              <>
                <Figure answer={gramsAnswer(dry)} className={hand.strong}>
                  {weight.text(roundedGrams(dry.grams))}
                </Figure>{' '}
                with spools that are dry
                {packsText(dry.grams, filling)}
              </>
            )}
            ;{' '}
            {damp?.grams == null ? (
              'straight from the room no amount holds it after a week'
            ) : (
              <>
                <Figure answer={gramsAnswer(damp)} className={hand.strong}>
                  {weight.text(roundedGrams(damp.grams))}
                </Figure>{' '}
                straight from the room{packsText(damp.grams, filling)}
              </>
            )}
            .
          </>
        )}{' '}
        Settled spools buffer; the first filling does not: they bring{' '}
        <Figure answer={broughtAnswer(seal.brought)}>
          {inTenths(broughtG(seal.brought))}
          {THIN}g
        </Figure>{' '}
        of water from the room, which goes into the beads once. Dry the spools first, or renew after the first
        weeks.
      </p>
      {floor && (
        <p>
          With fresh beads it stands no lower than about{' '}
          <Figure answer={floorAnswer(floor)}>
            {inWhole(floor.rhPercent)}
            {THIN}%
          </Figure>
          : leak against what they lie in.{' '}
          {floor.rhPercent > targetRhPercent && (
            <span className={css.wrong}>
              That is over the target: a tighter lid, or an opener holder; more beads do not help.
            </span>
          )}
        </p>
      )}
      <p>
        {kind.renewAtC === null ? (
          <>
            Used once:{' '}
            {preferences.beadsPricePerKg === null ? (
              'what a year costs is said once Preferences know what a kilogram costs.'
            ) : (
              <>
                <Figure
                  answer={yearCostAnswer(
                    filling.grams,
                    preferences.beadsPricePerKg,
                    WEEKS_A_YEAR / plan.weeksWanted,
                  )}
                >
                  {moneyFor((filling.grams * WEEKS_A_YEAR) / plan.weeksWanted, preferences)}
                </Figure>{' '}
                a year.
              </>
            )}
          </>
        ) : (
          `Renewed with heat about ${inWhole(WEEKS_A_YEAR / plan.weeksWanted)} times a year; the beads themselves last for years.`
        )}
      </p>
      {!isWithout && (
        <button type="button" className={hand.worded} onClick={() => onWithout(true)}>
          It does without beads
        </button>
      )}
    </section>
  )
}

const gramsAnswer = (item: {
  readonly remedy: string
  readonly weeks: number
  readonly perDraw: readonly number[]
}) =>
  shareAnswer(
    `grams for ${item.weeks} weeks, ${item.remedy}`,
    'g',
    0.9,
    item.perDraw,
    'least grams in one draw',
  )

const countWeeks = (weeks: number): string => (weeks === 1 ? 'a week' : `${inWhole(weeks)} weeks`)
/** ", three packets", where they come in packets. */
const packsText = (
  grams: number,
  filling: { readonly grams: number; readonly pieces: number | null },
): string => {
  if (filling.pieces === null) return ''
  const packs = Math.ceil(grams / (filling.grams / filling.pieces))
  return ` (${packs} ${packs === 1 ? 'packet' : 'packets'})`
}
