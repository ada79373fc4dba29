import { startStage } from '../../e2e/start-stage.mjs'
import TestEnvironment from './node-environment.mjs'

/** One browser and one server for all suites of this worker: each suite has storages of its own, and none waits for a start. */
let started
const stageOfWorker = () =>
  (started ??= startStage().then(stage => {
    stage.unref()
    return stage
  }))

export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    this.global.stageOfWorker = stageOfWorker
  }
}
