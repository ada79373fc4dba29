import { Link } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import hand from '#ui/hand.module.css'

/** A spool that is not in this journal. */
export function NoSuchSpool() {
  const { base } = useJournalTools()
  return (
    <main className={hand.page} data-place="spool">
      <h1 className={hand.answer}>No such spool</h1>
      <p className={hand.behind}>
        It may have been taken back, or the address is from another journal.{' '}
        <Link to={`${base}/spools`}>To the spools</Link>
      </p>
    </main>
  )
}
