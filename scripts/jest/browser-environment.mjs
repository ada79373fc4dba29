import { startStage } from '../../e2e/start-stage.mjs'
import TestEnvironment from './node-environment.mjs'

/**
 * A test's page lives for seconds: compiling its code well, on the cores the tests wait for, takes longer than it gives back. What
 * runs often is still compiled, more plainly and later. Nothing is measured on this browser.
 */
const COMPILED_LATER = '--js-flags=--no-turbofan --invocation-count-for-maglev=1500'

/** One browser and one server for all suites of this worker: each suite has storages of its own, and none waits for a start. */
let started
const stageOfWorker = () =>
  (started ??= startStage([COMPILED_LATER]).then(stage => {
    stage.unref()
    return stage
  }))

export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    this.global.stageOfWorker = stageOfWorker
  }
}
