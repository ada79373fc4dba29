import { BEAD_COLOURS, type Indicator } from '#records/kinds/charge.ts'
import type { BeadColour } from '#core/evidence/colour.ts'
import css from './round.module.css'

/** What each colour is filled with, by paper and by night alike: beads are what they are. */
const FILLS: Readonly<Record<BeadColour, readonly [string, string]>> = {
  orange: ['#E0872A', '#E0872A'],
  amber: ['#E0872A', '#9C7A22'],
  olive: ['#6F7A34', '#6F7A34'],
  'near black': ['#2E3A2C', '#2E3A2C'],
  blue: ['#3D62B4', '#3D62B4'],
  violet: ['#3D62B4', '#9C6AA6'],
  pink: ['#DB9AA8', '#DB9AA8'],
}
const PLACES = [
  [9, 18],
  [20, 18],
  [31, 18],
  [14.5, 8.5],
  [25.5, 8.5],
] as const

export const coloursFor = (indicator: Indicator): readonly BeadColour[] =>
  indicator === 'none'
    ? []
    : indicator === 'unknown'
      ? [...BEAD_COLOURS.orange, ...BEAD_COLOURS.blue]
      : BEAD_COLOURS[indicator]

/** How the beads look, from the driest on; and that they can't be seen. */
export function BeadColours({
  indicator,
  chosen,
  onChoose,
}: {
  readonly indicator: Indicator
  readonly chosen: BeadColour | null
  readonly onChoose: (colour: BeadColour | null) => void
}) {
  return (
    <div className={css.beadColours} role="radiogroup" aria-label="How the beads look">
      {[...coloursFor(indicator), null].map(colour => (
        <button
          key={colour ?? 'none'}
          type="button"
          role="radio"
          aria-checked={chosen === colour}
          className={chosen === colour ? `${css.choice} ${css.chosen}` : css.choice}
          onClick={() => onChoose(colour)}
        >
          <svg width="40" height="26" aria-hidden="true">
            {PLACES.map(([cx, cy], i) => (
              <circle
                key={cx}
                cx={cx}
                cy={cy}
                r="5.2"
                className={colour === null ? css.beadUnseen : css.beadSeen}
                style={colour === null ? {} : { fill: FILLS[colour][i % 2]! }}
              />
            ))}
          </svg>
          <span>{colour ?? 'can’t see'}</span>
        </button>
      ))}
    </div>
  )
}
