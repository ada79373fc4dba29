import type { ArrangementKind } from '#core/build/arrangement.ts'
import type { RodMaterial } from '#core/build/rod.ts'
import type { HeatSourceKind } from '#core/renewal/heat-source.ts'
import type { SealMethod } from '#core/build/seal-test.ts'
import type { WallName } from '#core/build/wall-place.ts'
import type { ContainerKind } from '#core/container/container.ts'
import type { SessionStep } from '#core/renewal/session.ts'
import type { HolderBody } from '#core/renewal/heat-limits.ts'
import type { HolderKind } from '#core/container/holder.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { WallMaterial } from '#core/container/wall.ts'
import type { DesiccantKind } from '#core/desiccant/catalogue.ts'
import type { SaltId } from '#core/air/salts.ts'
import type { School } from '#core/spool/dry-these.ts'
import type { PrintSign, PrintTrouble } from '#core/spool/symptoms.ts'
import type { SpoolBody } from '#core/spool/spool-limits.ts'
import type { DryingAir } from '#core/spool/drying-air.ts'
import type { SpoolClassId } from '#core/filament/spool-class.ts'
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
  'sieve-4a',
  'sieve-3a',
  'alumina',
  'clay',
  'calcium-sulfate',
  'calcium-chloride',
] as const satisfies readonly DesiccantKind[]
export const DRYING_AIR_LIST = ['vented', 'closed', 'with beads'] as const satisfies readonly DryingAir[]
export const HOLDER_LIST = [
  'packet',
  'canister',
  'tray',
  'basket',
  'crystal pack',
  'plug-in unit',
] as const satisfies readonly HolderKind[]
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
/** What displays were held together in: one bag, or the air over a salt. */
export const CHECK_AIR_LIST = [
  'bag',
  'lithium chloride',
  'magnesium chloride',
  'potassium carbonate',
  'sodium bromide',
  'table salt',
  'potassium chloride',
  'potassium sulfate',
] as const satisfies readonly ('bag' | SaltId)[]
/** Why a display could not be read. */
export const UNREAD_LIST = ['shows nothing', 'is not there'] as const
export type Unread = (typeof UNREAD_LIST)[number]
export const LID_LIST = [
  'clips',
  'clips-port',
  'foam',
  'snap',
  'zip',
  'vented',
  'unknown',
] as const satisfies readonly LidKind[]
export const WALL_LIST = [
  'HDPE',
  'PP',
  'LDPE',
  'PET',
  'PVC',
  'PMMA',
  'PS',
  'PC',
  'ABS',
  'printed PLA',
  'printed PETG',
] as const satisfies readonly WallMaterial[]
/** `plastic`: moulded, and nobody said of what. */
export const SPOOL_BODY_LIST = [
  'plastic',
  'board',
  'printed',
  'PS',
  'ABS',
  'PC',
  'PP',
] as const satisfies readonly SpoolBody[]
/** Of a spool one means to buy. */
export const WISHED_BODY_LIST = ['plastic', 'board', 'printed'] as const satisfies readonly SpoolBody[]
export const SCHOOL_LIST = ['gentle', 'hot'] as const satisfies readonly School[]
export const SIGN_LIST = [
  'sizzles',
  'steam',
  'pits',
  'strings',
  'dull',
  'only at travels',
  'other spools too',
  'cooler helps',
  'snaps',
  'drying helped',
  'thin layers',
] as const satisfies readonly PrintSign[]
export const TROUBLE_LIST = [
  'wet',
  'heat or retraction',
  'printer',
  'brittle',
] as const satisfies readonly PrintTrouble[]
/** How a test piece came out. */
export const PIECE_LIST = ['clean', 'slight signs', 'bad'] as const
export const STRAND_LIST = [1.75, 2.85] as const
export const CLIMATE_LIST = ['heated', 'mild', 'damp', 'hot'] as const satisfies readonly ClimateKind[]
export const SPOOL_CLASS_LIST = [
  'quarter',
  'half',
  'kilogram',
  'wide',
  'large',
] as const satisfies readonly SpoolClassId[]
export const SEAL_METHOD_LIST = ['weighed', 'rise', 'fall'] as const satisfies readonly SealMethod[]
export const HEAT_SOURCE_LIST = [
  'electric',
  'gas',
  'microwave',
  'dryer',
  'dehydrator',
  'own heater',
  'sun',
  'printer bed',
] as const satisfies readonly HeatSourceKind[]
/** Steps of a heating session, in their order. */
export const SESSION_STEP_LIST = [
  'displays out',
  'weighed in',
  'in',
  'out',
  'cooled',
  'weighed out',
  'back',
] as const satisfies readonly SessionStep[]
/** What a holder is made of, as far as heat minds. */
export const HOLDER_BODY_LIST = [
  'metal',
  'glass',
  'paper',
  'fleece',
  'foil',
  'printed PLA',
  'printed PETG',
  'printed ABS',
  'printed PC',
  'printed PA',
  'moulded plastic',
] as const satisfies readonly HolderBody[]
export const ROD_LIST = ['steel', 'aluminium', 'wood', 'printed'] as const satisfies readonly RodMaterial[]
/** Walls a hole may be in. */
export const BUILD_WALL_LIST = [
  'front',
  'right end',
  'back',
  'left end',
  'wall',
] as const satisfies readonly WallName[]
export const ARRANGEMENT_LIST = [
  'axle',
  'two axles',
  'spindle',
  'rollers',
  'rim',
  'lying',
] as const satisfies readonly ArrangementKind[]
