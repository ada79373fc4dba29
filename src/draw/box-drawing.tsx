import { Fragment, type ReactNode } from 'react'
import type { ContainerKind } from '#core/container/container.ts'
import { baseShareOf } from '#journal/base-share.ts'
import { sideBySide, SPOOL_GAP_MM, STANCE } from './stance.ts'
import { SpoolEdge, SpoolFace, SpoolFlat, type DrawnSpool } from './spool-drawing.tsx'
import { Vessel, type HoldPart, type VesselFill } from './vessel.tsx'
import pen from './pen.module.css'

export interface DrawnBox {
  readonly container: ContainerKind
  readonly widthMm: number
  readonly heightMm: number
  readonly sizePencil: boolean
}

interface Props {
  readonly box: DrawnBox
  readonly spools: readonly DrawnSpool[]
  readonly vessel: VesselFill | null
  readonly scale: number
  /** Left edge of the rim and the line it stands on. */
  readonly x: number
  readonly y: number
  readonly px2PerG?: number
  /** Puts a hand on what can be moved. */
  readonly holdSpool?: Hold<DrawnSpool>
  readonly holdCharge?: HoldPart
}
type Hold<Thing> = (thing: Thing, drawing: ReactNode) => ReactNode
const asDrawn = (_: DrawnSpool, drawing: ReactNode): ReactNode => drawing

/** A vessel is at most this high on the shelf; larger drawings let it grow. */
const MOST_VESSEL_PX = 27
const SHELF_SCALE = 0.46

/** A box from its own millimetres: taper, lid, clips, what stands inside. Nothing is drawn to fit a slot. */
export function BoxDrawing({
  box,
  spools,
  vessel,
  scale,
  x,
  y,
  px2PerG,
  holdSpool = asDrawn,
  holdCharge,
}: Props) {
  const baseShare = baseShareOf(box)
  const width = box.widthMm * scale
  const height = box.heightMm * scale
  const inset = (width * (1 - baseShare)) / 2
  const centre = x + width / 2
  const top = y - height
  const tallest = spools.reduce((most, spool) => Math.max(most, spoolHeight(box.container, spool) * scale), 0)
  // the charge stands under the spools, in what height they leave
  const under = Math.min(Math.max(height - tallest - 6, 14), 100 * scale)
  const floor = y - under
  return (
    <g className={box.sizePencil ? pen.pencilLines : undefined}>
      <path
        data-part="body"
        className={pen.boxBody}
        d={bodyPath(box.container, x, top, width, height, inset)}
      />
      <ContainerDetails
        kind={box.container}
        x={x}
        top={top}
        width={width}
        y={y}
        inset={inset}
        scale={scale}
      />
      {spools.length > 0 && (
        <path className={pen.shelfLine} d={`M${x + inset + 3} ${floor}H${x + width - inset - 3}`} />
      )}
      <Spools
        kind={box.container}
        spools={spools}
        scale={scale}
        centre={centre}
        floor={floor}
        roomAcross={width - 2 * inset - 6}
        roomUp={floor - top - 4}
        hold={holdSpool}
      />
      {vessel && (
        <Vessel
          fill={vessel}
          x={centre}
          y={y - 1}
          height={Math.min(Math.max(under - 7, 9), MOST_VESSEL_PX * Math.max(1, scale / SHELF_SCALE))}
          maxWidth={width - 2 * inset - 10}
          {...(px2PerG === undefined ? {} : { px2PerG })}
          {...(holdCharge === undefined ? {} : { holdPart: holdCharge })}
        />
      )}
    </g>
  )
}

const spoolHeight = (kind: ContainerKind, spool: DrawnSpool): number =>
  STANCE[kind] === 'flat' ? 0 : spool.rimDiameterMm

function bodyPath(
  kind: ContainerKind,
  x: number,
  top: number,
  width: number,
  height: number,
  inset: number,
): string {
  const y = top + height
  if (kind === 'bag') {
    const sag = width * 0.03
    return `M${x} ${top}H${x + width}Q${x + width - sag} ${top + height * 0.55} ${x + width - sag / 2} ${y - 6}Q${x + width - 4} ${y} ${x + width - 12} ${y}H${x + 12}Q${x + 4} ${y} ${x + sag / 2} ${y - 6}Q${x + sag} ${top + height * 0.55} ${x} ${top}Z`
  }
  const round = kind === 'printed' ? 0 : 4
  return `M${x} ${top}H${x + width}L${x + width - inset} ${y - round}q-0.4 ${round} -${round} ${round}H${x + inset + round}q-${round} 0 -${round} -${round}Z`
}

