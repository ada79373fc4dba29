import * as v from 'valibot'
import { finite, idField } from '../fields.ts'
import { MATERIAL_LIST, SCHOOL_LIST } from '../picklists.ts'

/** Values of a material that a person may know better, each with what can be. */
export const MATERIAL_VALUES = {
  targetRhPercent: { min: 1, max: 80, unit: '% RH', name: 'Target' },
  moistureAt50Percent: { min: 0.001, max: 30, unit: 'wt %', name: 'Moisture at 50 % RH' },
  saturatedMoisturePercent: { min: 0.002, max: 60, unit: 'wt %', name: 'Moisture when saturated' },
  cleanBelowPercent: { min: 0.001, max: 10, unit: 'wt %', name: 'Clean below' },
  troubleAbovePercent: { min: 0.002, max: 20, unit: 'wt %', name: 'Trouble above' },
  dryFromC: { min: 30, max: 300, unit: '°C', name: 'Dried at, from' },
  dryToC: { min: 30, max: 300, unit: '°C', name: 'Dried at, to' },
  dryFromHours: { min: 0.5, max: 200, unit: 'h', name: 'Dried for, from' },
  dryToHours: { min: 0.5, max: 200, unit: 'h', name: 'Dried for, to' },
  neverAboveC: { min: 30, max: 300, unit: '°C', name: 'Never above' },
} as const
export type MaterialValue = keyof typeof MATERIAL_VALUES
export const MATERIAL_VALUE_NAMES = Object.keys(MATERIAL_VALUES) as MaterialValue[]

const overridden = v.pipe(
  v.strictObject({
    material: v.picklist(MATERIAL_LIST),
    field: v.picklist(MATERIAL_VALUE_NAMES),
    /** null: the catalogue's own again. */
    value: v.nullable(finite(0, 300)),
  }),
  v.check(
    ({ field, value }) =>
      value === null || (value >= MATERIAL_VALUES[field].min && value <= MATERIAL_VALUES[field].max),
    'outside what can be',
  ),
)
/** Version 2 knows temperatures and hours of drying; nothing stored changes. */
const allowDrying = (payload: Record<string, unknown>): Record<string, unknown> => payload
export const valueUpgraders = { 'value.overridden': [allowDrying] } as const
export const valueKinds = {
  'value.overridden': overridden,
  /** How hot somebody dries: a material, or one spool of it; null: as nobody said. */
  'school.kept': v.strictObject({
    material: v.picklist(MATERIAL_LIST),
    spoolId: v.nullable(idField),
    school: v.nullable(v.picklist(SCHOOL_LIST)),
  }),
} as const
export type Overridden = v.InferOutput<typeof overridden>
