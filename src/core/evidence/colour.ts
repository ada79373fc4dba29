import type { GramsPerGram } from '#units/quantity.ts'

/** Colours a person can tell apart, driest first: orange beads end nearly black, blue ones end pink. */
export type BeadColour = 'orange' | 'amber' | 'olive' | 'near black' | 'blue' | 'violet' | 'pink'

/** Loading a colour stands for, and how loosely: the change spans about 10–20 %; common practice. */
export const COLOUR_LOADING: Readonly<
  Record<BeadColour, { readonly loadingGPerG: GramsPerGram; readonly sigmaGPerG: GramsPerGram }>
> = {
  orange: { loadingGPerG: 0.05, sigmaGPerG: 0.04 },
  amber: { loadingGPerG: 0.12, sigmaGPerG: 0.035 },
  olive: { loadingGPerG: 0.17, sigmaGPerG: 0.04 },
  'near black': { loadingGPerG: 0.25, sigmaGPerG: 0.06 },
  blue: { loadingGPerG: 0.05, sigmaGPerG: 0.04 },
  violet: { loadingGPerG: 0.15, sigmaGPerG: 0.045 },
  pink: { loadingGPerG: 0.25, sigmaGPerG: 0.06 },
}
