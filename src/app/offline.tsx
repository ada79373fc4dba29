import { useEffect, useState } from 'react'
import { registerSW } from 'virtual:pwa-register'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

/** A newer Veld waits to be asked for; or it was asked for in another tab, and this page goes on with the older one. */
type Newer = 'waits' | 'taken elsewhere'
let listener: ((newer: Newer) => void) | undefined
let newer: Newer | null = null
let isAsked = false
let takeIt = (): Promise<void> => Promise.resolve()

/**
 * Keeps the app itself for use without a network. A newer one is fetched beside it and waits until it is asked for.
 * Where a browser has no service workers the app works all the same, as long as it is reached.
 */
export function keepOffline(): void {
  const say = (what: Newer) => {
    newer = what
    listener?.(what)
  }
  takeIt = registerSW({
    onNeedRefresh: () => say('waits'),
    // every tab has the newer one from then on; only the one that asked may lose what is typed
    onNeedReload: () => (isAsked ? window.location.reload() : say('taken elsewhere')),
  })
}

/** A newer Veld is ready: said once, at the foot of the page, taken when it suits. */
export function UpdateOffer() {
  const [shown, setShown] = useState<Newer | null>(newer)
  useEffect(() => {
    listener = setShown
    return () => {
      listener = undefined
    }
  }, [])
  if (!shown) return null
  const take = () => {
    if (shown === 'taken elsewhere') return window.location.reload()
    isAsked = true
    void takeIt()
  }
  return (
    <p className={css.lastLine} data-part="update-offer" role="status">
      {shown === 'waits'
        ? 'A newer Veld is ready. '
        : 'A newer Veld was taken in another tab: reload this page when it suits. '}
      <button type="button" className={hand.worded} onClick={take}>
        {shown === 'waits' ? 'Take it' : 'Reload'}
      </button>{' '}
      <button type="button" className={hand.worded} onClick={() => setShown(null)}>
        Later
      </button>
    </p>
  )
}
