const BYTES = 1 << 16
const BYTES_PER_NUMBER = 8

/**
 * Arrays a run works in and nobody sees afterwards, cut from one stretch of memory that the next run is given again: a run wants
 * some fifty small ones, and thousands of runs would have the collector do little else.
 */
export class Scratch {
  private readonly memory = new ArrayBuffer(BYTES)
  private usedBytes = 0

  /** Zeros. */
  floats(length: number): Float64Array {
    const at = this.take(length)
    return at < 0 ? new Float64Array(length) : new Float64Array(this.memory, at, length)
  }

  /** Zeros. */
  integers(length: number): Int32Array {
    const at = this.take(length)
    return at < 0 ? new Int32Array(length) : new Int32Array(this.memory, at, length)
  }

  /** Where so many numbers have their place; −1 where there is none left. */
  private take(length: number): number {
    const at = this.usedBytes
    const end = at + length * BYTES_PER_NUMBER
    if (end > BYTES) return -1
    this.usedBytes = end
    return at
  }

  clear(): void {
    new Float64Array(this.memory, 0, this.usedBytes / BYTES_PER_NUMBER).fill(0)
    this.usedBytes = 0
  }
}

const free: Scratch[] = []

/** Lends scratch for as long as the work takes; its arrays must not outlive it. */
export function withScratch<Result>(work: (scratch: Scratch) => Result): Result {
  const scratch = free.pop() ?? new Scratch()
  try {
    return work(scratch)
  } finally {
    scratch.clear()
    free.push(scratch)
  }
}
