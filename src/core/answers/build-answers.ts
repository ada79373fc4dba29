import type { Answer } from '../answer.ts'
import { input } from '../answer.ts'
import {
  hangMm,
  type Arrangement,
  type Asked,
  type PlannedSpool,
  type Support,
} from '../build/arrangement.ts'
import type { CandidateReport, Wish } from '../build/candidate.ts'
import { mgPerDay, USUAL_OPEN_S, type WayIn } from '../build/candidate.ts'
import { standingSpools, type Clearance } from '../build/clearances.ts'
import { facesOf, type Inside } from '../build/inside.ts'
import { vapourDensityOfRhGPerM3 } from '../air/vapour.ts'
import { openingShare } from '../container/opening.ts'
import { answer, totalAnswer } from './answers.ts'

/** How many stand, and where. */
export function takesAnswer({ found }: CandidateReport, spools: readonly PlannedSpool[]): Answer | null {
  if (!found) return null
  const name = (id: string) => spools.find(spool => spool.id === id)?.name ?? id
  const standing = found.arrangement.lines.flatMap(line => line.spools)
  return answer(
    'spools that go in',
    found.count,
    '',
    'computed',
    'placed',
    standing.map(({ id, alongMm }, i) =>
      input(`s${i + 1}`, `${name(id)}, its middle`, alongMm, 'mm', 'computed'),
    ),
    found.proven
      ? 'Every order, row and choice was tried for these ways of standing: no more go in.'
      : 'They were put in one after another, the narrowest first; a better order is not ruled out.',
  )
}

/** Room at the tightest place, worked out from where the bodies stand. */
export function roomAnswer(
  clearance: Clearance,
  { arrangement }: { readonly arrangement: Arrangement },
  spools: readonly PlannedSpool[],
  asked: Asked,
): Answer | null {
  const standing = standingSpools(arrangement, spools, asked)
  const own = standing.find(({ spool }) => spool.id === clearance.spoolId)
  if (!own) return null
  const { disc } = own
  const { to } = clearance
  if (to.what === 'face') {
    const face = facesOf(asked.inside)
      .filter(one => one.name === to.face)
      .map(one => ({
        one,
        h: one.normal.reduce((sum, part, i) => sum + part * disc.centre[i]!, 0),
        n: Math.abs(one.normal[disc.axis]),
      }))
      .sort((a, b) => a.one.distanceMm - a.h - (b.one.distanceMm - b.h))[0]!
    return answer(`room to the ${to.face}`, clearance.isMm, 'mm', 'computed', 'room-to-face', [
      input(
        'd',
        `of the ${to.face} from the middle of the floor, square to it`,
        face.one.distanceMm,
        'mm',
        'computed',
      ),
      input('h', 'of the spool’s middle, the same way', face.h, 'mm', 'computed'),
      input('n', 'how far the spool’s axis points at it', face.n, '', 'computed'),
      input('w', 'width over the flanges', disc.widthMm, 'mm', 'told'),
      input('R', 'radius of its rim', disc.radiusMm, 'mm', 'told'),
    ])
  }
  if (to.what === 'spool') {
    const other = standing.find(({ spool }) => spool.id === to.id)
    if (!other) return null
    const [a, b] = [disc.centre[disc.axis], other.disc.centre[disc.axis]]
    const beside = Math.abs(a - b) - (disc.widthMm + other.disc.widthMm) / 2
    if (Math.abs(beside - clearance.isMm) < 1e-6)
      return answer(`room to ${other.spool.name}`, clearance.isMm, 'mm', 'computed', 'room-beside', [
        input('a', 'its middle along the line', a, 'mm', 'computed'),
        input('b', 'the other’s', b, 'mm', 'computed'),
        input('w1', 'its width', disc.widthMm, 'mm', 'told'),
        input('w2', 'the other’s', other.disc.widthMm, 'mm', 'told'),
      ])
    const [i, j] = disc.axis === 0 ? [1, 2] : disc.axis === 1 ? [0, 2] : [0, 1]
    return answer(`room to ${other.spool.name}`, clearance.isMm, 'mm', 'computed', 'room-past', [
      input('x', 'between their middles, one way', disc.centre[i]! - other.disc.centre[i]!, 'mm', 'computed'),
      input('y', 'and across it', disc.centre[j]! - other.disc.centre[j]!, 'mm', 'computed'),
      input('R1', 'radius of its rim', disc.radiusMm, 'mm', 'told'),
      input('R2', 'the other’s', other.disc.radiusMm, 'mm', 'told'),
    ])
  }
  return answer(`room to the ${to.name}`, clearance.isMm, 'mm', 'computed', 'difference', [
    input('a', `from its middle to the ${to.name}`, clearance.isMm + disc.radiusMm, 'mm', 'computed'),
    input('b', 'radius of its rim', disc.radiusMm, 'mm', 'told'),
  ])
}

