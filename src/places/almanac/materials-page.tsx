import { heldAtTarget } from '#core/verdict/held-at-target.ts'
import type { Material } from '#core/filament/material.ts'
import { equilibriumMoisturePercent } from '#core/filament/sorption.ts'
import { spoolWord } from '#core/verdict/spool.ts'
import { useState } from 'react'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { MaterialValue } from '#records/kinds/value.ts'
import { Slider } from './slider.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournal } from '#session/journal-query.ts'
import { OwnValues } from './own-values.tsx'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

const STRIP = { width: 300, height: 26, left: 4 }
/** Moisture on a logarithmic rule, from PP to PVA. */
const LEAST_PERCENT = 0.005
const MOST_PERCENT = 12
const along = (percent: number): number =>
  STRIP.left +
  ((STRIP.width - 2 * STRIP.left) * Math.log(Math.max(percent, LEAST_PERCENT) / LEAST_PERCENT)) /
    Math.log(MOST_PERCENT / LEAST_PERCENT)

/** Every material: its target, what it comes to in air of a chosen RH, and its two limits. */
export function MaterialsPage() {
  const [rhPercent, setRh] = useState<number | null>(null)
  const { temperature } = useMeasures()
  const { state } = useJournal()
  const [changing, setChanging] = useState<MaterialId | null>(null)
  return (
    <>
      <h1 className={hand.answer}>What each material comes to</h1>
      <p className={hand.behind}>
        Moisture in balance with the air, against two limits: clean below the first, trouble above the second.
        Typical values from memory, and makers differ: touch a name to put in what yours says, and every box
        is reckoned by it.
      </p>
      <Slider
        says={rhPercent === null ? 'Each at its own target' : `In air of ${inWhole(rhPercent)}${THIN}%`}
        label="RH of the air"
        value={rhPercent ?? 25}
        min={1}
        max={90}
        text={`${rhPercent ?? 25} %`}
        set={setRh}
      >
        {rhPercent !== null && (
          <button type="button" className={hand.worded} onClick={() => setRh(null)}>
            each at its target
          </button>
        )}
      </Slider>
      <table className={css.almanacTable}>
        <thead>
          <tr>
            <th scope="col">Material</th>
            <th scope="col" className={css.number}>
              target, % RH
            </th>
            <th scope="col">moisture, wt %</th>
            <th scope="col" className={css.wideCell}>
              <StripScale />
            </th>
            <th scope="col" className={`${css.number} ${css.wideCell}`}>
              at 50 %
            </th>
            <th scope="col" className={`${css.number} ${css.wideCell}`}>
              saturated
            </th>
            <th scope="col" className={`${css.number} ${css.wideCell}`}>
              dry at, {temperature.unit}
            </th>
            <th scope="col" className={`${css.number} ${css.wideCell}`}>
              for, h
            </th>
            <th scope="col" className={`${css.number} ${css.wideCell}`}>
              never above
            </th>
          </tr>
        </thead>
        <tbody>
          {Object.values(state.materials).map(material => (
            <MaterialRow
              key={material.id}
              material={material}
              own={state.overrides.get(material.id) ?? {}}
              rhPercent={rhPercent}
              change={() => setChanging(material.id)}
            />
          ))}
        </tbody>
      </table>
      {changing && <OwnValues id={changing} close={() => setChanging(null)} />}
      <p className={hand.aside}>
        Your own values stand upright and heavier. The strip: a tick where a print is clean, a bar from where
        it suffers, a drop where the material ends. Whoever needs nylon clean must dry it by heat: no ordinary
        box holds it there.
      </p>
    </>
  )
}

