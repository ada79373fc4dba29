import * as v from 'valibot'

/** Tells the other tabs of this browser, and hears them. Without BroadcastChannel it is silent: they look again later. */
export interface Announcer {
  readonly tell: (id: string | null) => void
  readonly listen: (listener: (id: string | null) => void) => () => void
}

const message = v.strictObject({ wrote: v.nullable(v.string()) })

export function announcer(name: string): Announcer {
  if (!canAnnounce()) return { tell: () => {}, listen: () => () => {} }
  let channel: BroadcastChannel | undefined
  // opened at the first use, so that reading a journal once leaves nothing open
  const open = () => (channel ??= new BroadcastChannel(name))
  return {
    tell: id => open().postMessage({ wrote: id }),
    listen: listener => {
      const hear = (event: MessageEvent) => {
        const read = v.safeParse(message, event.data)
        if (read.success) listener(read.output.wrote)
      }
      open().addEventListener('message', hear)
      return () => open().removeEventListener('message', hear)
    },
  }
}

export const canAnnounce = (): boolean => typeof BroadcastChannel === 'function'
