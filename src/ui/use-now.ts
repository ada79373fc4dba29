import { useEffect, useState } from 'react'
import { useJournalTools } from '#session/journal-context.tsx'

/** The time, looked at again and again; a screen that was away catches up at once. */
export function useNow(everyMs: number): number {
  const { maker } = useJournalTools()
  const [nowMs, setNow] = useState(() => maker.nowMs())
  useEffect(() => {
    const look = () => setNow(maker.nowMs())
    const timer = setInterval(look, everyMs)
    document.addEventListener('visibilitychange', look)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', look)
    }
  }, [maker, everyMs])
  return nowMs
}
