import { HOLDERS } from '#core/container/holder.ts'
import { LIDS } from '#core/container/lid.ts'
import { FILMS, wallConductanceLPerH, WALLS, type WallMaterial } from '#core/container/wall.ts'
import { breathingLPerH } from '#core/container/breathing.ts'
import { drainLPerH } from '#core/container/drain.ts'
import { holeLPerH, OUTLETS } from '#core/container/hole.ts'
import { useState } from 'react'
import { inTenths, THIN } from '#ui/format.ts'
import { Slider } from './slider.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

const AREA_M2 = 0.5
const THICKNESS_MM = 2
const litres = (value: number) => (value < 0.1 ? String(Number(value.toPrecision(2))) : inTenths(value))

const HOLE = { diameterMm: 4, wallMm: 2 }

/** A 4 mm hole by what closes it, two of them one above the other, and a box that breathes. */
function outletRows(temperatureC: number): (readonly [string, string])[] {
  const { coupler, membrane, cap } = OUTLETS
  const between = ({ lowLPerH, highLPerH }: { lowLPerH: number; highLPerH: number }) =>
    `${lowLPerH}–${highLPerH}`
  return [
    ['4 mm hole, open', litres(holeLPerH({ ...HOLE, temperatureC }))],
    [coupler.name, between(coupler)],
    [membrane.name, between(membrane)],
    [cap.name, between(cap)],
    [
      'two open holes, one 30 cm higher',
      litres(
        drainLPerH({
          ...HOLE,
          heightMm: 300,
          vapourPressureDifferencePa: 900,
          temperatureDifferenceK: 0,
          temperatureC,
        }),
      ),
    ],
    ['20 L box, 6 K warmer by day', litres(breathingLPerH({ freeAirL: 20, dailySwingK: 6, temperatureC }))],
  ]
}

/** What lets water in: walls by temperature, films, lids; and what the beads lie in. */
export function WallsPage() {
  const [temperatureC, setTemperature] = useState(20)
  const { temperature } = useMeasures()
  return (
    <>
      <h1 className={hand.answer}>What lets water in</h1>
      <p className={hand.behind}>
        Litres of room air an hour whose water passes: the one measure for walls, lids and holders alike.
      </p>
      <Slider
        says={`Walls at ${temperature.text(temperatureC)}`}
        label="Temperature of the wall"
        value={temperatureC}
        min={-10}
        max={40}
        text={temperature.text(temperatureC)}
        set={setTemperature}
      />
      <div className={css.almanacColumns}>
        <table className={css.almanacTable}>
          <caption>
            Walls of {AREA_M2}
            {THIN}m² and {THICKNESS_MM}
            {THIN}mm
          </caption>
          <thead>
            <tr>
              <th scope="col">Wall</th>
              <th scope="col" className={css.number}>
                L/h
              </th>
              <th scope="col" className={css.number}>
                g·mm/(m²·day)
              </th>
            </tr>
          </thead>
          <tbody>
            {(Object.keys(WALLS) as WallMaterial[]).map(wall => (
              <tr key={wall}>
                <th scope="row">{wall}</th>
                <td className={css.number}>
                  {litres(wallConductanceLPerH(wall, AREA_M2, THICKNESS_MM, temperatureC))}
                </td>
                <td className={`${css.number} ${hand.pencil}`}>{WALLS[wall]}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div>
          <table className={css.almanacTable}>
            <caption>Lids, L/h</caption>
            <tbody>
              {Object.values(LIDS).map(lid => (
                <tr key={lid.kind}>
                  <th scope="row">{lid.name}</th>
                  <td className={css.number}>
                    {lid.lowLPerH}–{lid.highLPerH}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className={css.almanacTable}>
            <caption>Outlets and air that moves, L/h</caption>
            <tbody>
              {outletRows(temperatureC).map(([name, value]) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td className={css.number}>{value}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <table className={css.almanacTable}>
            <caption>Beads lie in, L/h</caption>
            <tbody>
              {Object.values(HOLDERS).map(holder => (
                <tr key={holder.name}>
                  <th scope="row">{holder.name}</th>
                  <td className={css.number}>{holder.conductanceLPerH}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className={css.almanacTable}>
            <caption>Bags, g·mm/(m²·day) at their thickness</caption>
            <tbody>
              {Object.entries(FILMS).map(([name, film]) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td className={`${css.number} ${hand.pencil}`}>
                    {film.permeability}, {film.thicknessMm}
                    {THIN}mm
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
      <p className={hand.aside}>
        Permeability as stated at 38 °C and 90 % RH, typical, from memory; lids by common practice; holders
        worked out from bed depth and open area.
      </p>
    </>
  )
}
