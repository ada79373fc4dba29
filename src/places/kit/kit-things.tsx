import type { ReactNode } from 'react'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { HangingDisplay, hangsPx } from '#draw/hanging-display.tsx'
import { SpoolFace } from '#draw/spool-drawing.tsx'
import { vesselOf } from '#draw/vessel-of.ts'
import { boxView } from '#journal/box-view.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { instrumentsOf } from '#journal/instruments.ts'
import { displayErrorAt } from '#journal/true-readings.ts'
import type { ChargeRecord, State } from '#journal/state.ts'
import type { ThingRef } from '#session/kit/as-wanted.ts'
import { leftWords, offWords } from '#ui/display-words.ts'
import { THIN } from '#ui/format.ts'
import type { Measures } from '#ui/measures.ts'
import type { KitItem } from './kit-layout.ts'
import css from './kit.module.css'

export interface DrawnThing extends KitItem {
  readonly thing: ThingRef
  /** The notes are of what was assumed. */
  readonly pencil: boolean
  /** @param x its middle @param y where it stands, or hangs from */
  readonly draw: (x: number, y: number) => ReactNode
}

/** One scale for the whole wall, px/mm. */
export const KIT_SCALE = 0.37
const THREAD_PX = 46
const MOST_LETTERS = 20
const short = (name: string): string =>
  name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name

/** What hangs from the rail: displays, and charges that lie ready. */
export function hanging(state: State, nowMs: number, measures: Measures): DrawnThing[] {
  const displays = instrumentsOf(state).map(
    ({ instrumentId, name, boxId, accuracyPercentRh }): DrawnThing => {
      const error = displayErrorAt(state)(instrumentId, nowMs)
      return {
        key: `display ${instrumentId}`,
        thing: { kind: 'display', id: instrumentId },
        widthPx: 60,
        heightPx: hangsPx(KIT_SCALE),
        name: short(name),
        notes: [
          boxId === null ? 'carried round' : `in ${short(state.boxes.get(boxId)?.name ?? 'a box')}`,
          error ? `${offWords(error)}, ${leftWords(error)}` : `±${accuracyPercentRh}${THIN}%, never checked`,
        ],
        pencil: !error,
        draw: (x, y) => <HangingDisplay x={x} y={y} scale={KIT_SCALE} error={error} />,
      }
    },
  )
  const ready = [...state.charges.values()]
    .filter(charge => charge.boxId === null && charge.retiredMs === null)
    .map((charge): DrawnThing => {
      const { width, height } = chargeSize(charge)
      return {
        key: `charge ${charge.chargeId}`,
        thing: { kind: 'charge', id: charge.chargeId },
        widthPx: width,
        heightPx: THREAD_PX - 20 + height,
        name: short(charge.name),
        notes: [massText(charge, measures), lastRenewed(charge)],
        pencil: charge.massKnown === 'assumed',
        draw: (x, y) => (
          <g>
            <path d={`M${x} ${y}V${y + THREAD_PX - 20}`} className={css.thread} />
            <circle cx={x} cy={y} r="2.2" className={css.peg} />
            <ChargeShape charge={charge} x={x} y={y + THREAD_PX - 20} />
          </g>
        ),
      }
    })
  return [...displays, ...ready]
}

const massText = (charge: ChargeRecord, { weight }: Measures): string =>
  `${charge.massKnown === 'assumed' ? '≈ ' : ''}${weight.text(charge.dryMassG)}`
const lastRenewed = (charge: ChargeRecord): string =>
  charge.heatings.length > 0
    ? `heated ${charge.heatings.length} ×`
    : DESICCANTS[charge.desiccant].gel
      ? charge.freshness
      : DESICCANTS[charge.desiccant].name.slice(0, 24)

function chargeSize({ holder, dryMassG, desiccant, pieces }: ChargeRecord): {
  width: number
  height: number
} {
  // as large as its beads: a pillow, a cylinder or a tray of their volume
  const volumeMm3 = (dryMassG / (pieces ?? 1) / DESICCANTS[desiccant].bulkDensityGPerMl) * 1000
  const side = Math.cbrt(volumeMm3 * 1.6)
  if (holder === 'canister') return { width: side * 0.8 * KIT_SCALE, height: side * 1.5 * KIT_SCALE }
  if (holder === 'tray') return { width: side * 1.6 * KIT_SCALE, height: side * 0.5 * KIT_SCALE }
  return { width: side * 1.15 * KIT_SCALE, height: side * 1.35 * KIT_SCALE }
}

