import { TestEnvironment } from 'jest-environment-node'
import { holdPureGlobals } from './pure-globals.mjs'
import { forgetTestContexts } from './test-contexts.mjs'

export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    holdPureGlobals(this.getVmContext())
  }
  async teardown() {
    forgetTestContexts()
    await super.teardown()
  }
}
