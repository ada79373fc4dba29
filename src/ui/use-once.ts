import { useRef, useState } from 'react'

/** One press, one doing: a second press while the first is under way does nothing, however fast it comes. */
export function useOnce(doing: () => Promise<void>): { readonly isBusy: boolean; readonly once: () => void } {
  const under = useRef(false)
  const [isBusy, setBusy] = useState(false)
  const run = async () => {
    if (under.current) return
    under.current = true
    setBusy(true)
    try {
      await doing()
    } finally {
      under.current = false
      setBusy(false)
    }
  }
  return { isBusy, once: () => void run() }
}
