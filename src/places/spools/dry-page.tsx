import { NativeSelect, TextInput } from '@mantine/core'
import { useDebouncedValue } from '@mantine/hooks'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { NEXT_PRINT_G } from '#core/filament/rings.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { asTold, hasDial } from '#core/renewal/heat-source.ts'
import { dialOf, type DryAsked, type School } from '#core/spool/dry-these.ts'
import type { DryingAir } from '#core/spool/drying-air.ts'
import { spoolLimits, type HeatedParts, type SpoolHolder, type SpoolLabel } from '#core/spool/spool-limits.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { sourceChoices } from '#session/heat-choices.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { openRun } from '#journal/spool-runs.ts'
import { dryQuery } from '#session/spools/spool-queries.ts'
import { schoolOf } from '#session/spools/school-of.ts'
import { standingSpool } from '#session/spools/standing-spool.ts'
import { roomOfSpool } from '#session/spools/spool-asked.ts'
import { useSpoolReports } from '#session/spools/use-spool-reports.ts'
import { Cautions } from '#ui/cautions.tsx'
import { degreesText } from '#ui/heat-text.ts'
import { later } from '#ui/later.tsx'
import { capital } from '#ui/plan-words.ts'
import { placeWords } from '#ui/spool-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { DryAnswer, DryDetails } from './dry-answer.tsx'
import { KeepSchool } from './keep-school.tsx'
import { NoSuchSpool } from './no-such-spool.tsx'
import { AIR_CHOICES } from './tell-form.ts'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

const BeginRun = later(() => import('./begin-run.tsx'))
const TellDialog = later(() => import('./tell-dialog.tsx'))
const REST_MS = 250

const LABELS = [
  { value: '', label: 'none, or taken off' },
  { value: 'paper', label: 'of paper or card' },
  { value: 'film', label: 'of plastic film' },
]
const HOLDERS = [
  { value: '', label: 'nothing of mine' },
  ...(['printed PLA', 'printed PETG', 'printed ABS'] as const).map(value => ({
    value,
    label: `something of ${value}`,
  })),
]

/** Can this dryer, in this room, dry it: how hot, how long, or what would it take? */
export function DryPage({ spoolId }: { readonly spoolId: string }) {
  const { state } = useJournal()
  const spool = state.spools.get(spoolId)
  const only = useMemo(() => (spool ? [spool] : []), [spool])
  const [known] = useSpoolReports(only)
  if (!spool || !known) return <NoSuchSpool />
  const { report, error } = known
  if (report) return <Drying spool={spool} report={report} />
  return (
    <main className={hand.page} data-place="dry" data-looking={report === undefined || undefined}>
      <h1 className={hand.answer}>
        {error ? 'It could not be reckoned.' : report === null ? 'Nothing is left on it.' : 'Reckoning …'}
      </h1>
    </main>
  )
}

