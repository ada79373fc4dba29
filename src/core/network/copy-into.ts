/** Copies a short array: for a handful of nodes the built-in `set` costs more in its call than in its work. */
export function copyInto(out: Float64Array, from: Float64Array): void {
  for (let i = 0; i < from.length; i++) out[i] = from[i]!
}
