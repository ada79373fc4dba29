import * as v from 'valibot'
import { finite } from '../fields.ts'
import { MATERIAL_LIST } from '../picklists.ts'

/** Values of a material that a person may know better, each with what can be. */
export const MATERIAL_VALUES = {
  targetRhPercent: { min: 1, max: 80, unit: '% RH', name: 'Target' },
  moistureAt50Percent: { min: 0.001, max: 30, unit: 'wt %', name: 'Moisture at 50 % RH' },
  saturatedMoisturePercent: { min: 0.002, max: 60, unit: 'wt %', name: 'Moisture when saturated' },
  cleanBelowPercent: { min: 0.001, max: 10, unit: 'wt %', name: 'Clean below' },
  troubleAbovePercent: { min: 0.002, max: 20, unit: 'wt %', name: 'Trouble above' },
} as const
export type MaterialValue = keyof typeof MATERIAL_VALUES
export const MATERIAL_VALUE_NAMES = Object.keys(MATERIAL_VALUES) as MaterialValue[]

const overridden = v.pipe(
  v.strictObject({
    material: v.picklist(MATERIAL_LIST),
    field: v.picklist(MATERIAL_VALUE_NAMES),
    /** null: the catalogue's own again. */
    value: v.nullable(finite(0, 100)),
  }),
  v.check(
    ({ field, value }) =>
      value === null || (value >= MATERIAL_VALUES[field].min && value <= MATERIAL_VALUES[field].max),
    'outside what can be',
  ),
)
export const valueKinds = { 'value.overridden': overridden } as const
export type Overridden = v.InferOutput<typeof overridden>
