import { useEffect, useRef } from 'react'

/** Rings once when a time comes, while the page is open; on a page that was away, when it is looked at again. */
export function useBell(dueMs: number | null, nowMs: number, words: string): void {
  const rung = useRef<number | null>(null)
  useEffect(() => {
    if (dueMs === null || nowMs < dueMs || rung.current === dueMs) return
    // a page opened long after has nothing to ring for
    const isLate = rung.current === null && nowMs - dueMs > LATE_MS
    rung.current = dueMs
    if (isLate) return
    ring()
    void notify(words)
  }, [dueMs, nowMs, words])
}
const LATE_MS = 60_000

/** Asks for word outside the page; only on a press, and only once. */
export async function askToNotify(): Promise<void> {
  if ('Notification' in window && Notification.permission === 'default')
    await Notification.requestPermission()
}

/** Word outside the page, where it was allowed; through the worker that keeps the app, since phones know no other way. */
async function notify(words: string): Promise<void> {
  if (!('Notification' in window) || Notification.permission !== 'granted') return
  const worker = await navigator.serviceWorker?.getRegistration()
  await worker?.showNotification(words)
}

/** Three short tones and, where there is one, the phone's buzz; a browser that allows no sound stays silent. */
function ring(): void {
  try {
    navigator.vibrate?.([200, 100, 200])
    const context = new AudioContext()
    for (let i = 0; i < 3; i++) {
      const tone = context.createOscillator()
      const loud = context.createGain()
      tone.frequency.value = 880
      loud.gain.value = 0.2
      tone.connect(loud).connect(context.destination)
      tone.start(context.currentTime + i * 0.4)
      tone.stop(context.currentTime + i * 0.4 + 0.22)
    }
  } catch {
    // no sound here: the page and its title say it
  }
}
