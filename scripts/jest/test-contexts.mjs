import { AsyncLocalStorage } from 'node:async_hooks'

/**
 * Jest runs each test and each hook in a context of its own (`AsyncLocalStorage`), one store a suite. Node carries such a store from
 * promise to promise, and asks at each one made: a render makes thousands. Tests here never run side by side in one suite, so what
 * runs now is simply what was begun last and has not ended: it is written down at its beginning and put back at its end.
 */
const running = new WeakMap()

const run = function (store, callback, ...given) {
  const before = running.get(this)
  const end = () => running.set(this, before)
  running.set(this, store)
  let done
  try {
    done = callback(...given)
  } catch (reason) {
    end()
    throw reason
  }
  if (typeof done?.finally === 'function') return done.finally(end)
  end()
  return done
}
const getStore = function () {
  return running.get(this)
}
for (const [name, value] of Object.entries({ run, getStore }))
  Object.defineProperty(AsyncLocalStorage.prototype, name, {
    ...Object.getOwnPropertyDescriptor(AsyncLocalStorage.prototype, name),
    value,
  })
