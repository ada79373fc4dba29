/** A sealed unit that is plugged in to be renewed: silica gel behind a few vents; typical, from memory. */
export const PLUG_IN_UNIT = {
  dryMassG: 240,
  heatsToC: 90,
  renewHours: [8, 24],
  provenance: 'memory',
} as const
