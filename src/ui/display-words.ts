import type { DisplayError } from '#core/reading/display-check.ts'
import { inWhole, THIN } from './format.ts'

/** How far a display is off, as people say it. */
export function offWords({ offsetRh }: Pick<DisplayError, 'offsetRh'>): string {
  const whole = Math.round(offsetRh)
  if (whole === 0) return 'shows true'
  return whole > 0 ? `shows ${inWhole(whole)} high` : `shows ${inWhole(-whole)} low`
}

/** What is still not known of it, as ± two standard deviations. */
export const leftWords = ({ sigmaRh }: Pick<DisplayError, 'sigmaRh'>): string =>
  `±${inWhole(Math.max(1, Math.round(2 * sigmaRh)))}${THIN}%`
