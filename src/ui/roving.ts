import { useCallback, useEffect, useRef, type KeyboardEvent } from 'react'

const STEP: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/**
 * One tab stop for a drawing full of things, arrows from one to the next; the one that was last chosen is where Tab
 * comes back to.
 * @param selector of what can be chosen
 */
export function useRoving(selector = '[data-roving]') {
  const holder = useRef<Item | null>(null)
  // what is drawn anew may bring stops of its own: after every drawing there is one again
  useEffect(() => {
    const all = itemsIn(holder.current, selector)
    point(all, all.find(item => item.tabIndex === 0 && item.dataset['stop'] === 'here') ?? all[0])
  })
  return {
    ref: useCallback((element: Item | null) => {
      holder.current = element
    }, []),
    onFocus: () => {
      const all = itemsIn(holder.current, selector)
      point(
        all,
        all.find(item => item === document.activeElement),
      )
    },
    onKeyDown: (event: KeyboardEvent) => {
      const all = itemsIn(holder.current, selector)
      const at = all.findIndex(item => item === document.activeElement)
      const next = at < 0 ? null : nextOf(event.key, at, all.length)
      if (next === null) return
      event.preventDefault()
      point(all, all[next])
      all[next]?.focus()
    },
  }
}

type Item = HTMLElement | SVGElement
const itemsIn = (holder: Item | null, selector: string): Item[] => [
  ...(holder?.querySelectorAll<Item>(selector) ?? []),
]
/** The one Tab comes back to. */
function point(all: readonly Item[], to: Item | undefined): void {
  if (!to) return
  for (const item of all) {
    item.tabIndex = item === to ? 0 : -1
    if (item === to) item.dataset['stop'] = 'here'
    else delete item.dataset['stop']
  }
}
function nextOf(key: string, at: number, count: number): number | null {
  if (key === 'Home') return 0
  if (key === 'End') return count - 1
  const step = STEP[key]
  return step === undefined ? null : Math.min(Math.max(at + step, 0), count - 1)
}
