import type { LabelDrawn } from '#draw/label-drawing.tsx'
import type { LabelFacts } from '#session/label-facts.ts'
import { dayMonthText, isoDay } from '#ui/dates.ts'
import { asTyped, THIN } from '#ui/format.ts'
import type { Measures } from '#ui/measures.ts'

/** A line each: more would be too small to read. */
const MOST_NAMED = 4

/** What a label says, line by line; what nobody told is left to be written by hand. */
export function labelWords(
  facts: LabelFacts,
  measures: Pick<Measures, 'weight'>,
  { zone, addressOf }: { readonly zone: string; readonly addressOf: (facts: LabelFacts) => string },
): LabelDrawn {
  const { weight } = measures
  const address = addressOf(facts)
  if (facts.of === 'box')
    return {
      name: facts.name,
      second:
        facts.targetRhPercent === null ? 'no target' : `below ${asTyped(facts.targetRhPercent)}${THIN}% RH`,
      lines: [
        `${weight.text(facts.beadsG)} of beads`,
        ...(facts.spools.length > MOST_NAMED
          ? [...facts.spools.slice(0, MOST_NAMED - 1), `and ${facts.spools.length - MOST_NAMED + 1} more`]
          : facts.spools),
      ],
      hatch: null,
      address,
    }
  const day = (ms: number | null) =>
    ms === null ? '________' : `${dayMonthText(ms, zone)} ${isoDay(ms, zone).slice(0, 4)}`
  return {
    name: facts.name,
    second: [facts.material, facts.maker].filter(part => part !== null).join(', '),
    lines: [
      facts.isSealed ? 'sealed' : `opened ${day(facts.openedMs)}`,
      `dried ${day(facts.driedMs)}`,
      `gross ${weight.text(facts.grossG)}`,
      `empty ${weight.text(facts.emptyG)}`,
      ...(facts.preset === null ? [] : [`preset ${facts.preset}`]),
    ],
    hatch: { material: facts.material, colour: facts.colour },
    address,
  }
}
