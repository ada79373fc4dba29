import { Checkbox } from '@mantine/core'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { bestDial, type HeatedIn } from '#core/renewal/heat-limits.ts'
import { DIAL_STEP_C, asTold, hasDial } from '#core/renewal/heat-source.ts'
import { heatThese, type HeatTheseAsked } from '#core/renewal/heat-these.ts'
import { heatWay } from '#core/renewal/ways.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { roomsOf } from '#journal/rooms.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { chargeToHeat } from '#session/charge-to-heat.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { Cautions } from '#ui/cautions.tsx'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { later } from '#ui/later.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { Unbroken } from '#ui/unbroken.tsx'
import { HeatFigures } from './heat-figures.tsx'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import { heatSteps } from './heat-words.ts'
import { sourceChoices, type SourceChoice } from '#session/heat-choices.ts'
import { useBegin } from './use-begin.ts'
import { Refused } from '#ui/refused.tsx'
import { OvenSection } from './oven-section.tsx'
import hand from '#ui/hand.module.css'
import css from './renew.module.css'

const RenewDialog = later(() => import('#dialogs/renew/renew-dialog.tsx'))

/** May these beads be heated, where, how hot, how long, and when are they done? */
export function HeatPage() {
  const { id = '' } = useParams()
  const { state } = useJournal()
  const { base } = useJournalTools()
  const charge = state.charges.get(id)
  if (!charge || charge.retiredMs !== null)
    return (
      <main className={hand.page} data-place="heat-these">
        <h1 className={hand.answer}>No such beads</h1>
        <Link to={`${base}/renew`}>To what wants heat</Link>
      </main>
    )
  return <Heating charge={charge} key={charge.chargeId} />
}

