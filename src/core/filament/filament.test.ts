import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from './catalogue.ts'
import { heldAtTarget } from '../verdict/held-at-target.ts'
import { MATERIAL_IDS } from './material.ts'
import {
  activityOfMoisture,
  equilibriumMoisturePercent,
  moistureAtActivityPercent,
  sorptionIsotherm,
} from './sorption.ts'

describe('sorption', () => {
  test.each(MATERIAL_IDS)('%s passes through both given points and inverts', id => {
    const material = MATERIALS[id]
    const isotherm = sorptionIsotherm(material)
    expect(isotherm.isGab).toBe(true)
    expect(moistureAtActivityPercent(isotherm, 0.5)).toBeCloseTo(material.moistureAt50Percent, 10)
    expect(moistureAtActivityPercent(isotherm, 1)).toBeCloseTo(material.saturatedMoisturePercent, 10)
    for (const a of [0.001, 0.1, 0.3, 0.7, 0.99])
      expect(activityOfMoisture(isotherm, moistureAtActivityPercent(isotherm, a))).toBeCloseTo(a, 10)
  })
  test('too straight for GAB: a line through the 50 % value, and it says so', () => {
    const isotherm = sorptionIsotherm({ moistureAt50Percent: 0.5, saturatedMoisturePercent: 0.8 })
    expect(isotherm.isGab).toBe(false)
    expect(moistureAtActivityPercent(isotherm, 0.5)).toBe(0.5)
    expect(activityOfMoisture(isotherm, 0.25)).toBeCloseTo(0.25, 12)
  })
})

test('outside check (derived, worked by hand): PA6 ends near 0.65 % in air of 12 % RH, near 0.33 % at 6 %, 0.7 % at 13 %', () => {
  expect(equilibriumMoisturePercent(MATERIALS.PA6, 12)).toBeCloseTo(0.65, 2)
  expect(equilibriumMoisturePercent(MATERIALS.PA6, 6)).toBeCloseTo(0.33, 1)
  expect(equilibriumMoisturePercent(MATERIALS.PA6, 13)).toBeCloseTo(0.7, 2)
})

describe('catalogue: where each material ends at its own target', () => {
  // Common practice: an ordinary box keeps PLA, PETG, ABS, ASA printable and never makes nylon clean.
  test.each(MATERIAL_IDS)('%s', id => {
    const material = MATERIALS[id]
    const held = heldAtTarget(material)
    const { cleanBelowPercent: clean, troubleAbovePercent: trouble } = material
    if (held.word === 'clean') expect(held.moisturePercent).toBeLessThanOrEqual(clean)
    if (held.word === 'usable') {
      expect(held.moisturePercent).toBeGreaterThan(clean)
      expect(held.moisturePercent).toBeLessThanOrEqual(trouble ?? Infinity)
      expect(held.cleanHoldingRhPercent).toBeLessThan(material.targetRhPercent)
    }
    if (held.word === 'expect trouble') {
      expect(held.moisturePercent).toBeGreaterThan(trouble ?? Infinity)
      expect(held.troubleHoldingRhPercent).toBeLessThan(material.targetRhPercent)
    }
  })
  test.each(MATERIAL_IDS)('%s does not end in trouble at its own target', id =>
    expect(heldAtTarget(MATERIALS[id]).word).not.toBe('expect trouble'),
  )
  test('the words, material by material', () =>
    expect(
      MATERIAL_IDS.map(id => {
        const { moisturePercent, word } = heldAtTarget(MATERIALS[id])
        return `${id}: ${moisturePercent.toFixed(2)} wt % at ${MATERIALS[id].targetRhPercent} %: ${word}`
      }),
    ).toMatchInlineSnapshot(`
     [
       "PLA: 0.19 wt % at 25 %: usable",
       "PETG: 0.08 wt % at 20 %: usable",
       "PET: 0.07 wt % at 15 %: usable",
       "PET-CF: 0.07 wt % at 15 %: usable",
       "ABS: 0.10 wt % at 25 %: clean",
       "ASA: 0.15 wt % at 25 %: usable",
       "HIPS: 0.03 wt % at 30 %: clean",
       "PC: 0.03 wt % at 15 %: usable",
       "TPU: 0.14 wt % at 15 %: usable",
       "PA6: 0.54 wt % at 10 %: usable",
       "PA66: 0.46 wt % at 10 %: usable",
       "PA6-CF: 0.41 wt % at 10 %: usable",
       "PA6-GF: 0.41 wt % at 10 %: usable",
       "PA12: 0.21 wt % at 15 %: usable",
       "PA11: 0.27 wt % at 15 %: usable",
       "PVA: 1.23 wt % at 10 %: usable",
       "BVOH: 1.03 wt % at 10 %: usable",
       "PP: 0.01 wt % at 40 %: clean",
       "PEEK: 0.06 wt % at 15 %: usable",
       "PEI: 0.16 wt % at 15 %: usable",
     ]
    `))
})
