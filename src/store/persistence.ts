/** Whether the browser has promised not to clear this site's data by itself; null where it can't say. */
export async function isPersistent(): Promise<boolean | null> {
  if (typeof navigator === 'undefined' || !('storage' in navigator)) return null
  // older browsers have the object without the method
  const storage: Partial<StorageManager> = navigator.storage
  return (await storage.persisted?.().catch(() => null)) ?? null
}

/** Asks for that promise, once it is worth asking; what the browser answers changes nothing else. */
export async function askToPersist(): Promise<boolean | null> {
  if (await isPersistent()) return true
  if (typeof navigator === 'undefined' || !('storage' in navigator)) return null
  const storage: Partial<StorageManager> = navigator.storage
  return (await storage.persist?.().catch(() => false)) ?? null
}
