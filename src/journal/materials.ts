import { MATERIALS } from '#core/filament/catalogue.ts'
import { MATERIAL_IDS, type Material, type MaterialId } from '#core/filament/material.ts'
import type { MaterialValue } from '#records/kinds/value.ts'

type OwnValues = Readonly<Partial<Record<MaterialValue, number>>>
/** What a person knows better than the catalogue, by material. */
export type Overrides = ReadonlyMap<MaterialId, OwnValues>

/** The catalogue with a person's own values in it. */
export const materialsWith = (overrides: Overrides): Readonly<Record<MaterialId, Material>> =>
  overrides.size === 0
    ? MATERIALS
    : (Object.fromEntries(
        MATERIAL_IDS.map(id => [id, withOwn(MATERIALS[id], overrides.get(id) ?? {})]),
      ) as Record<MaterialId, Material>)

function withOwn(
  material: Material,
  { dryFromC, dryToC, dryFromHours, dryToHours, ...own }: OwnValues,
): Material {
  const { dryAtC, dryForHours } = material
  return {
    ...material,
    ...own,
    dryAtC: [dryFromC ?? dryAtC[0], dryToC ?? dryAtC[1]],
    dryForHours: [dryFromHours ?? dryForHours[0], dryToHours ?? dryForHours[1]],
  }
}

/** A value of a material by its own name; null: it has none. */
export function materialValue(material: Material, name: MaterialValue): number | null {
  switch (name) {
    case 'dryFromC':
      return material.dryAtC[0]
    case 'dryToC':
      return material.dryAtC[1]
    case 'dryFromHours':
      return material.dryForHours[0]
    case 'dryToHours':
      return material.dryForHours[1]
    default:
      return material[name]
  }
}
