import { greatest } from '#units/extremes.ts'
/** What the wall needs to know of a thing on it. */
export interface KitItem {
  readonly key: string
  readonly widthPx: number
  readonly heightPx: number
  readonly name: string
  readonly notes: readonly string[]
}
export interface PlacedItem<Item extends KitItem> {
  readonly item: Item
  /** Middle of its place, and the line it stands on or hangs from. */
  readonly x: number
  readonly y: number
}
export interface KitRow<Item extends KitItem> {
  readonly y: number
  readonly lengthPx: number
  readonly items: readonly PlacedItem<Item>[]
}

const LETTER_PX = 7.6
const NOTE_LETTER_PX = 6.8
const GAP_PX = 18
const NAME_PX = 24
const NOTE_PX = 18
const BELOW_PX = 14

export const placeWidthPx = (item: KitItem): number =>
  Math.max(
    greatest(item.notes.map(note => note.length * NOTE_LETTER_PX)),
    item.widthPx,
    item.name.length * LETTER_PX,
    44,
  ) + GAP_PX

/** Things on boards, in the order they come, each as wide as it or its words need; a full board goes on below. */
export function layOutRows<Item extends KitItem>(
  items: readonly Item[],
  widthPx: number,
  top: number,
  hangs: boolean,
): { readonly rows: readonly KitRow<Item>[]; readonly bottom: number } {
  const lines: Item[][] = []
  let used = Infinity
  for (const item of items) {
    const width = placeWidthPx(item)
    if (used + width > widthPx) {
      lines.push([])
      used = 0
    }
    lines.at(-1)!.push(item)
    used += width
  }
  let y = top
  const rows = lines.map(line => {
    const tallest = greatest(line.map(item => item.heightPx))
    const words = NAME_PX + NOTE_PX * greatest(line.map(item => item.notes.length)) + BELOW_PX
    const boardY = hangs ? y + 7 : y + tallest
    let x = 0
    const placed = line.map(item => {
      const width = placeWidthPx(item)
      x += width
      return { item, x: x - width / 2, y: boardY }
    })
    y = boardY + (hangs ? tallest : 9) + words
    // where they take more than one board, these run across the page; ends that differ a little look like a mistake
    return { y: boardY, lengthPx: lines.length > 1 ? widthPx : Math.min(widthPx, x), items: placed }
  })
  return { rows, bottom: y }
}
