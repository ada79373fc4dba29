import { Link } from 'react-router'
import type { SessionAt } from '#session/heating.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { DryWeight } from './dry-weight.tsx'
import { TakeBack } from './take-back.tsx'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './heating.module.css'

/** What it came to: each charge, what came out of it, and where it is. */
export function SessionEnd({ at }: { readonly at: SessionAt }) {
  const { base } = useJournalTools()
  const { weight, water } = useMeasures()
  const rows = at.charges.map(one => {
    const outMs = at.batches[one.batch]!.outMs
    const after =
      outMs === null
        ? undefined
        : one.charge.weighings.find(
            item => item.atMs >= outMs && item.atMs <= (at.session.ended?.atMs ?? outMs),
          )
    const outG = one.inGrossG !== null && after ? one.inGrossG - after.grossG : null
    return { ...one, after, outG: outG !== null && outG > 0 ? outG : null }
  })
  const totalG = rows.reduce((sum, row) => sum + (row.outG ?? 0), 0)
  return (
    <main className={`${hand.page} ${css.session}`} data-place="heating" data-step="ended">
      <h1 className={hand.answer}>
        {at.session.ended?.how === 'done' ? 'The session is done' : 'The session was stopped'}
        {totalG > 0 && `: ${water.text(totalG)} of water came out`}.
      </h1>
      <table className={ruled.table}>
        <tbody>
          {rows.map(({ charge, boxName, inGrossG, after, outG, state }) => (
            <tr key={charge.chargeId}>
              <th scope="row">{boxName ?? charge.name}</th>
              <td>
                {inGrossG === null || !after
                  ? 'not weighed'
                  : `${weight.bare(inGrossG)} to ${weight.text(after.grossG)}`}
              </td>
              <td>{outG === null ? '' : `${water.text(outG)} out`}</td>
              <td>
                <DryWeight charge={charge} grossG={after?.grossG ?? null} tareG={after?.tareG ?? 0} at={at} />
              </td>
              <td>{state === 'back' ? 'back' : state === 'waiting' ? 'was not heated' : 'not back yet'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className={css.foot}>
        <Link to={`${base}/renew`}>To what wants heat</Link>
        <TakeBack at={at} />
      </div>
    </main>
  )
}
