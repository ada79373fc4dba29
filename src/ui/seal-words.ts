import { sealClassOf, type SealClass, type SealResult } from '#core/build/seal-test.ts'
import { inHundredths, inTenths, THIN } from './format.ts'

const AS: Readonly<Record<SealClass, string>> = {
  clips: 'as tight as clips and rubber',
  foam: 'as a foam strip',
  snap: 'as a snap lid',
  vented: 'hardly closed',
}
const litres = (lPerH: number): string => (lPerH >= 10 ? inTenths(lPerH) : inHundredths(lPerH))

/** "0.09 L/h (0.05–0.13)". */
export const sealRangeText = ({ lowLPerH, middleLPerH, highLPerH }: SealResult): string =>
  lowLPerH <= 0
    ? `at most ${litres(highLPerH)}${THIN}L/h`
    : `${litres(middleLPerH)}${THIN}L/h (${litres(lowLPerH)}–${litres(highLPerH)})`

/** What that is like, or that no more can be said. */
export const sealWords = (result: SealResult): string => {
  if (result.couldTell) return AS[sealClassOf(result.middleLPerH)]
  const most = sealClassOf(result.highLPerH)
  return result.lowLPerH <= 0
    ? `no worse than ${AS[most].replace(/^as (?:tight as )?/, '')}; this test could not tell more`
    : `between ${AS[sealClassOf(result.lowLPerH)].replace(/^as (?:tight as )?/, '')} and ${AS[most].replace(/^as (?:tight as )?/, '')}; this test could not tell more`
}
