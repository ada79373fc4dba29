import { openStorage } from './storage.ts'

const forage = openStorage('demo_day')
const KEY = 'day'

/** The day the demonstration was made for; null where it was not, or not to the end. */
export async function readDemoDay(): Promise<string | null> {
  const day: unknown = await forage.getItem(KEY)
  return typeof day === 'string' ? day : null
}

export async function writeDemoDay(day: string): Promise<void> {
  await forage.setItem(KEY, day)
}