function ContainerDetails({
  kind,
  x,
  top,
  width,
  y,
  inset,
  scale,
}: {
  readonly kind: ContainerKind
  readonly x: number
  readonly top: number
  readonly width: number
  readonly y: number
  readonly inset: number
  readonly scale: number
}) {
  const lid = Math.max(16 * scale, 3.5)
  const over = Math.max(8 * scale, 2)
  const right = x + width
  const clip = (left: number, wide: number) => (
    <rect
      className={pen.lid}
      x={left}
      y={top - lid * 0.45}
      width={wide}
      height={Math.max(36 * scale, 8)}
      rx="1.5"
    />
  )
  switch (kind) {
    case 'jar':
      return (
        <path
          className={pen.lid}
          d={`M${x - over} ${top}V${top - lid * 1.6}L${x + width * 0.55} ${top - lid * 2.4}H${right + over}V${top}ZM${x + width * 0.55} ${top}V${top - lid * 2.4}`}
        />
      )
    case 'clip-square':
    case 'clip-long':
      return (
        <>
          <rect
            className={pen.lid}
            x={x - over}
            y={top - lid}
            width={width + 2 * over}
            height={lid}
            rx="1.5"
          />
          {[x - over - 3, right + over].map(left => (
            <path
              key={left}
              className={pen.lid}
              d={`M${left} ${top - lid * 0.7}h3v${Math.max(40 * scale, 10)}h-3z`}
            />
          ))}
        </>
      )
    case 'tote':
      return (
        <>
          <rect
            className={pen.lid}
            x={x - over * 1.6}
            y={top - lid * 1.4}
            width={width + 3.2 * over}
            height={lid * 1.4}
            rx="2"
          />
          {clip(x + width * 0.06, 44 * scale)}
          {clip(right - width * 0.06 - 44 * scale, 44 * scale)}
        </>
      )
    case 'pail':
      return (
        <>
          <path
            className={pen.lidLine}
            d={`M${x + inset * 0.1} ${top + lid * 1.1}Q${x + width / 2} ${top + lid * 1.1 + width * 0.32} ${right - inset * 0.1} ${top + lid * 1.1}`}
          />
          <rect className={pen.lid} x={x - over} y={top - lid} width={width + 2 * over} height={lid} rx="2" />
        </>
      )
    case 'bag':
      return (
        <path
          className={pen.lidLine}
          d={`M${x + 3} ${top + 5}H${right - 3}M${x + 3} ${top + 8}H${right - 3}`}
        />
      )
    case 'printed': {
      const rows = Math.floor((y - top) / 6)
      return (
        <>
          <path
            className={pen.layerLines}
            d={Array.from({ length: rows }, (_, i) => `M${x + 2} ${top + 5 + i * 6}H${right - 2}`).join('')}
          />
          <rect
            className={`${pen.lid} ${pen.mitred}`}
            x={x - over * 0.8}
            y={top - lid * 0.9}
            width={width + 1.6 * over}
            height={lid * 0.9}
          />
          <path
            className={pen.lidLine}
            d={`M${right + 6} ${top + height(y, top) * 0.22}c${24 * scale} -2 ${8 * scale} ${110 * scale} ${32 * scale} ${124 * scale}`}
          />
          <rect
            className={`${pen.lid} ${pen.mitred}`}
            x={right - 1}
            y={top + height(y, top) * 0.22 - 3.5}
            width="8"
            height="7"
          />
        </>
      )
    }
  }
}
const height = (y: number, top: number): number => y - top

function Spools({
  kind,
  spools,
  scale,
  centre,
  floor,
  roomAcross,
  roomUp,
  hold,
}: {
  readonly kind: ContainerKind
  readonly spools: readonly DrawnSpool[]
  readonly scale: number
  readonly centre: number
  readonly floor: number
  readonly roomAcross: number
  readonly roomUp: number
  readonly hold: Hold<DrawnSpool>
}) {
  const gap = SPOOL_GAP_MM * scale
  if (STANCE[kind] === 'flat') {
    const heights = spools.map(spool => spool.widthMm * scale)
    const total = heights.reduce((sum, height) => sum + height + gap, -gap)
    const used = Math.min(total, Math.max(roomUp, heights[0] ?? 0))
    const tops = sideBySide(heights, floor - used / 2, gap, used)
    return spools.map((spool, i) => (
      <Fragment key={`${spool.name} ${i}`}>
        {hold(
          spool,
          <SpoolFlat
            spool={spool}
            scale={scale}
            x={centre - (spool.rimDiameterMm * scale) / 2}
            y={2 * floor - used - tops[i]!}
          />,
        )}
      </Fragment>
    ))
  }
  if (STANCE[kind] === 'face') {
    // one behind the other: the front one shows, the next peeps out
    return [...spools]
      .reverse()
      .map((spool, i) => (
        <Fragment key={`${spool.name} ${i}`}>
          {hold(
            spool,
            <SpoolFace
              spool={spool}
              scale={scale}
              x={
                centre -
                (spool.rimDiameterMm * scale) / 2 -
                (spools.length - 1 - i) * Math.min(5, 15 / spools.length)
              }
              y={floor}
            />,
          )}
        </Fragment>
      ))
  }
  const lefts = sideBySide(
    spools.map(spool => spool.widthMm * scale),
    centre,
    gap,
    roomAcross,
  )
  return spools.map((spool, i) => (
    <Fragment key={`${spool.name} ${i}`}>
      {hold(spool, <SpoolEdge spool={spool} scale={scale} x={lefts[i]!} y={floor} />)}
    </Fragment>
  ))
}
