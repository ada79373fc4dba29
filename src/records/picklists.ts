import type { ContainerKind } from '#core/container/container.ts'
import type { HolderKind } from '#core/container/holder.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { SilicaKind } from '#core/desiccant/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { ClimateKind } from '#core/room/climate.ts'

/*
 * What a stored field may say, written out. A catalogue may grow without these; one of them may grow only together
 * with the version of every kind that uses it (picklists.test.ts), so that an older Veld reads the entry as from a
 * newer version, not as damaged.
 */
export const DESICCANT_LIST = [
  'silica-a',
  'silica-rd',
  'silica-unknown',
] as const satisfies readonly SilicaKind[]
export const HOLDER_LIST = ['packet', 'canister', 'tray', 'basket'] as const satisfies readonly HolderKind[]
export const MATERIAL_LIST = [
  'PLA',
  'PETG',
  'PET',
  'PET-CF',
  'ABS',
  'ASA',
  'HIPS',
  'PC',
  'TPU',
  'PA6',
  'PA66',
  'PA6-CF',
  'PA6-GF',
  'PA12',
  'PA11',
  'PVA',
  'BVOH',
  'PP',
  'PEEK',
  'PEI',
] as const satisfies readonly MaterialId[]
export const CONTAINER_LIST = [
  'jar',
  'clip-square',
  'clip-long',
  'tote',
  'pail',
  'bag',
  'printed',
] as const satisfies readonly ContainerKind[]
export const LID_LIST = [
  'clips',
  'clips-port',
  'foam',
  'snap',
  'zip',
  'vented',
  'unknown',
] as const satisfies readonly LidKind[]
export const CLIMATE_LIST = ['heated', 'mild', 'damp', 'hot'] as const satisfies readonly ClimateKind[]
