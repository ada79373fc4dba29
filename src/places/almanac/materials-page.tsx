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
      <h1 className="answer">What each material comes to</h1>
      <p className="behind">
        Moisture in balance with the air, against two limits: clean below the first, trouble above the second.
        Typical values from memory; where prints suffer is fitted to practice.
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
          <button type="button" className="worded" onClick={() => setRh(null)}>
            each at its target
          </button>
        )}
      </Slider>
      <table className="almanac-table">
        <thead>
          <tr>
            <th scope="col">Material</th>
            <th scope="col" className="number">
              target, % RH
            </th>
            <th scope="col">moisture, wt %</th>
            <th scope="col" className="wide-cell">
              <StripScale />
            </th>
            <th scope="col" className="number wide-cell">
              at 50 %
            </th>
            <th scope="col" className="number wide-cell">
              saturated
            </th>
            <th scope="col" className="number wide-cell">
              dry at, {temperature.unit}
            </th>
            <th scope="col" className="number wide-cell">
              for, h
            </th>
            <th scope="col" className="number wide-cell">
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
      <p className="aside">
        Touch a name to put your own values in; they stand upright and heavier here and are used everywhere.
        The strip: a tick where a print is clean, a bar from where it suffers, a drop where the material ends.
        Whoever needs nylon clean must dry it by heat: no ordinary box holds it there.
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
  const known = (field: MaterialValue) => (own[field] === undefined ? 'pencil' : 'own-value')
  const { temperature } = useMeasures()
  const held = heldAtTarget(material)
  const moisture = rhPercent === null ? held.moisturePercent : equilibriumMoisturePercent(material, rhPercent)
  const word = spoolWord(material, moisture)
  const range = ([low, high]: readonly [number, number], show: (value: number) => string) =>
    low === high ? show(low) : `${show(low)}–${show(high)}`
  return (
    <tr>
      <th scope="row">
        <button type="button" className="material-name" title="Your own values" onClick={change}>
          {material.name}
        </button>
      </th>
      <td className={`number ${known('targetRhPercent')}`}>{inWhole(material.targetRhPercent)}</td>
      <td className={word === 'expect trouble' ? 'trouble' : undefined}>
        {moisture < 10 ? inHundredths(moisture) : inTenths(moisture)}, {word}
      </td>
      <td className="wide-cell">
        <Strip
          material={material}
          moisture={moisture}
          own={own.cleanBelowPercent !== undefined || own.troubleAbovePercent !== undefined}
        />
      </td>
      <td className={`number wide-cell ${known('moistureAt50Percent')}`}>
        {inHundredths(material.moistureAt50Percent)}
      </td>
      <td className={`number wide-cell ${known('saturatedMoisturePercent')}`}>
        {inHundredths(material.saturatedMoisturePercent)}
      </td>
      <td className="number wide-cell">{range(material.dryAtC, temperature.field)}</td>
      <td className="number wide-cell">{range(material.dryForHours, String)}</td>
      <td className="number wide-cell">{temperature.field(material.neverAboveC)}</td>
    </tr>
  )
}

const MARKS = [0.01, 0.1, 1, 10]
const StripScale = () => (
  <svg width={STRIP.width} height="18" aria-hidden="true">
    {MARKS.map(mark => (
      <text key={mark} x={along(mark)} y="13" textAnchor="middle" className="strip-mark">
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
      className={own ? 'strip-own' : undefined}
      role="img"
      aria-label={`clean below ${material.cleanBelowPercent} %, trouble above ${troubleAbovePercent ?? 'nothing'}`}
    >
      <path d={`M${STRIP.left} ${middle}H${STRIP.width - STRIP.left}`} className="strip-rule" />
      {troubleAbovePercent !== null && (
        <path
          d={`M${along(troubleAbovePercent)} ${middle}H${STRIP.width - STRIP.left}`}
          className="strip-trouble"
        />
      )}
      <path d={`M${along(material.cleanBelowPercent)} ${middle - 7}V${middle + 7}`} className="strip-clean" />
      <path d={`M${x} ${middle - 9}c-4.5 6-6 8-6 11a6 6 0 0 0 12 0c0-3-1.5-5-6-11z`} className="strip-drop" />
    </svg>
  )
}