function MaterialRow({
  material,
  own,
  rhPercent,
  change,
}: {
  readonly material: Material
  readonly own: Readonly<Partial<Record<MaterialValue, number>>>
  readonly rhPercent: number | null
  readonly change: () => void
}) {
  const known = (field: MaterialValue) => (own[field] === undefined ? hand.pencil : css.ownValue)
  const knownOf = (...fields: readonly MaterialValue[]) =>
    known(fields.find(field => own[field] !== undefined) ?? fields[0]!)
  const { temperature } = useMeasures()
  const held = heldAtTarget(material)
  const moisture = rhPercent === null ? held.moisturePercent : equilibriumMoisturePercent(material, rhPercent)
  const word = spoolWord(material, moisture)
  const range = ([low, high]: readonly [number, number], show: (value: number) => string) =>
    low === high ? show(low) : `${show(low)}–${show(high)}`
  return (
    <tr>
      <th scope="row">
        <button type="button" className={css.materialName} title="Your own values" onClick={change}>
          {material.name}
        </button>
      </th>
      <td
        className={`${css.number} ${known('targetRhPercent')}`}
        data-own={own.targetRhPercent !== undefined || undefined}
      >
        {inWhole(material.targetRhPercent)}
      </td>
      <td className={word === 'expect trouble' ? hand.trouble : undefined}>
        {moisture < 10 ? inHundredths(moisture) : inTenths(moisture)}, {word}
      </td>
      <td className={css.wideCell}>
        <Strip
          material={material}
          moisture={moisture}
          own={own.cleanBelowPercent !== undefined || own.troubleAbovePercent !== undefined}
        />
      </td>
      <td className={`${css.number} ${css.wideCell} ${known('moistureAt50Percent')}`}>
        {inHundredths(material.moistureAt50Percent)}
      </td>
      <td className={`${css.number} ${css.wideCell} ${known('saturatedMoisturePercent')}`}>
        {inHundredths(material.saturatedMoisturePercent)}
      </td>
      <td className={`${css.number} ${css.wideCell} ${knownOf('dryFromC', 'dryToC')}`}>
        {range(material.dryAtC, temperature.field)}
      </td>
      <td className={`${css.number} ${css.wideCell} ${knownOf('dryFromHours', 'dryToHours')}`}>
        {range(material.dryForHours, String)}
      </td>
      <td className={`${css.number} ${css.wideCell} ${known('neverAboveC')}`}>
        {temperature.field(material.neverAboveC)}
      </td>
    </tr>
  )
}

const MARKS = [0.01, 0.1, 1, 10]
const StripScale = () => (
  <svg width={STRIP.width} height="18" aria-hidden="true">
    {MARKS.map(mark => (
      <text key={mark} x={along(mark)} y="13" textAnchor="middle" className={css.stripMark}>
        {mark}
      </text>
    ))}
  </svg>
)

function Strip({
  material,
  moisture,
  own,
}: {
  readonly material: Material
  readonly moisture: number
  /** Its limits are the person's own. */
  readonly own: boolean
}) {
  const { troubleAbovePercent } = material
  const middle = STRIP.height / 2
  const x = along(moisture)
  return (
    <svg
      width={STRIP.width}
      height={STRIP.height}
      className={own ? css.stripOwn : undefined}
      role="img"
      aria-label={`clean below ${material.cleanBelowPercent} %, trouble above ${troubleAbovePercent ?? 'nothing'}`}
    >
      <path d={`M${STRIP.left} ${middle}H${STRIP.width - STRIP.left}`} className={css.stripRule} />
      {troubleAbovePercent !== null && (
        <path
          d={`M${along(troubleAbovePercent)} ${middle}H${STRIP.width - STRIP.left}`}
          className={css.stripTrouble}
        />
      )}
      <path
        d={`M${along(material.cleanBelowPercent)} ${middle - 7}V${middle + 7}`}
        className={css.stripClean}
      />
      <path
        d={`M${x} ${middle - 9}c-4.5 6-6 8-6 11a6 6 0 0 0 12 0c0-3-1.5-5-6-11z`}
        className={css.stripDrop}
      />
    </svg>
  )
}
