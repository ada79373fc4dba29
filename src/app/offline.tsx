import { useEffect, useState } from 'react'
import { registerSW } from 'virtual:pwa-register'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

type Update = (reload?: boolean) => Promise<void>
let listener: ((update: Update) => void) | undefined
let waiting: Update | undefined

/**
 * Keeps the app itself for use without a network. A newer one is fetched beside it and waits until it is asked for.
 * Where a browser has no service workers the app works all the same, as long as it is reached.
 */
export function keepOffline(): void {
  const update = registerSW({
    onNeedRefresh: () => {
      waiting = update
      listener?.(update)
    },
  })
}

/** A newer Veld is ready: said once, at the foot of the page, taken when it suits. */
export function UpdateOffer() {
  const [update, setUpdate] = useState<{ readonly take: Update } | null>(waiting ? { take: waiting } : null)
  useEffect(() => {
    listener = take => setUpdate({ take })
    return () => {
      listener = undefined
    }
  }, [])
  if (!update) return null
  return (
    <p className={css.updateOffer} data-part="update-offer" role="status">
      A newer Veld is ready.{' '}
      <button type="button" className={hand.worded} onClick={() => void update.take(true)}>
        Take it
      </button>{' '}
      <button type="button" className={hand.worded} onClick={() => setUpdate(null)}>
        Later
      </button>
    </p>
  )
}
