/** Whether this browser can keep two tabs from doing one thing at once. */
export const hasLocks = (): boolean => typeof navigator !== 'undefined' && 'locks' in navigator

/**
 * Does something that takes more than one write while no other tab does the same. Without locks it is simply done:
 * every write on its own is whole, so the worst is work done twice.
 */
export const withLock = async <T>(name: string, work: () => Promise<T>): Promise<T> =>
  hasLocks() ? navigator.locks.request(`veld ${name}`, work) : work()
