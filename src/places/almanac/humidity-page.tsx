import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import {
  AIR_QUANTITIES,
  airFromTwo,
  type AirQuantity,
  type MoistAir,
  type MoistAirResult,
} from '#core/air/any-two.ts'
import type { Answer } from '#core/answer.ts'
import { dewPointAnswer, vapourDensityAnswer } from '#core/answers/answers.ts'
import { MATERIAL_IDS, type Material, type MaterialId } from '#core/filament/material.ts'
import {
  canHeatedAirDry,
  heatedRhAnswer,
  intakeDewPointNeeded,
  leastDryingTemperature,
} from '#core/ask/heated-air.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import type { Measures } from '#ui/measures.ts'
import type { State } from '#journal/state.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournal } from '#session/journal-query.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

type Reading = State['readings'][number]

interface Half {
  readonly quantity: AirQuantity
  readonly text: string
}
type Known = readonly [Half, Half]

/** The last reading taken in a box, or in a room, to begin with. */
function lastRead(readings: readonly Reading[], where: 'box' | 'room', measures: Measures): Known {
  const last = readings.findLast(reading => reading.place.in === where)
  return [
    { quantity: 'temperature', text: last ? measures.temperature.field(last.temperatureC) : '' },
    { quantity: 'rh', text: last ? String(last.relativeHumidityPercent) : '' },
  ]
}
const NAMES: Readonly<Record<AirQuantity, string>> = {
  temperature: 'temperature',
  rh: 'relative humidity',
  'dew point': 'dew point',
  'vapour density': 'vapour density',
  'vapour pressure': 'vapour pressure',
}
const REFUSED: Readonly<Record<Extract<MoistAirResult, { ok: false }>['kind'], string>> = {
  'two needed': 'Choose two different quantities.',
  'same thing twice':
    'Dew point and vapour pressure say the same thing: take temperature or RH for one of them.',
  'out of range': 'Air like that lies outside −40 to 200 °C, or has no vapour at all: check the two values.',
  'above saturation':
    'No air holds that much: the rest would be dew. Lower the second value or warm the air.',
  'no air left': 'That much vapour leaves no air: at sea level it boils. Take less of either.',
}
const isTemperature = (quantity: AirQuantity) => quantity === 'temperature' || quantity === 'dew point'
const unitOf = (quantity: AirQuantity, measures: Measures): string =>
  isTemperature(quantity)
    ? measures.temperature.unit
    : { rh: '%', 'vapour density': 'g/m³', 'vapour pressure': 'Pa' }[quantity as 'rh']

/** Any two quantities give the rest; heat it; hold two places against each other. */
export function HumidityPage() {
  const measures = useMeasures()
  const { readings, materials } = useJournal().state
  const [materialId, setMaterial] = useState<MaterialId>('PLA')
  const [places, setPlaces] = useState<readonly [Known, Known]>(() => [
    lastRead(readings, 'box', measures),
    lastRead(readings, 'room', measures),
  ])
  const [heatText, setHeat] = useState('')
  const results = places.map(known => resultOf(known, measures))
  const [inside, room] = results.map(result => (result?.ok ? result.air : null))
  const set = (index: number, known: Known) =>
    setPlaces([index === 0 ? known : places[0], index === 1 ? known : places[1]])
  const heatedC = measures.temperature.parse(heatText)
  return (
    <>
      <h1 className={hand.answer}>
        {inside && room ? <Compared inside={inside} room={room} /> : 'Air from any two of its quantities'}
      </h1>
      <p className={hand.behind}>
        RH is over water at every temperature, as displays show it. Beads and filament follow RH at their own
        temperature; which way water moves is told by vapour density.
      </p>
      <div className={css.humidity}>
        {(['Here', 'There'] as const).map((title, index) => (
          <section key={title}>
            <h2 className={hand.section}>{title}</h2>
            <KnownFields
              title={title}
              known={places[index]!}
              measures={measures}
              change={known => set(index, known)}
            />
            {results[index] &&
              (results[index].ok ? (
                <AirList air={results[index].air} measures={measures} />
              ) : (
                <p className={hand.notice} role="alert">
                  {REFUSED[results[index].kind]}
                </p>
              ))}
          </section>
        ))}
        <section>
          <h2 className={hand.section}>Heat the first to</h2>
          <TextInput
            label={`Temperature, ${measures.temperature.unit}`}
            inputMode="decimal"
            value={heatText}
            onChange={event => setHeat(event.currentTarget.value)}
            error={
              heatText !== '' && !(heatedC >= -40 && heatedC <= 200)
                ? `Type ${measures.temperature.text(-40)} to ${measures.temperature.text(200)}.`
                : undefined
            }
          />
          <NativeSelect
            label="To dry"
            value={materialId}
            data={MATERIAL_IDS.map(id => ({ value: id, label: id }))}
            onChange={event => setMaterial(event.currentTarget.value as MaterialId)}
          />
          {inside && heatedC >= -40 && heatedC <= 200 && (
            <>
              <Heated air={inside} heatedC={heatedC} measures={measures} />
              <Dries air={inside} heatedC={heatedC} material={materials[materialId]} measures={measures} />
            </>
          )}
        </section>
      </div>
    </>
  )
}

function resultOf(known: Known, measures: Measures): MoistAirResult | null {
  if (known.some(half => half.text.trim() === '')) return null
  const [first, second] = known
  const value = ({ quantity, text }: Half) =>
    isTemperature(quantity) ? measures.temperature.parse(text) : parseDecimal(text)
  return airFromTwo({ [first.quantity]: value(first), [second.quantity]: value(second) })
}

