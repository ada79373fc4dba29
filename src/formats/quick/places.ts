import { near, type Text } from './text.ts'
import type { Ask, QuickContext, WantedPlace } from './wanted.ts'

const escaped = (name: string): string => name.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)

/** Where it goes: a box by its name, or a place that is none; null: not said. */
export function takePlace(
  text: Text,
  { boxes }: Pick<QuickContext, 'boxes'>,
): { readonly place: WantedPlace; readonly asks: readonly Ask[] } | null {
  const longestFirst = [...boxes].sort((a, b) => b.name.length - a.name.length)
  for (const { id, name } of longestFirst) {
    const words = `(?:(?:goes |put |moved? )?(?:in|into|inside|to|for|from|box)\\s+(?:the\\s+|box\\s+)?)`
    if (text.take(new RegExp(`${words}["“]?${escaped(name)}["”]?(?:[’']s)?`)))
      return { place: `box:${id}`, asks: samesOf(id, name, boxes) }
  }
  if (text.take(/(?:on|in|to) (?:the |my )?printer|printing now/)) return { place: 'printer', asks: [] }
  if (text.take(/(?:in|into) the open(?: room)?|on (?:the|a) (?:shelf|board|desk)|lying open|in the room/))
    return { place: 'open', asks: [] }
  if (
    text.take(
      /(?:in|into) (?:a |its |the )?(?:zip |vacuum |sealed |own )*bag(?: of its own)?|vacuum[- ]?(?:bagged|sealed|packed)|bagged/,
    )
  )
    return { place: 'bag', asks: [] }
  if (text.take(/put away|on (?:a|the) peg|in (?:a|the|my) (?:drawer|tin|jar)|spare|ready/))
    return { place: 'away', asks: [] }
  // a box one slip away, or one nobody knows
  const into = text.find(/(?:into|to|in) (?:the )?["“]?(\p{L}[\p{L}\p{N}]+)["”]?/u)
  if (into) {
    const close = near(
      into[1]!,
      boxes.map(box => box.name),
    )
    const options = boxes.filter(box => close.includes(box.name))
    if (options.length > 0) {
      text.take(new RegExp(escaped(into[0])))
      return {
        place: `box:${options[0]!.id}`,
        asks: [
          {
            field: 'place',
            says: `“${into[1]}”: which box is that?`,
            options: [
              ...options.map(box => ({ value: `box:${box.id}`, label: box.name })),
              { value: 'away', label: 'none of them' },
            ],
          },
        ],
      }
    }
  }
  return null
}

/** Boxes of one name are told apart by asking. */
function samesOf(id: string, name: string, boxes: QuickContext['boxes']): Ask[] {
  const same = boxes.filter(box => box.name.toLowerCase() === name.toLowerCase())
  return same.length < 2
    ? []
    : [
        {
          field: 'place',
          says: `There are ${same.length} boxes named ${name}.`,
          options: [id, ...same.map(box => box.id).filter(other => other !== id)].map((other, i) => ({
            value: `box:${other}`,
            label: i === 0 ? `${name}, the first` : `${name}, number ${i + 1}`,
          })),
        },
      ]
}
