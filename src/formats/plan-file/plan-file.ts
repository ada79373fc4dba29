import * as v from 'valibot'
import { planInFile, type Plan } from '#records/kinds/plan.ts'

/** A plan in a file of its own: JSON, documented in docs/formats.md. */
export type PlanInFile = v.InferOutput<typeof planInFile>

const FORMAT = 'veld-plan'
const VERSION = 1
const MOST_BYTES = 1_000_000
const file = v.strictObject({ format: v.literal(FORMAT), version: v.literal(VERSION), plan: planInFile })

/** @param plan with no spool of the kit in it: a file is read where that kit is not */
export function writePlanFile(plan: PlanInFile): string {
  return `${JSON.stringify(v.parse(file, { format: FORMAT, version: VERSION, plan }), null, 2)}\n`
}

/** @throws Error that names what does not fit, and where */
export function readPlanFile(text: string): PlanInFile {
  if (text.length > MOST_BYTES) throw new Error('A plan is a small file; this one is over a megabyte.')
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch {
    throw new Error('This is no plan: it is not JSON. Save it anew from “Plan as a file”.')
  }
  const outer = v.safeParse(v.object({ format: v.string(), version: v.number() }), data)
  if (!outer.success || outer.output.format !== FORMAT)
    throw new Error('This is JSON, but no plan of a box: its format is not “veld-plan”.')
  if (outer.output.version > VERSION)
    throw new Error(`This plan is of a newer kind (${outer.output.version}): bring Veld up to date first.`)
  const read = v.safeParse(file, data)
  if (!read.success) {
    const [issue] = read.issues
    throw new Error(`In the plan, ${v.getDotPath(issue) ?? 'somewhere'} does not fit: ${issue.message}.`)
  }
  const { plan } = read.output
  if (plan.spools.some(wish => wish.of === 'own'))
    throw new Error('In the plan, a spool is named that only its own journal knows.')
  return plan
}

/** The parts of a plan a file carries. */
export const withoutIds = (plan: Plan): PlanInFile => v.parse(v.object(planInFile.entries), plan)