function KnownFields({
  title,
  known,
  measures,
  change,
}: {
  readonly title: string
  readonly known: Known
  readonly measures: Measures
  readonly change: (known: Known) => void
}) {
  const put = (index: number, half: Half) => change(index === 0 ? [half, known[1]] : [known[0], half])
  return (
    <div className={css.knownFields}>
      {known.map((half, index) => (
        <div key={index} className={css.knownField}>
          <NativeSelect
            aria-label={`${title}, ${index === 0 ? 'first' : 'second'} quantity`}
            data={AIR_QUANTITIES.map(quantity => ({ value: quantity, label: NAMES[quantity] }))}
            value={half.quantity}
            onChange={event => put(index, { quantity: event.currentTarget.value as AirQuantity, text: '' })}
          />
          <TextInput
            aria-label={`${title}, ${NAMES[half.quantity]}, ${unitOf(half.quantity, measures)}`}
            rightSection={<span className={hand.aside}>{unitOf(half.quantity, measures)}</span>}
            rightSectionWidth={52}
            inputMode="decimal"
            value={half.text}
            error={
              half.text.trim() !== '' && Number.isNaN(parseDecimal(half.text)) ? 'Type a number.' : undefined
            }
            onChange={event => put(index, { ...half, text: event.currentTarget.value })}
          />
        </div>
      ))}
    </div>
  )
}

function AirList({ air, measures }: { readonly air: MoistAir; readonly measures: Measures }) {
  const { temperature } = measures
  const told = { ...air, knowledge: 'computed' } as const
  const rows: readonly (readonly [string, string, Answer?])[] = [
    ['temperature', temperature.text(air.temperatureC)],
    ['relative humidity', `${inTenths(air.relativeHumidityPercent)}${THIN}%`],
    ['dew point', temperature.text(air.dewPointC), dewPointAnswer('dew point', told)],
    ...(Number.isNaN(air.frostPointC) ? [] : [['frost point', temperature.text(air.frostPointC)] as const]),
    [
      'vapour density',
      `${inTenths(air.vapourDensityGPerM3)}${THIN}g/m³`,
      vapourDensityAnswer('vapour density', told),
    ],
    ['vapour pressure', `${inWhole(air.vapourPressurePa)}${THIN}Pa`],
    ['mixing ratio', `${inTenths(air.mixingRatioGPerKg)}${THIN}g/kg`],
  ]
  return (
    <dl className={css.airList}>
      {rows.map(([name, value, answer]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{answer ? <Figure answer={answer}>{value}</Figure> : value}</dd>
        </div>
      ))}
    </dl>
  )
}

function Heated({
  air,
  heatedC,
  measures,
}: {
  readonly air: MoistAir
  readonly heatedC: number
  readonly measures: Measures
}) {
  const answer = heatedRhAnswer(air, heatedC)
  if (heatedC < air.dewPointC)
    return <p>Dew: below {measures.temperature.text(air.dewPointC)} this air cannot keep its water.</p>
  return (
    <p>
      It then has{' '}
      <strong>
        <Figure answer={answer}>
          {answer.value < 10 ? inTenths(answer.value) : inWhole(answer.value)}
          {THIN}%
        </Figure>
      </strong>
      , and the same dew point, {measures.temperature.text(air.dewPointC)}. What is dried in it heads for
      that.
    </p>
  )
}

/** Whether that air can dry the material at all; if not, what would. */
function Dries({
  air,
  heatedC,
  material,
  measures,
}: {
  readonly air: MoistAir
  readonly heatedC: number
  readonly material: Material
  readonly measures: Measures
}) {
  const { temperature } = measures
  const limit = material.troubleAbovePercent
  if (limit === null || heatedC <= air.dewPointC) return null
  const answer = canHeatedAirDry(material, air, heatedC, limit)
  const least = leastDryingTemperature(material, air, limit)
  const dewPoint = intakeDewPointNeeded(material, heatedC, limit)
  return (
    <>
      <p>
        {material.name} in it ends at{' '}
        <strong>
          <Figure answer={answer}>
            {inHundredths(answer.value)}
            {THIN}wt %
          </Figure>
        </strong>
        :{' '}
        {answer.can ? (
          'low enough to print.'
        ) : (
          <>
            above the {limit}
            {THIN}% it prints at, however long it stays.{' '}
            {Number.isNaN(least.value) ? (
              'No heat it bears is enough in this air: '
            ) : (
              <>
                It takes <Figure answer={least}>{temperature.text(least.value)}</Figure> at least; or{' '}
              </>
            )}
            draw in air of a dew point below{' '}
            <Figure answer={dewPoint} after=".">
              {temperature.text(dewPoint.value)}
            </Figure>
          </>
        )}
      </p>
      {answer.tooHot && (
        <p className={hand.notice}>
          Never above {temperature.text(material.neverAboveC)} for {material.name}: it softens. The spool
          itself may bear less; the maker’s instructions come first.
        </p>
      )}
    </>
  )
}

/** Which way water moves between the two, and where filament would stay drier. */
function Compared({ inside, room }: { readonly inside: MoistAir; readonly room: MoistAir }) {
  const gPerM3 = room.vapourDensityGPerM3 - inside.vapourDensityGPerM3
  const drier =
    Math.abs(inside.relativeHumidityPercent - room.relativeHumidityPercent) < 0.05
      ? 'filament ends alike in both'
      : inside.relativeHumidityPercent < room.relativeHumidityPercent
        ? 'filament ends drier here'
        : 'filament ends drier there'
  if (Math.abs(gPerM3) < 0.005) return <>No water moves between them; {drier}</>
  return (
    <>
      Water moves {gPerM3 > 0 ? 'from there to here' : 'from here to there'}, {inTenths(Math.abs(gPerM3))}
      {THIN}g/m³ apart; {drier}
    </>
  )
}
