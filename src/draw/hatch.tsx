import type { MaterialId } from '#core/filament/material.ts'
import { hueOf } from './palette.ts'

/** Hatch says the material, colour says the filament. */
export const hatchId = (material: MaterialId, colour: string): string => `hatch-${material}-${colour}`

const PITCH = 4
const LINE = 1.35

export function HatchDefs({
  spools,
  dark,
}: {
  readonly spools: readonly { material: MaterialId; colour: string }[]
  readonly dark: boolean
}) {
  const wanted = new Map(spools.map(spool => [hatchId(spool.material, spool.colour), spool]))
  return (
    <defs>
      {[...wanted].map(([id, { material, colour }]) => {
        const hue = hueOf(colour, dark)
        return (
          <pattern
            key={id}
            id={id}
            width={PITCH}
            height={PITCH}
            patternUnits="userSpaceOnUse"
            patternTransform={`rotate(${ANGLE[material] ?? 45})`}
          >
            <rect width={PITCH} height={PITCH} fill={hue} opacity="0.26" />
            <HatchInk material={material} hue={hue} />
          </pattern>
        )
      })}
    </defs>
  )
}

/** Turn of the level lines, degrees. */
const ANGLE: Partial<Record<MaterialId, number>> = {
  PLA: 45,
  PETG: -45,
  PET: -45,
  'PET-CF': -45,
  ABS: 90,
  ASA: 90,
  HIPS: 90,
  PC: 0,
  PVA: 0,
  BVOH: 0,
  TPU: 0,
  PP: 20,
  PEEK: 70,
  PEI: -70,
}

function HatchInk({ material, hue }: { readonly material: MaterialId; readonly hue: string }) {
  const half = PITCH / 2
  if (material === 'TPU') return <circle cx={half} cy={half} r="1" fill={hue} />
  if (material === 'PVA' || material === 'BVOH')
    return <path d={`M0 ${half}H2.6`} stroke={hue} strokeWidth={LINE} />
  const level = `M0 ${half}H${PITCH}`
  const crossed = material.startsWith('PA')
  return (
    <path d={crossed ? `${level}M${half} 0V${PITCH}` : level} stroke={hue} strokeWidth={crossed ? 1 : LINE} />
  )
}
