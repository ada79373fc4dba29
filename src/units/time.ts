import type { Seconds } from './quantity.ts'

const SECONDS_PER_HOUR = 3600
const SECONDS_PER_DAY = 86_400
const MS_PER_SECOND = 1000

export const secondsFromHours = (hours: number): Seconds => hours * SECONDS_PER_HOUR
export const hoursFromSeconds = (seconds: Seconds): number => seconds / SECONDS_PER_HOUR
export const secondsFromDays = (days: number): Seconds => days * SECONDS_PER_DAY
export const daysFromSeconds = (seconds: Seconds): number => seconds / SECONDS_PER_DAY
export const secondsFromMs = (ms: number): Seconds => ms / MS_PER_SECOND
export const msFromSeconds = (seconds: Seconds): number => seconds * MS_PER_SECOND
