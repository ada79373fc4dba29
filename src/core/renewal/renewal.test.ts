import { describe, expect, test } from '@jest/globals'
import { vapourPressureOfRhPa } from '../air/vapour.ts'
import { afterHeating, ovenVapourPressurePa } from './after-heating.ts'
import { CAUTIONS, cautionsAt, type Step } from './cautions.ts'
import { weighedCharge } from './weighed.ts'

const heat = (change: Partial<Extract<Step, { step: 'heat the beads' }>> = {}): Step => ({
  step: 'heat the beads',
  indicator: 'orange',
  oven: 'electric',
  desiccant: 'silica-a',
  holder: 'canister',
  temperatureC: 110,
  ...change,
})
const ALWAYS_IN_AN_OVEN = ['dye', 'electronics-out', 'printed-holder', 'oven', 'cool-covered', 'swallow']

/** Every step there is, with the cautions it shows. */
const STEPS: readonly (readonly [string, Step, readonly string[]])[] = [
  ['a box is chosen', { step: 'choose a box' }, ['food-box']],
  ['displays in a bag', { step: 'check displays', air: 'bag' }, ['coin-cell']],
  ['displays over table salt', { step: 'check displays', air: 'table salt' }, ['coin-cell', 'slurry']],
  [
    'displays over lithium chloride',
    { step: 'check displays', air: 'lithium chloride' },
    ['coin-cell', 'salt-hurts', 'slurry'],
  ],
  ['drilling a wall', { step: 'drill' }, ['drilling']],
  ['filing a hole', { step: 'file' }, ['edges']],
  ['cutting the rod', { step: 'cut the rod' }, ['edges']],
  ['screwing a coupler in', { step: 'couple' }, ['hand-tight']],
  ['sealing holes and screws', { step: 'seal holes' }, ['hot-glue', 'solvent']],
  [
    'orange beads are looked at',
    { step: 'look at the beads', indicator: 'orange', desiccant: 'silica-a' },
    ['swallow'],
  ],
  [
    'blue beads are looked at',
    { step: 'look at the beads', indicator: 'blue', desiccant: 'silica-a' },
    ['cobalt', 'swallow'],
  ],
  [
    'unknown beads are weighed',
    { step: 'weigh the beads', indicator: 'unknown', desiccant: 'silica-a' },
    ['cobalt', 'swallow'],
  ],
  [
    'white beads are replaced',
    { step: 'replace the beads', indicator: 'none', desiccant: 'silica-a' },
    ['swallow'],
  ],
  ['an electric oven', heat(), ALWAYS_IN_AN_OVEN],
  ['too hot an oven', heat({ temperatureC: 140 }), [...ALWAYS_IN_AN_OVEN, 'too-hot']],
  [
    'white beads, as hot',
    heat({ temperatureC: 140, indicator: 'none' }),
    ALWAYS_IN_AN_OVEN.filter(id => id !== 'dye'),
  ],
  ['blue beads in an oven', heat({ indicator: 'blue' }), [...ALWAYS_IN_AN_OVEN, 'cobalt']],
  ['a gas oven', heat({ oven: 'gas' }), [...ALWAYS_IN_AN_OVEN, 'gas-oven']],
  ['a dryer', heat({ oven: 'dryer' }), [...ALWAYS_IN_AN_OVEN, 'dryer']],
  ['a dehydrator', heat({ oven: 'dehydrator' }), [...ALWAYS_IN_AN_OVEN, 'dryer']],
  ['the sun', heat({ oven: 'sun', temperatureC: 45 }), ['dye', 'electronics-out', 'cool-covered', 'swallow']],
  [
    'a printer bed',
    heat({ oven: 'printer bed', temperatureC: 80 }),
    ['dye', 'electronics-out', 'cool-covered', 'bed', 'swallow'],
  ],
  ['packets', heat({ holder: 'packet' }), [...ALWAYS_IN_AN_OVEN, 'packet']],
  [
    'sieve in a furnace',
    heat({ desiccant: 'sieve-4a', indicator: 'none', oven: 'unknown', temperatureC: 260 }),
    [...ALWAYS_IN_AN_OVEN.filter(id => id !== 'dye'), 'dryer', 'beyond-ovens', 'warms'],
  ],
  [
    'sieve is weighed',
    { step: 'weigh the beads', indicator: 'none', desiccant: 'sieve-3a' },
    ['swallow', 'warms'],
  ],
  [
    'clay, too hot',
    heat({ desiccant: 'clay', indicator: 'none', temperatureC: 200 }),
    [...ALWAYS_IN_AN_OVEN.filter(id => id !== 'dye'), 'too-hot-kind'],
  ],
  ['a spool in a small dryer', { step: 'dry a spool', oven: 'dryer' }, ['dryer', 'spool-softens']],
  ['a spool in an oven', { step: 'dry a spool', oven: 'electric' }, ['oven', 'spool-softens']],
  ['a spool on a bed', { step: 'dry a spool', oven: 'printer bed' }, ['bed', 'spool-softens']],
  [
    'a spool in a dehydrator',
    { step: 'dry a spool', oven: 'dehydrator' },
    ['dryer', 'oven', 'spool-softens'],
  ],
  [
    'crystals are replaced',
    { step: 'replace the beads', indicator: 'none', desiccant: 'calcium-chloride' },
    ['brine', 'swallow'],
  ],
  [
    'a plug-in unit on its own heater',
    heat({ oven: 'own heater', holder: 'plug-in unit', temperatureC: 90 }),
    ['dye', 'electronics-out', 'cool-covered', 'own-heater', 'swallow'],
  ],
  [
    'a microwave',
    heat({ oven: 'microwave' }),
    ['dye', 'electronics-out', 'cool-covered', 'microwave', 'swallow'],
  ],
]

