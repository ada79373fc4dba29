import { vapourDensityOfRhGPerM3 } from '#core/air/vapour.ts'
import { profileAt, type MonthlyProfile } from '#core/room/climate.ts'
import { secondsFromMs } from '#units/time.ts'
import css from './grass.module.css'

const DAY_MS = 86_400_000
const PX_PER_G = 3.5
const BLADE_STEP = 2.6

/** One blade every few pixels, as high as the room's vapour; leans by a fixed pattern. */
export function Grass({
  profile,
  x,
  baseline,
  nowMs,
  fromX,
  toX,
}: {
  readonly profile: MonthlyProfile
  readonly x: (ms: number) => number
  readonly baseline: number
  readonly nowMs: number
  readonly fromX: number
  readonly toX: number
}) {
  const perPx = DAY_MS / (x(nowMs + DAY_MS) - x(nowMs))
  const density = (ms: number) => vapourDensityOfRhGPerM3(profileAt(profile, secondsFromMs(ms)))
  const blades: string[] = []
  for (let px = fromX, i = 0; px < toX; px += BLADE_STEP, i++) {
    const turn = Math.sin(i * 12.9898) * 43_758.5453
    const chance = turn - Math.floor(turn)
    const height = density(nowMs + (px - x(nowMs)) * perPx) * PX_PER_G * (0.9 + 0.2 * chance)
    blades.push(`M${px.toFixed(1)} ${baseline}l${(5 * chance - 2.5).toFixed(1)} ${(-height).toFixed(1)}`)
  }
  return <path d={blades.join('')} className={css.grass} data-part="grass" />
}