/** A packet is a pillow, a canister a cylinder, a tray open above; a pack of crystals has its fill line. */
function ChargeShape({
  charge,
  x,
  y,
}: {
  readonly charge: ChargeRecord
  readonly x: number
  readonly y: number
}) {
  const { width, height } = chargeSize(charge)
  const left = x - width / 2
  const line = charge.massKnown === 'assumed' ? css.pencilShape : css.shape
  const bead = (dx: number, dy: number) => (
    <circle key={`${dx} ${dy}`} cx={x + dx * width} cy={y + dy * height} r="2.2" className={css.bead} />
  )
  if (charge.holder === 'packet')
    return (
      <g>
        {(charge.pieces ?? 1) > 1 && <path d={`M${left + 5} ${y - 3}h${width}v${height}`} className={line} />}
        <path
          className={line}
          d={`M${left} ${y}q${width / 2} 4 ${width} 0q-4 ${height / 2} 0 ${height}q-${width / 2} -4 -${width} 0q4 -${height / 2} 0 -${height}Z`}
        />
        {[-0.18, 0.02, 0.22].map(dx => bead(dx, 0.62))}
        {[-0.1, 0.12].map(dx => bead(dx, 0.76))}
      </g>
    )
  if (charge.holder === 'tray')
    return (
      <path
        className={line}
        d={`M${left} ${y}L${left + 3} ${y + height}H${left + width - 3}L${left + width} ${y}`}
      />
    )
  return (
    <g>
      <rect x={left} y={y} width={width} height={height} rx="2" className={line} />
      {charge.holder === 'crystal pack' ? (
        <path d={`M${left + 3} ${y + height * 0.35}H${left + width - 3}`} className={css.thread} />
      ) : charge.holder === 'plug-in unit' ? (
        <path d={`M${x - 4} ${y + height}v5M${x + 4} ${y + height}v5`} className={css.shape} />
      ) : (
        [-0.2, 0.05, 0.25].map(dx => bead(dx, 0.7))
      )}
    </g>
  )
}

/** What stands on the spare board: spools outside the boxes, and the scale. */
export function spare(state: State, measures: Measures): DrawnThing[] {
  const WHERE = { printer: 'on the printer', open: 'in the open', bag: 'in a bag' } as const
  const spools = [...state.spools.values()].flatMap((spool): DrawnThing[] => {
    const { where } = spool
    if (where.at === 'box' || where.at === 'used up') return []
    const size = spool.rimDiameterMm * KIT_SCALE
    const inBag = where.at === 'bag'
    return [
      {
        key: `spool ${spool.spoolId}`,
        thing: { kind: 'spool', id: spool.spoolId },
        widthPx: size + (inBag ? 10 : 0),
        heightPx: size + (inBag ? 12 : 0),
        name: short(spool.name),
        notes: [
          `${spool.filamentKnown === 'assumed' ? '≈ ' : ''}${measures.weight.text(spool.filamentG)}`,
          WHERE[where.at],
        ],
        pencil: spool.filamentKnown === 'assumed',
        draw: (x, y) => (
          <g>
            <SpoolFace spool={spool} scale={KIT_SCALE} x={x - size / 2} y={y} />
            {inBag && (
              <path
                className={css.bag}
                d={`M${x - size / 2 - 5} ${y}v-${size + 10}h${size + 10}v${size + 10}M${x - size / 2 - 5} ${y - size - 6}h${size + 10}`}
              />
            )}
          </g>
        ),
      },
    ]
  })
  const scales = [...state.scales.values()]
    .filter(scale => scale.retiredMs === null)
    .map(({ scaleId, name, stepG }): DrawnThing => ({
      key: `scale ${scaleId}`,
      thing: { kind: 'scale', id: scaleId },
      widthPx: 70,
      heightPx: 20,
      name: short(name),
      notes: [`steps of ${stepG}${THIN}g`],
      pencil: false,
      draw: (x, y) => (
        <g>
          <path d={`M${x - 35} ${y}l3 -10h64l3 10Z`} className={css.shape} />
          <path d={`M${x - 29} ${y - 15}h58M${x} ${y - 15}v5`} className={css.shape} />
        </g>
      ),
    }))
  return [...spools, ...scales]
}

/** The boxes with what is in them. */
export function boxes(state: State, nowMs: number, measures: Measures): DrawnThing[] {
  return inShelfOrder(state).map((box): DrawnThing => {
    const view = boxView(state, box.boxId, nowMs)!
    const beadsG = view.charges.reduce((sum, charge) => sum + charge.dryMassG, 0)
    const isAssumed = view.charges.some(charge => charge.massKnown === 'assumed')
    const spoolCount = view.spools.length === 1 ? '1 spool' : `${view.spools.length} spools`
    const width = box.widthMm * KIT_SCALE
    return {
      key: `box ${box.boxId}`,
      thing: { kind: 'box', id: box.boxId },
      widthPx: width + 12,
      heightPx: box.heightMm * KIT_SCALE + 16,
      name: short(box.name),
      notes: [
        view.charges.length === 0
          ? `${spoolCount}, no beads`
          : `${spoolCount} · ${isAssumed ? '≈ ' : ''}${measures.weight.text(beadsG)}`,
      ],
      pencil: isAssumed,
      draw: (x, y) => (
        <BoxDrawing
          box={{ ...box, sizePencil: box.sizeKnown === 'assumed' }}
          spools={view.spools}
          vessel={vesselOf(view, undefined)}
          scale={KIT_SCALE}
          x={x - width / 2}
          y={y}
        />
      ),
    }
  })
}