/** What it holds to the lid, from its lengths at rim and base. */
export const insideAnswer = (inside: Inside, litres: number): Answer =>
  answer('inside, to the lid', litres, 'L', 'computed', 'prismatoid', [
    input('L1', 'length at the rim', inside.rimMm[0], 'mm', 'told'),
    input('D1', 'depth at the rim', inside.rimMm[1], 'mm', 'told'),
    input('L2', 'length at the base', inside.baseMm[0], 'mm', 'told'),
    input('D2', 'depth at the base', inside.baseMm[1], 'mm', 'told'),
    input('H', 'height', inside.heightMm, 'mm', 'told'),
    input('f', 'of a round one: π/4; else 1', inside.section === 'round' ? Math.PI / 4 : 1, '', 'computed'),
  ])

/** Water a day by one way, mg, with the range of its conductance. */
export function wayAnswer(way: WayIn, report: CandidateReport, wish: Wish): Answer {
  const room = vapourDensityOfRhGPerM3(wish.room)
  const range = [way.lowLPerH, way.highLPerH].map(g => mgPerDay(g, report.driveGPerM3).toFixed(1))
  return answer(
    `water by the ${way.by}`,
    mgPerDay(way.usualLPerH, report.driveGPerM3),
    'mg/day',
    'assumed',
    'stream',
    [
      input('G', 'conductance usual for it', way.usualLPerH, 'L/h', 'assumed'),
      input('c_from', 'vapour in the room’s air', room, 'g/m³', 'computed'),
      input('c_to', 'vapour in air at the target', room - report.driveGPerM3, 'g/m³', 'computed'),
    ],
    `From ${range[0]} to ${range[1]} mg a day among boxes of its kind; a seal test tells yours.`,
  )
}
export const waysAnswer = (report: CandidateReport): Answer =>
  totalAnswer(
    'water in',
    'mg/day',
    report.ways.map(way => [way.by, mgPerDay(way.usualLPerH, report.driveGPerM3)]),
  )

/** Water that comes in by a month of openings, g. */
export const openingsAnswer = (report: CandidateReport, wish: Wish): Answer =>
  answer('water by a month of openings', report.openingsGPerMonth, 'g', 'computed', 'openings-month', [
    input('n', 'openings a month', wish.openingsPerMonth, '', 'told'),
    input(
      's',
      `share of its air one of ${USUAL_OPEN_S} s exchanges`,
      openingShare(USUAL_OPEN_S),
      '',
      'assumed',
    ),
    input('V', 'free air', report.freeAirL, 'L', 'computed'),
    input('Δc', 'vapour of the room less that at the target', report.driveGPerM3, 'g/m³', 'computed'),
  ])

/** Something shared out among the spools in it. */
export const eachAnswer = (
  quantity: string,
  unit: string,
  [name, value]: readonly [string, number],
  count: number,
): Answer =>
  answer(quantity, value / count, unit, 'computed', 'ratio', [
    input('a', name, value, unit, 'told'),
    input('b', 'spools in it', count, '', 'computed'),
  ])

/** How far a spool's middle hangs below its rod's. */
export const hangAnswer = (spool: PlannedSpool, support: Support): Answer =>
  answer('hangs below the rod', hangMm(spool, support), 'mm', 'computed', 'hang', [
    input('b', 'bore', spool.boreMm, 'mm', 'told'),
    input('r', 'rod', support.rodDiameterMm, 'mm', 'told'),
  ])

/** Length that is missing for one more. */
export const oneMoreAnswer = (lengthMm: number): Answer =>
  answer('length missing for one more', lengthMm, 'mm', 'computed', 'tried', [
    input('x', 'more length with which one more goes in', lengthMm, 'mm', 'computed'),
  ])

/** Water that comes into so many boxes a day. */
export const allBoxesAnswer = (count: number, mgADay: number): Answer =>
  answer('water in, all boxes', count * mgADay, 'mg/day', 'computed', 'times-each', [
    input('n', 'boxes that take every spool', count, '', 'computed'),
    input('m', 'water into one', mgADay, 'mg/day', 'computed'),
  ])
