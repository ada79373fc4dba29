import type { Browser } from 'puppeteer-core'

export interface StartedStage {
  readonly browser: Browser
  readonly address: string
  readonly close: () => Promise<void>
  readonly unref: () => void
}
export function startStage(more?: readonly string[]): Promise<StartedStage>
