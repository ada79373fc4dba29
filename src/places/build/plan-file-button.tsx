import { writePlanFile, withoutIds } from '#formats/plan-file/plan-file.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanWish } from '#records/kinds/plan.ts'
import { download, fileWord } from '#ui/hand-over.ts'
import hand from '#ui/hand.module.css'

/** Spools of the kit as what they measure: whoever opens the file does not have them. */
const asSized = (spool: PlanSpool): PlanWish => ({
  of: 'sized',
  name: spool.name,
  material: spool.material,
  body: spool.cardboardG > 0 ? 'board' : 'plastic',
  rimDiameterMm: spool.rimDiameterMm,
  widthMm: spool.widthMm,
  boreMm: spool.boreMm,
  filamentG: spool.filamentG,
  emptyG: Math.max(1, spool.weightG - spool.filamentG),
  count: 1,
})

/** The plan as a file for somebody else, or for another device. */
export function PlanFileButton({
  plan,
  spools,
}: {
  readonly plan: PlanRecord
  readonly spools: readonly PlanSpool[]
}) {
  const take = () => {
    const own = new Map(
      spools.filter(spool => !spool.id.startsWith('class-')).map(spool => [spool.id, asSized(spool)]),
    )
    const spoolsInFile = plan.spools.flatMap((wish): PlanWish[] =>
      wish.of === 'own' ? (own.has(wish.spoolId) ? [own.get(wish.spoolId)!] : []) : [wish],
    )
    const text = writePlanFile({
      ...withoutIds(plan),
      spools: spoolsInFile,
      // where somebody put spools it names those of the kit: Veld arranges them anew
      arrangement: own.size > 0 ? null : plan.arrangement,
    })
    const name = fileWord(plan.name)
    download(new File([text], `${name}.veld-plan.json`, { type: 'application/json' }))
  }
  return (
    <button type="button" className={hand.worded} onClick={take}>
      Plan as a file
    </button>
  )
}
