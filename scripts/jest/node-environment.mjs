import { TestEnvironment } from 'jest-environment-node'
import { holdPureGlobals } from './pure-globals.mjs'
import './test-contexts.mjs'

export default class extends TestEnvironment {
  async setup() {
    await super.setup()
    holdPureGlobals(this.getVmContext())
  }
}