describe('cautions', () => {
  test.each(STEPS)('%s', (_, step, ids) =>
    expect(
      cautionsAt(step)
        .map(caution => caution.id)
        .sort(),
    ).toEqual([...ids].sort()),
  )
  test('no id is unused, none twice', () => {
    const used = new Set(STEPS.flatMap(([, , ids]) => ids))
    expect(CAUTIONS.map(caution => caution.id).sort()).toEqual([...used].sort())
  })
})

describe('after heating', () => {
  // residual loadings in air of 1.5 kPa, and the floor they leave: derived with Ng et al. 2001 (from memory) at 25 °C
  test.each([
    [45, 0.072, 14],
    [80, 0.012, 2],
    [105, 0.004, 1],
  ])('%i °C leaves %f g/g and a floor near %i %%', (temperatureC, loading, floor) => {
    const after = afterHeating({ desiccant: 'silica-a', ovenPa: 1500, temperatureC, boxC: 25 })
    expect(after.loadingGPerG).toBeCloseTo(loading, 2.5)
    expect(Math.abs(after.floorRhPercent - floor)).toBeLessThan(0.6)
    expect(after.highGPerG).toBeGreaterThan(after.lowGPerG)
  })
  test('damper air and a gas flame leave more', () => {
    const left = (ovenPa: number) =>
      afterHeating({ desiccant: 'silica-a', ovenPa, temperatureC: 95, boxC: 15 }).loadingGPerG
    const dry = vapourPressureOfRhPa({ relativeHumidityPercent: 30, temperatureC: 18 })
    const damp = vapourPressureOfRhPa({ relativeHumidityPercent: 80, temperatureC: 26 })
    expect(left(damp)).toBeGreaterThan(left(dry))
    expect(left(ovenVapourPressurePa(damp, 'gas'))).toBeGreaterThan(
      left(ovenVapourPressurePa(damp, 'electric')),
    )
  })
})

describe('a weighing as a reading', () => {
  // Ng et al. 2001 (from memory), type A at 25 °C: .053 g/g at 10 %, .105 at 20, .211 at 40
  test.each([
    [5.3, 10],
    [10.5, 20],
    [21.1, 40],
  ])('%f g on 100 g is air of %i %%', (waterG, rh) => {
    const weighed = weighedCharge({
      desiccant: 'silica-a',
      dryMassG: 100,
      waterG,
      sigmaG: 0.5,
      temperatureC: 25,
    })
    expect(Math.abs(weighed.rhPercent - rh)).toBeLessThan(0.4)
    expect(weighed.lowRhPercent).toBeLessThan(weighed.rhPercent)
    expect(weighed.highRhPercent).toBeGreaterThan(weighed.rhPercent)
  })
  test('a poorer scale says less; lighter than dry is dry; more than it holds is full', () => {
    const width = (sigmaG: number) => {
      const item = weighedCharge({ desiccant: 'silica-a', dryMassG: 60, waterG: 6, sigmaG, temperatureC: 12 })
      return item.highRhPercent - item.lowRhPercent
    }
    expect(width(3)).toBeGreaterThan(width(0.5))
    const at = (waterG: number) =>
      weighedCharge({ desiccant: 'silica-a', dryMassG: 60, waterG, sigmaG: 1, temperatureC: 12 }).rhPercent
    expect(at(-2)).toBe(0)
    expect(at(500)).toBeLessThanOrEqual(100)
  })
})