function Drying({ spool, report }: { readonly spool: SpoolRecord; readonly report: SpoolReport }) {
  const { state, nowMs } = useJournal()
  const tools = useJournalTools()
  const measures = useMeasures()
  const { temperature, weight } = measures
  const choices = sourceChoices(state, false).filter(one => one.source.kind !== 'sun')
  const first = choices.find(one => one.source.kind === 'dryer' || one.source.kind === 'dehydrator')
  const [sourceKey, setSourceKey] = useState((first ?? choices[0]!).key)
  const [how, setHow] = useState<School | 'own'>(() => schoolOf(state, spool))
  const [label, setLabel] = useState<SpoolLabel | ''>('')
  const [holder, setHolder] = useState<SpoolHolder | ''>('')
  const [dialTyped, setDial] = useState('')
  const [air, setAir] = useState<DryingAir>('vented')
  const [gramsTyped, setGrams] = useState(weight.field(Math.min(NEXT_PRINT_G, report.filamentG)))
  const [isTelling, setTelling] = useState(false)
  const [isBeginning, setBeginning] = useState(false)
  const running = openRun(state, spool.spoolId)
  const choice = choices.find(one => one.key === sourceKey) ?? choices[0]!
  const { source } = choice
  const material = state.materials[spool.material]
  const parts: HeatedParts = { body: spool.body ?? null, label: label || null, holder: holder || null }
  const room = roomOfSpool(state, spool)
  const intake = roomAirOrUsual(state, room, nowMs)
  const spoolAt = standingSpool(state, spool, report)
  const { lowestC, highestC } = asTold(source)
  const schools = {
    gentle: dialOf('gentle', { at: spoolAt, parts, source }),
    hot: dialOf('hot', { at: spoolAt, parts, source }),
  }
  const ownC = temperature.parse(dialTyped)
  const wantedC = how === 'own' ? ownC : schools[how]
  const dialWrong =
    how === 'own' && hasDial(source.kind) && !(ownC >= lowestC && ownC <= highestC)
      ? `${choice.name} can be set from ${degreesText(measures, lowestC)} to ${degreesText(measures, highestC)}.`
      : null
  const grams = weight.parse(gramsTyped)
  const gramsWrong = grams > 0 && grams <= report.filamentG ? null : `Up to ${weight.text(report.filamentG)}.`
  const asked: DryAsked | null =
    dialWrong !== null || gramsWrong !== null
      ? null
      : {
          at: spoolAt,
          parts,
          source,
          // where even the lowest is too hot, it is asked of the lowest, and says so
          dialC: wantedC ?? lowestC,
          air,
          intake: {
            temperatureC: intake.temperatureC,
            relativeHumidityPercent: intake.relativeHumidityPercent,
          },
          nextG: grams,
        }
  const key = JSON.stringify(asked)
  const [settledKey] = useDebouncedValue(key, REST_MS)
  const settled = useMemo(() => JSON.parse(settledKey) as DryAsked | null, [settledKey])
  const found = useQuery(dryQuery(tools, settled))
  const isLooking = found.isFetching || key !== settledKey
  const heatName = (dialC: number | null) =>
    dialC === null ? 'not with this' : hasDial(source.kind) ? degreesText(measures, dialC) : 'as it is'
  return (
    <main className={hand.page} data-place="dry" data-looking={isLooking || undefined}>
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${tools.base}/spools/${spool.spoolId}`} className={css.back}>
              {spool.name}
            </Link>{' '}
            {placeWords(spool, state)}
          </p>
          <h1 className={hand.answer} aria-live="polite">
            {settled && found.data ? (
              <DryAnswer asked={settled} found={found.data} />
            ) : found.isError || found.data === null ? (
              'It could not be reckoned.'
            ) : (
              'Reckoning …'
            )}
          </h1>
          <p className={hand.behind} data-part="spool-facts">
            {capital(
              spoolLimits(material, parts)
                .map(({ says, mostC }) => `${says} above ${degreesText(measures, mostC)}`)
                .join('; '),
            )}
            . The maker’s word comes first.
          </p>
        </div>
        <div className={hand.acts}>
          <button type="button" className={hand.worded} onClick={() => setTelling(true)}>
            It was dried
          </button>
          {running ? (
            <Link
              to={`${tools.base}/spools/${spool.spoolId}/run`}
              className={`${hand.filled} ${hand.filledLink}`}
            >
              Follow it
            </Link>
          ) : (
            // what is refused has its sentence, no button
            found.data?.refused.length === 0 && (
              <button type="button" className={hand.filled} onClick={() => setBeginning(true)}>
                It goes in
              </button>
            )
          )}
        </div>
      </div>
      <div className={css.dryFields}>
        <NativeSelect
          label="In"
          data={choices.map(one => ({ value: one.key, label: one.name }))}
          value={choice.key}
          onChange={event => setSourceKey(event.currentTarget.value)}
        />
        <NativeSelect
          label="How hot"
          data={[
            { value: 'gentle', label: `well below where it softens: ${heatName(schools.gentle)}` },
            { value: 'hot', label: `as hot as all parts stand: ${heatName(schools.hot)}` },
            ...(hasDial(source.kind) ? [{ value: 'own', label: 'as I set it' }] : []),
          ]}
          value={how}
          onChange={event => setHow(event.currentTarget.value as typeof how)}
        />
        {how === 'own' && hasDial(source.kind) && (
          <TextInput
            label={`Set to, ${temperature.unit}`}
            inputMode="decimal"
            value={dialTyped}
            error={dialWrong}
            onChange={event => setDial(event.currentTarget.value)}
          />
        )}
        <NativeSelect
          label="Its air"
          data={AIR_CHOICES}
          value={air}
          onChange={event => setAir(event.currentTarget.value as DryingAir)}
        />
        <NativeSelect
          label="Its label"
          data={LABELS}
          value={label}
          onChange={event => setLabel(event.currentTarget.value as SpoolLabel | '')}
        />
        <NativeSelect
          label="It stands on"
          data={HOLDERS}
          value={holder}
          onChange={event => setHolder(event.currentTarget.value as SpoolHolder | '')}
        />
        <TextInput
          label={`Next print takes, ${weight.unit}`}
          inputMode="decimal"
          value={gramsTyped}
          error={gramsWrong}
          onChange={event => setGrams(event.currentTarget.value)}
        />
      </div>
      {how !== 'own' && <KeepSchool spool={spool} school={how} />}
      {settled && found.data && (
        <DryDetails
          spool={spool}
          asked={settled}
          found={found.data}
          pricePerKwh={choice.pricePerKwh}
          material={material}
        />
      )}
      <Cautions folded={false} list={cautionsAt({ step: 'dry a spool', oven: source.kind })} />
      {isBeginning && settled && found.data && (
        <BeginRun
          spool={spool}
          like={{
            heatSourceId: choice.heatSourceId,
            ...(hasDial(source.kind) ? { dialC: settled.dialC } : {}),
            temperatureC: found.data.heat.middleC,
            air,
            nextG: settled.nextG,
          }}
          close={() => setBeginning(false)}
        />
      )}
      {isTelling && (
        <TellDialog
          spool={spool}
          start="dried"
          like={
            found.data
              ? {
                  temperatureC: Math.round(found.data.heat.middleC),
                  hours: found.data.hours === null ? null : Math.ceil(found.data.hours),
                  air,
                }
              : null
          }
          close={() => setTelling(false)}
        />
      )}
    </main>
  )
}
