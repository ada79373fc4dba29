import type { ReactElement } from 'react'
import { flushSync } from 'react-dom'
import { createRoot } from 'react-dom/client'

/** A drawing as the text of a file of its own. */
export function svgText(drawing: ReactElement): string {
  const holder = document.createElement('div')
  const root = createRoot(holder)
  flushSync(() => root.render(drawing))
  const svg = holder.querySelector('svg')!
  const text = new XMLSerializer().serializeToString(svg)
  root.unmount()
  return `<?xml version="1.0" encoding="UTF-8"?>\n${text}\n`
}
