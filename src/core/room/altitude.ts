import type { Pascal } from '#units/quantity.ts'
import { STANDARD_PRESSURE_PA } from '../air/vapour.ts'

/**
 * Mean pressure of the air at an altitude. @param altitudeM −500…5000
 * Source: ICAO standard atmosphere, ISO 2533 (from memory).
 */
export const pressureAtAltitudePa = (altitudeM: number): Pascal =>
  STANDARD_PRESSURE_PA * (1 - 2.25577e-5 * altitudeM) ** 5.25588
