import type { ContainerKind } from '#core/container/container.ts'

/** How spools stand in each kind. */
export const STANCE: Readonly<Record<ContainerKind, 'edge' | 'face' | 'flat'>> = {
  jar: 'edge',
  'clip-square': 'face',
  'clip-long': 'edge',
  tote: 'edge',
  pail: 'flat',
  bag: 'face',
  printed: 'face',
}
export const SPOOL_GAP_MM = 5

/** Spools of a width that stand side by side in a box as it is drawn; no plan of how they might be packed. */
export function roomForSpools(
  box: {
    readonly container: ContainerKind
    readonly widthMm: number
    readonly depthMm: number
    readonly heightMm: number
  },
  spoolWidthMm: number,
  rimDiameterMm: number,
): number {
  const along = (lengthMm: number): number =>
    Math.floor((lengthMm + SPOOL_GAP_MM) / (spoolWidthMm + SPOOL_GAP_MM))
  const stance = STANCE[box.container]
  const count =
    stance === 'edge'
      ? along(box.widthMm) * Math.max(1, Math.floor(box.depthMm / rimDiameterMm))
      : stance === 'face'
        ? along(box.depthMm)
        : along(box.heightMm)
  return Math.max(1, count)
}

/** Left edges of things side by side about a middle; where there is too little room they stand behind each other. */
export function sideBySide(widths: readonly number[], centre: number, gap: number, room: number): number[] {
  const total = widths.reduce((sum, width) => sum + width, 0) + gap * (widths.length - 1)
  const last = widths.at(-1) ?? 0
  // each is pushed as far under the next as the room asks for
  const squeeze = total <= room ? 1 : Math.max(0, room - last) / Math.max(total - last, 1)
  const used = (total - last) * squeeze + last
  let x = centre - used / 2
  return widths.map(width => {
    const left = x
    x += (width + gap) * squeeze
    return left
  })
}
