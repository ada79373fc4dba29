import { runInContext } from 'node:vm'

/**
 * Jest runs a test in a context of its own, where every look at a global asks an interceptor: `Math.exp` there costs
 * what ten of them do elsewhere, and a long computation takes three to four times its time. A constant of the same name
 * is found first and asks nobody. Only what no test replaces: neither the clock nor what a browser brings.
 */
const NAMES = [
  'Array',
  'ArrayBuffer',
  'BigInt',
  'Boolean',
  'DataView',
  'Error',
  'Float32Array',
  'Float64Array',
  'Int32Array',
  'JSON',
  'Map',
  'Math',
  'Number',
  'Object',
  'Proxy',
  'RangeError',
  'Reflect',
  'RegExp',
  'Set',
  'String',
  'Symbol',
  'TypeError',
  'Uint16Array',
  'Uint32Array',
  'Uint8Array',
  'WeakMap',
  'WeakSet',
  'isFinite',
  'isNaN',
  'parseFloat',
  'parseInt',
]

export function holdPureGlobals(context) {
  runInContext(NAMES.map(name => `const ${name} = globalThis.${name}`).join('\n'), context)
}
