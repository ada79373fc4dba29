import type { DrillFacts, Hole } from '#core/build/holes.ts'
import { wallTemplate, type Sheet } from '#core/build/template.ts'
import { WALL_NAMES } from '#core/build/wall-place.ts'
import type { Measures } from '#ui/measures.ts'

/** The 1:1 templates of a plan, wall by wall. */
export const templatesOf = (facts: DrillFacts, holes: readonly Hole[], { mark }: Measures): Sheet[] =>
  WALL_NAMES.flatMap(wall => {
    const sheet = wallTemplate(
      facts.inside,
      facts.wallThicknessMm,
      wall,
      holes,
      hole => `${hole.id}  drill ${mark.field(hole.drillMm)} ${mark.unit}`,
    )
    return sheet ? [sheet] : []
  })