function Heating({ charge }: { readonly charge: ChargeRecord }) {
  const journal = useJournal()
  const { state, nowMs } = journal
  const { base } = useJournalTools()
  const measures = useMeasures()
  const [search] = useSearchParams()
  const [writing, setWriting] = useState(false)
  const known = charge.boxId === null ? null : knownBox(journal, charge.boxId)
  const report = useReport(charge.boxId ?? '', known?.facts, true)
  const choices = sourceChoices(state, charge.holder === 'plug-in unit')
  const [chosen, setChosen] = useState<string | null>(search.get('in'))
  const choice = choices.find(one => one.key === chosen) ?? choices[0]!
  const [heatedIn, setHeatedIn] = useState<HeatedIn>(
    charge.holder === 'plug-in unit' || charge.holder === 'packet' ? 'holder' : 'dish',
  )
  const [displaysOut, setDisplaysOut] = useState(true)
  const beginning = useBegin()
  const [dial, setDial] = useState<number | null>(null)
  const room = known ? state.rooms.get(known.view.box.roomId) : roomsOf(state)[0]
  const air = roomAirOrUsual(state, room, nowMs)
  const told = chargeToHeat(charge, report.data, nowMs)
  const without = { charge: told, source: choice.source, heatedIn, displaysOut }
  const bestC = bestDial(without)
  const { lowestC, highestC } = asTold(choice.source)
  const dialC = Math.min(highestC, Math.max(lowestC, dial ?? bestC ?? heatWay(charge)?.usualC ?? lowestC))
  const asked: HeatTheseAsked = {
    ...without,
    dialC,
    roomPa: vapourPressureOfRhPa(air),
    roomC: air.temperatureC,
    boxC: report.data?.temperatureC ?? air.temperatureC,
  }
  const plan = heatThese(asked)
  const may = plan.refusals.length === 0
  const isReckoning = report.isLoading
  const boxName = known?.view.box.name
  const whose = boxName ? `${boxName}’s beads` : charge.name
  return (
    <main className={hand.page} data-place="heat-these">
      <p className={hand.where}>
        <Link to={`${base}/renew`}>Renew</Link>
      </p>
      <div className={hand.answerRow}>
        <div>
          <h1 className={hand.answer} aria-live="polite">
            <Unbroken
              words={
                !may
                  ? `Not so: ${plan.refusals[0]!.says}`
                  : isReckoning
                    ? `${whose}: ${choice.name}.`
                    : answerText(
                        whose,
                        choice,
                        plan.heat !== null && hasDial(choice.source.kind)
                          ? degreesText(measures, dialC)
                          : null,
                        plan.minutes.middle * plan.bed.batches,
                      )
              }
            />
          </h1>
          <p className={hand.behind}>
            {report.isLoading
              ? 'Reckoning … What they hold decides for how long.'
              : `${charge.name}, ${measures.weight.text(charge.dryMassG)}.`}{' '}
            {wordOf(plan.makersWord, measures)}
            {isUnknown(charge) &&
              ' Nobody knows yet what they hold: weigh them, dry them once, weigh them again, and it is known from then on.'}
          </p>
        </div>
        {may && !isReckoning && (
          <div className={hand.acts}>
            <button type="button" className={hand.worded} onClick={() => setWriting(true)}>
              It is done already
            </button>
            <button
              type="button"
              className={hand.filled}
              disabled={beginning.isPending}
              onClick={() =>
                beginning.begin(
                  {
                    oven: choice.source.kind,
                    heatSourceId: choice.heatSourceId,
                    dialC: hasDial(choice.source.kind) ? dialC : null,
                    temperatureC: plan.heat?.middleC ?? null,
                    roomId: room?.roomId ?? null,
                    batches: [
                      {
                        minutes: Math.min(
                          5000,
                          Math.max(1, Math.round(plan.minutes.middle * plan.bed.batches)),
                        ),
                        chargeIds: [charge.chargeId],
                      },
                    ],
                  },
                  choice.name,
                )
              }
            >
              Begin at the oven
            </button>
          </div>
        )}
      </div>
      <div className={css.heating}>
        <div>
          <ChoiceRow
            legend="In"
            options={choices.map(one => [one.key, one.name] as const)}
            chosen={choice.key}
            choose={key => {
              setChosen(key)
              setDial(null)
            }}
          />
          {charge.holder !== 'plug-in unit' && (
            <ChoiceRow
              legend="Lying in"
              options={[
                ['dish', 'a dish, poured out'],
                ['holder', charge.holder === 'packet' ? 'their packet' : 'their holder'],
              ]}
              {...(heatedIn === 'holder' && charge.body === undefined && charge.holder !== 'packet'
                ? { note: 'What it is made of was never told: see Kit.' }
                : {})}
              chosen={heatedIn}
              choose={value => {
                setHeatedIn(value)
                setDial(null)
              }}
            />
          )}
          {hasDial(choice.source.kind) && (
            <fieldset className={css.dial}>
              <legend>Set to</legend>
              <button
                type="button"
                className={css.key}
                aria-label={`${degreesText(measures, dialC - DIAL_STEP_C)}, five degrees less`}
                disabled={dialC - DIAL_STEP_C < lowestC}
                onClick={() => setDial(dialC - DIAL_STEP_C)}
              >
                −
              </button>
              <output className={css.set} data-part="dial">
                {degreesText(measures, dialC)}
              </output>
              <button
                type="button"
                className={css.key}
                aria-label={`${degreesText(measures, dialC + DIAL_STEP_C)}, five degrees more`}
                disabled={dialC + DIAL_STEP_C > highestC}
                onClick={() => setDial(dialC + DIAL_STEP_C)}
              >
                +
              </button>
              <span className={hand.aside}>
                {plan.heat!.by === 'measured'
                  ? `measured there: ${degreesText(measures, plan.heat!.leastC)}–${degreesText(measures, plan.heat!.mostC)}`
                  : `never measured: ${degreesText(measures, plan.heat!.leastC)}–${degreesText(measures, plan.heat!.mostC)} is common`}
                {bestC !== null && bestC !== dialC && (
                  <>
                    {'; '}
                    <button type="button" className={hand.worded} onClick={() => setDial(null)}>
                      {degreesText(measures, bestC)} is best
                    </button>
                  </>
                )}
              </span>
            </fieldset>
          )}
          <Checkbox
            color="var(--ink)"
            iconColor="var(--ground)"
            label="Displays and coin cells are out"
            checked={displaysOut}
            onChange={event => setDisplaysOut(event.currentTarget.checked)}
          />
          {plan.refusals.slice(1).map(({ of, says }) => (
            <p key={`${of} ${says}`} className={hand.notice} data-refused={of}>
              {says}
            </p>
          ))}
          {may && !isReckoning && (
            <section aria-labelledby="how" className={css.how}>
              <div>
                <h2 id="how">How</h2>
                <ol className={css.steps}>
                  {heatSteps(asked, plan, measures, choice.name).map(step => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              </div>
              <figure className={css.section}>
                <OvenSection source={choice.source} bed={plan.bed} name={choice.name} />
                <figcaption className={hand.aside}>
                  {plan.bed.batches === 1 ? 'one batch' : `one of ${plan.bed.batches} batches`}; a 10 × 10
                  square is 25 g
                </figcaption>
              </figure>
            </section>
          )}
        </div>
        <div>
          {!isReckoning && <HeatFigures asked={asked} plan={plan} price={choice.pricePerKwh} />}
          <Cautions
            list={cautionsAt({
              step: 'heat the beads',
              indicator: charge.indicator,
              oven: choice.source.kind,
              desiccant: charge.desiccant,
              holder: charge.holder,
              temperatureC: plan.heat?.mostC ?? Number.NaN,
            })}
          />
        </div>
      </div>
      {beginning.error && <Refused error={beginning.error} remedy="begin again" />}
      {writing && <RenewDialog chargeId={charge.chargeId} close={() => setWriting(false)} />}
    </main>
  )
}

/** Found, never weighed: neither their water nor their dry weight is known. */
const isUnknown = (charge: ChargeRecord): boolean =>
  charge.boxId === null &&
  charge.weighings.length === 0 &&
  (charge.massKnown === 'assumed' || charge.freshness === 'unknown')

function answerText(whose: string, choice: SourceChoice, setting: string | null, minutes: number): string {
  const at = setting === null ? '' : ` at ${setting}`
  return `${whose}: ${choice.name}${at}, about ${minutesText(minutes)}.`
}

function wordOf(
  word: ReturnType<typeof heatThese>['makersWord'],
  measures: ReturnType<typeof useMeasures>,
): string {
  if (!word) return ''
  const says = `The packet says ${degreesText(measures, word.saysC)}`
  if (word.is === 'rounded')
    return `${says}: that is our ${degreesText(measures, word.oursC)}, rounded in °F. Its maker’s word goes first.`
  if (word.is === 'more')
    return `${says}, more than the ${degreesText(measures, word.oursC)} we would give. Its maker’s word goes first, in its packet.`
  return word.is === 'less'
    ? `${says}, less than the ${degreesText(measures, word.oursC)} its beads would stand. Its maker’s word goes first.`
    : `${says}, as we would.`
}
