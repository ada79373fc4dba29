import type { ReactNode } from 'react'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { HangingDisplay, hangsPx } from '#draw/hanging-display.tsx'
import { SpoolFace } from '#draw/spool-drawing.tsx'
import { vesselOf } from '#draw/vessel-of.ts'
import { boxView } from '#journal/box-view.ts'
import { asTold, type HeatSourceKind } from '#core/renewal/heat-source.ts'
import { asHeatSource, heatSourcesOf } from '#journal/heat-sources.ts'
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
  return [...spools, ...scales, ...ovens(state, measures)]
}

/** Outside sizes that are usual, mm. */
const OVEN_SIZES: Readonly<Record<Exclude<HeatSourceKind, 'sun' | 'own heater'>, readonly [number, number]>> =
  {
    electric: [560, 440],
    gas: [560, 440],
    microwave: [460, 280],
    dryer: [300, 250],
    dehydrator: [330, 280],
    'printer bed': [250, 30],
  }

/** An oven has its panel of knobs above, a microwave its keys beside the door, a dryer a round lid. */
function ovenOutline(kind: HeatSourceKind, x: number, y: number, width: number, height: number): string {
  const [left, top] = [x - width / 2, y - height]
  if (kind === 'printer bed') return `M${left} ${y}v${-height}h${width}v${height}Z`
  if (kind === 'dryer' || kind === 'dehydrator')
    return `M${left} ${y}V${top + 16}Q${left} ${top} ${left + 18} ${top}H${left + width - 18}Q${left + width} ${top} ${left + width} ${top + 16}V${y}ZM${left} ${top + 16}h${width}`
  const body = `M${left} ${y - 4}V${top}h${width}V${y - 4}ZM${left + 6} ${y - 4}v4h8v-4M${left + width - 14} ${y - 4}v4h8v-4`
  if (kind === 'microwave') {
    const keys = left + width * 0.8
    return `${body}M${keys} ${top}V${y - 4}M${keys + 8} ${top + 14}h14M${keys + 8} ${top + 22}h14M${keys + 8} ${top + 30}h14`
  }
  const panel = top + 20
  const knob = (at: number) => `M${left + width * at - 5} ${top + 10}a5 5 0 1 0 10 0a5 5 0 1 0 -10 0`
  return `${body}M${left} ${panel}h${width}${knob(0.16)}${knob(0.3)}${knob(0.84)}`
}

/** What beads are heated in, in section; the sun has no place on a board. */
const ovens = (state: State, measures: Measures): DrawnThing[] =>
  heatSourcesOf(state).flatMap((record): DrawnThing[] => {
    if (record.kind === 'sun' || record.kind === 'own heater') return []
    const [width, height] = OVEN_SIZES[record.kind].map(mm => mm * KIT_SCALE) as [number, number]
    const found = record.measured.toSorted((a, b) => b.atMs - a.atMs)[0]
    const { trays } = asTold(asHeatSource(record))
    return [
      {
        key: `heat source ${record.heatSourceId}`,
        thing: { kind: 'heat source', id: record.heatSourceId },
        widthPx: width,
        heightPx: height,
        name: short(record.name),
        notes: [
          found
            ? `set to ${measures.temperature.bare(found.dialC).replace('.0', '')}: ${measures.temperature.text(found.measuredC).replace('.0', '')}`
            : record.kind === 'microwave'
              ? 'by power'
              : 'never measured',
        ],
        pencil: !found,
        draw: (x, y) => (
          <g>
            <path d={ovenOutline(record.kind, x, y, width, height)} className={css.shape} />
            {record.kind !== 'printer bed' &&
              Array.from({ length: trays }, (_, i) => (
                <path
                  key={i}
                  d={`M${x - width / 2 + 8} ${y - ((i + 0.7) / (trays + 0.6)) * height * 0.86}h${(width - 16) * (record.kind === 'microwave' ? 0.74 : 1)}`}
                  className={css.rack}
                />
              ))}
          </g>
        ),
      },
    ]
  })

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
