import { describe, expect, test } from '@jest/globals'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { bestDial, heatLimits, makersWord, refusals, type Asked, type ToHeat } from './heat-limits.ts'
import { dialFor, heatAt, HEAT_SOURCE_KINDS, untoldSource, type HeatSource } from './heat-source.ts'

const source = (change: Partial<HeatSource> = {}): HeatSource => ({ ...untoldSource('electric'), ...change })
const beads = (change: Partial<ToHeat> = {}): ToHeat => ({
  desiccant: 'silica-a',
  indicator: 'orange',
  holder: 'canister',
  body: 'metal',
  saysC: null,
  saysHours: null,
  ...change,
})
const ask = (change: Partial<Asked> = {}): Asked => ({
  charge: beads(),
  source: source(),
  heatedIn: 'holder',
  dialC: 100,
  displaysOut: true,
  ...change,
})
const why = (change: Partial<Asked>) => refusals(ask(change)).map(one => one.of)
const measured = (dialC: number, measuredC: number, swingC: number) => ({
  dialC,
  advertisedC: null,
  measuredC,
  swingC,
})

describe('the heat at a setting', () => {
  test('not measured: the dial, with the swing that is common', () =>
    expect(heatAt(source(), 110)).toEqual({ middleC: 110, leastC: 90, mostC: 130, by: 'dial' }))
  test('measured: straight between the settings that were, the same beyond', () => {
    const oven = source({ measured: [measured(150, 138, 9), measured(100, 96, 5)] })
    expect(heatAt(oven, 125)).toMatchObject({ middleC: 117, leastC: 110, mostC: 124, by: 'measured' })
    expect(heatAt(oven, 60).middleC).toBe(56)
    expect(heatAt(oven, 200).middleC).toBe(188)
  })
  test('the setting for a heat is the nearest below it, and within the dial', () => {
    expect(dialFor(source(), 113)).toBe(110)
    expect(dialFor(source({ measured: [measured(120, 110, 5)] }), 110)).toBe(120)
    // practice: a dryer's "70" gives 65
    expect(dialFor(source({ kind: 'dryer', measured: [measured(70, 65, 2)] }), 110)).toBe(70)
    expect(dialFor(source({ lowestC: 120 }), 60)).toBeNull()
  })
})

describe('what stands the heat', () => {
  test.each<readonly [string, Partial<Asked>, readonly string[]]>([
    ['a printed PLA canister in any oven', { charge: beads({ body: 'printed PLA' }) }, ['never']],
    [
      'a printed PETG canister in a measured one',
      {
        charge: beads({ body: 'printed PETG' }),
        source: source({ measured: [measured(60, 60, 1)] }),
        dialC: 60,
      },
      ['never'],
    ],
    [
      'a polycarbonate holder at 120 °C with ±20 °C',
      {
        charge: beads({ body: 'printed PC' }),
        source: source({ measured: [measured(120, 120, 20)] }),
        dialC: 120,
      },
      ['holder', 'dye'],
    ],
    [
      'a printed holder where nobody measured',
      { charge: beads({ body: 'printed PC' }), dialC: 60 },
      ['holder'],
    ],
    ['blue beads where food is cooked', { charge: beads({ indicator: 'blue' }) }, ['food']],
    [
      'sieve in an oven that cannot reach it',
      { charge: beads({ desiccant: 'sieve-4a', indicator: 'none' }), dialC: 150 },
      ['reach'],
    ],
    ['a coin cell left in', { displaysOut: false }, ['cell']],
    ['orange beads at 110 in an oven that swings by 20', { dialC: 110 }, ['dye']],
    ['crystals', { charge: beads({ desiccant: 'calcium-chloride', holder: 'crystal pack' }) }, ['once']],
    ['a plug-in unit in an oven', { charge: beads({ holder: 'plug-in unit' }) }, ['plug']],
    ['beads in a plug-in unit’s heater', { source: source({ kind: 'own heater' }) }, ['plug']],
    ['a microwave and a metal canister', { source: source({ kind: 'microwave' }) }, ['metal']],
    [
      'a microwave and clay',
      { charge: beads({ desiccant: 'clay' }), source: source({ kind: 'microwave' }), heatedIn: 'dish' },
      ['kind'],
    ],
  ])('refused: %s', (_, change, reasons) => expect(why(change)).toEqual(reasons))

  test.each<readonly [string, Partial<Asked>]>([
    ['orange beads at 100', {}],
    ['the PLA canister’s beads in a dish', { charge: beads({ body: 'printed PLA' }), heatedIn: 'dish' }],
    [
      'a polycarbonate holder at 80, measured, ±5',
      {
        charge: beads({ body: 'printed PC' }),
        source: source({ measured: [measured(80, 80, 5)] }),
        dialC: 80,
      },
    ],
    ['white beads at 125', { charge: beads({ indicator: 'none' }), dialC: 125 }],
    [
      'blue beads in an oven that cooks no more',
      { charge: beads({ indicator: 'blue' }), source: source({ food: false }) },
    ],
    ['beads in glass in a microwave', { source: source({ kind: 'microwave' }), heatedIn: 'dish' }],
    [
      'a plug-in unit on its own',
      { charge: beads({ holder: 'plug-in unit' }), source: source({ kind: 'own heater' }) },
    ],
    [
      'sieve in a furnace',
      {
        charge: beads({ desiccant: 'sieve-4a', indicator: 'none' }),
        source: source({ highestC: 350, swingC: 10 }),
        dialC: 250,
      },
    ],
  ])('allowed: %s', (_, change) => expect(why(change)).toEqual([]))

  // 250 °F is printed on most packets; it is 121.1 °C
  const packet = beads({ holder: 'packet', body: 'fleece', saysC: celsiusFromFahrenheit(250) })
  test('a packet that says 250 °F is not refused, and its rounding is said', () => {
    expect(why({ charge: packet, dialC: 120 })).toEqual([])
    expect(why({ charge: packet, dialC: 121 })).toEqual([])
    expect(makersWord(packet)).toMatchObject({ is: 'rounded', oursC: 120 })
    expect(why({ charge: packet, dialC: 135 })).toEqual(['maker'])
  })
  test('a maker who says less is heard first', () => {
    const low = beads({ holder: 'packet', body: 'paper', saysC: 80 })
    expect(makersWord(low)).toMatchObject({ is: 'less' })
    expect(why({ charge: low, dialC: 100 })).toEqual(['maker'])
    // out of their packet its word about the packet is gone
    expect(heatLimits(low, 'dish').map(limit => limit.of)).toEqual(['dye'])
  })
  test('the setting offered is refused nowhere, and a hotter one would be, or is not wanted', () => {
    for (const kind of HEAT_SOURCE_KINDS)
      for (const body of ['metal', 'fleece', 'printed PC'] as const)
        for (const indicator of ['orange', 'none'] as const) {
          const asked = ask({ charge: beads({ body, indicator }), source: source({ kind }) })
          const dialC = bestDial(asked)
          if (dialC !== null) expect(refusals({ ...asked, dialC })).toEqual([])
        }
    expect(bestDial(ask())).toBe(100)
    expect(bestDial(ask({ source: source({ measured: [measured(110, 110, 7)] }) }))).toBe(110)
    expect(bestDial(ask({ charge: beads({ body: 'printed PLA' }) }))).toBeNull()
  })
})
