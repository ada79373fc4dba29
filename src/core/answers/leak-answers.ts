import { input, type Answer } from '../answer.ts'
import {
  displayConstants,
  driveGPerL,
  trayLPerH,
  type SealResult,
  type SealSetting,
} from '../build/seal-test.ts'
import { answer } from './answers.ts'

const rangeNote = ({ lowLPerH, highLPerH }: SealResult): string =>
  `From ${lowLPerH.toFixed(3)} to ${highLPerH.toFixed(3)} L/h with what scale, room and walls leave open, 10–90 %.`

/** The leak a weighed tray found. */
export const weighedLeakAnswer = (
  setting: SealSetting,
  result: SealResult,
  gainG: number,
  hours: number,
): Answer =>
  answer(
    'leak of the lid',
    result.middleLPerH,
    'L/h',
    'measured',
    'leak-weighed',
    [
      input(
        'Δc',
        'vapour of the room less that over the beads',
        driveGPerL(setting) * 1000,
        'g/m³',
        'computed',
      ),
      input('t', 'time', hours, 'h', 'measured'),
      input('m', 'what the tray gained', gainG, 'g', 'measured'),
      input('H', 'what an open tray passes', trayLPerH, 'L/h', 'assumed'),
      input('w', 'through the walls', setting.wallLPerH, 'L/h', 'assumed'),
    ],
    rangeNote(result),
  )

/** The leak a display found. */
export const shownLeakAnswer = (
  setting: SealSetting,
  result: SealResult,
  seen: {
    readonly startPercent: number
    readonly endPercent: number
    readonly roomPercent: number
    readonly hours: number
  },
): Answer =>
  answer(
    'leak of the lid',
    result.middleLPerH,
    'L/h',
    'measured',
    'leak-shown',
    [
      input('V', 'air in it', setting.freeAirL, 'L', 'computed'),
      input(
        'b',
        'as many times more, for what plastic holds',
        displayConstants(setting).holds,
        '',
        'assumed',
      ),
      input('R', 'the room', seen.roomPercent, '%', 'measured'),
      input('a', 'display at the start', seen.startPercent, '%', 'measured'),
      input('e', 'display at the end', displayConstants(setting).endOf(seen), '%', 'measured'),
      input('t', 'time', seen.hours, 'h', 'measured'),
      input('w', 'through the walls', setting.wallLPerH, 'L/h', 'assumed'),
    ],
    rangeNote(result),
  )
