import { MATERIALS } from '#core/filament/catalogue.ts'
import { MATERIAL_IDS, type Material, type MaterialId } from '#core/filament/material.ts'
import type { MaterialValue } from '#records/kinds/value.ts'

/** What a person knows better than the catalogue, by material. */
export type Overrides = ReadonlyMap<MaterialId, Readonly<Partial<Record<MaterialValue, number>>>>

/** The catalogue with a person's own values in it. */
export const materialsWith = (overrides: Overrides): Readonly<Record<MaterialId, Material>> =>
  overrides.size === 0
    ? MATERIALS
    : (Object.fromEntries(MATERIAL_IDS.map(id => [id, { ...MATERIALS[id], ...overrides.get(id) }])) as Record<
        MaterialId,
        Material
      >)
