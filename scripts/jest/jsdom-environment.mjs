import { Blob, File } from 'node:buffer'
import { TestEnvironment } from 'jest-environment-jsdom'
import { holdPureGlobals } from './pure-globals.mjs'
import { loftsOfWorker } from './lofts-of-worker.mjs'
import './test-contexts.mjs'

// jsdom lacks these; without structuredClone the fake IndexedDB fails and localForage falls back in silence.
export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    Object.assign(this.global, {
      structuredClone,
      Blob,
      File,
      TextEncoder,
      TextDecoder,
      Request,
      Response,
      Headers,
      AbortController,
      AbortSignal,
    })
    this.global.loftsOfWorker = loftsOfWorker
    holdPureGlobals(this.getVmContext())
  }
  /** Lent to `tests-together.mjs`. */
  handleTestEvent(event, state) {
    if (event.name === 'setup') this.global.stateOfCircus = state
  }
}
