import { AsyncLocalStorage } from 'node:async_hooks'

/**
 * Jest runs each test in a context of its own (`AsyncLocalStorage`), one store a suite, and never lets go of it. Each promise made
 * afterwards asks all the stores there ever were: the fiftieth suite of a worker pays for forty-nine others, and none of what they
 * made is freed. Node asks for `disable()` before a store can be forgotten.
 */
const used = new Set()
const run = Object.getOwnPropertyDescriptor(AsyncLocalStorage.prototype, 'run')
Object.defineProperty(AsyncLocalStorage.prototype, 'run', {
  ...run,
  value(...given) {
    used.add(this)
    return run.value.apply(this, given)
  },
})

export function forgetTestContexts() {
  for (const store of used) store.disable()
  used.clear()
}
