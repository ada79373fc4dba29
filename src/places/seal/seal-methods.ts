import { FALL_FROM_PERCENT, RISE_FROM_PERCENT, type SealMethod } from '#core/build/seal-test.ts'
import { THIN } from '#ui/format.ts'

export const NAMES: Readonly<Record<SealMethod, string>> = {
  weighed: 'A tray weighed',
  rise: 'Dry air rising',
  fall: 'Damp air falling',
}
export const ADVERBS: Readonly<Record<SealMethod, string>> = {
  weighed: 'Weigh a tray of beads in it',
  rise: 'Dry it, and watch it rise',
  fall: 'Damp it, and watch it fall',
}
export const howTo = (method: SealMethod): string => {
  switch (method) {
    case 'weighed':
      return 'Spools and all other beads out. Fresh beads in a shallow tray, weighed, shut in; another tray like it, weighed, left in the open beside the box. Both are weighed again at the end.'
    case 'rise':
      return `Spools out. A day with fresh beads dries box and lid; then the beads come out, the display stays, and it is shut at ${RISE_FROM_PERCENT}${THIN}% or near it.`
    case 'fall':
      return `Spools and beads out. A damp sponge brings it to ${FALL_FROM_PERCENT}${THIN}% or near it; sponge out, every drop wiped off, and it is shut with the display.`
  }
}
const HOURS_A_DAY = 24
export const lengthWords = (hours: number): string =>
  hours < 48 ? `${hours} hours` : `${Math.round(hours / HOURS_A_DAY)} days`
