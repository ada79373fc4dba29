import type { School } from '#core/spool/dry-these.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { useJournal } from '#session/journal-query.ts'
import { schoolOf } from '#session/spools/school-of.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

/** What was picked goes for this look only, until it is kept: for this spool, or for all of its material. */
export function KeepSchool({ spool, school }: { readonly spool: SpoolRecord; readonly school: School }) {
  const { state } = useJournal()
  const write = useWriteAct()
  const { spoolId, material } = spool
  if (schoolOf(state, spool) === school) return null
  const keep = (forSpool: boolean) =>
    write.mutate({
      what: `${forSpool ? spool.name : material}: how hot to dry`,
      drafts: [
        { kind: 'school.kept', payload: { material, spoolId: forSpool ? spoolId : null, school } },
        // what was kept for this one would stand before what is kept for all
        ...(!forSpool && state.schools.has(spoolId)
          ? [{ kind: 'school.kept' as const, payload: { material, spoolId, school: null } }]
          : []),
      ],
    })
  return (
    <p className={css.keepSchool}>
      Keep it so:{' '}
      <button type="button" className={hand.worded} disabled={write.isPending} onClick={() => keep(true)}>
        for this spool
      </button>
      <button type="button" className={hand.worded} disabled={write.isPending} onClick={() => keep(false)}>
        for all {material}
      </button>
      {write.error && <Refused error={write.error} remedy="press it again" />}
    </p>
  )
}
