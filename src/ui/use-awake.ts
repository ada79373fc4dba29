import { useEffect, useState } from 'react'

/** Keeps the screen on while a page is open, where the browser allows it. @returns whether it does */
export function useAwake(): boolean {
  const [isAwake, setAwake] = useState(false)
  useEffect(() => {
    let lock: WakeLockSentinel | null = null
    let isOpen = true
    const hold = async () => {
      if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return
      try {
        lock = await navigator.wakeLock.request('screen')
        if (!isOpen) return void lock.release()
        setAwake(true)
        lock.addEventListener('release', () => setAwake(false))
      } catch {
        // low on power, or not allowed: the screen goes its usual way
        setAwake(false)
      }
    }
    // a screen that was away has let go of it
    const again = () => void hold()
    void hold()
    document.addEventListener('visibilitychange', again)
    return () => {
      isOpen = false
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [])
  return isAwake
}
