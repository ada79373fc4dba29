import { TestEnvironment } from 'jest-environment-node'
import { holdPureGlobals } from './pure-globals.mjs'
import { loftsOfWorker } from './lofts-of-worker.mjs'
import './test-contexts.mjs'

export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    this.global.loftsOfWorker = loftsOfWorker
    holdPureGlobals(this.getVmContext())
  }
  /** Lent to `tests-together.mjs`. */
  handleTestEvent(event, state) {
    if (event.name === 'setup') this.global.stateOfCircus = state
  }
}
