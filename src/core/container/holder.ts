import type { LitresPerHour } from '#units/quantity.ts'

export const HOLDER_KINDS = ['packet', 'canister', 'tray', 'basket', 'crystal pack', 'plug-in unit'] as const
export type HolderKind = (typeof HOLDER_KINDS)[number]

/** What the beads lie in, as a conductance between beads and box air, L/h. Derived from bed depth and open area. */
export const HOLDERS: Readonly<Record<HolderKind, { name: string; conductanceLPerH: LitresPerHour }>> = {
  packet: { name: 'packet', conductanceLPerH: 7 },
  canister: { name: 'deep canister', conductanceLPerH: 3.5 },
  tray: { name: 'open tray', conductanceLPerH: 28 },
  basket: { name: 'meshed box', conductanceLPerH: 18 },
  // crystals on a grid under a lid of slots, over their brine: between a packet and a meshed box; from memory
  'crystal pack': { name: 'crystal pack', conductanceLPerH: 12 },
  // silica gel behind a few vents; from memory
  'plug-in unit': { name: 'plug-in unit', conductanceLPerH: 4 },
}
