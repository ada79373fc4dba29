import { SALTS, saltRhPercent } from '#core/air/salts.ts'
import { CHECK_AIR_LIST } from '#records/picklists.ts'
import { THIN } from '#ui/format.ts'
import { type Air } from './check-form.ts'

export const airName = (air: Air): string => (air === 'bag' ? 'one bag' : `over ${SALTS[air].name}`)
export const AIRS = CHECK_AIR_LIST.map(air => ({
  value: air,
  label:
    air === 'bag'
      ? 'One bag, all together'
      : `Over ${SALTS[air].name}, ${SALTS[air].formula}: ${Math.round(saltRhPercent(air, 20)!)}${THIN}%`,
}))
