import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import type { BoxWanted, Wanted } from '#formats/quick/wanted.ts'

/** Outlines as the quick field knows them. */
const CONTAINER_SAID: Readonly<Record<BoxWanted['container'], string>> = {
  jar: 'jar',
  'clip-square': 'square clip box',
  'clip-long': 'long clip box',
  tote: 'tote',
  pail: 'pail',
  bag: 'zip bag',
  printed: 'printed box',
}

/** The same thing once more in the words of the quick field; the colour is left to be typed. */
export function sameAgain(
  wanted: Wanted,
  boxes: readonly { readonly id: string; readonly name: string }[],
): string {
  const into =
    'place' in wanted && wanted.place.startsWith('box:')
      ? ` into ${boxes.find(box => `box:${box.id}` === wanted.place)?.name ?? ''}`
      : ''
  switch (wanted.kind) {
    case 'spool':
      return (
        [
          wanted.material,
          `${Math.round(wanted.filamentG)} g`,
          ...(wanted.body === null ? [] : [wanted.body === 'board' ? 'cardboard' : wanted.body]),
          ...(wanted.strandMm === 1.75 ? [] : ['2.85 mm']),
          ...(wanted.maker === null ? [] : [`by ${wanted.maker}`]),
        ].join(' ') + into
      )
    case 'charge':
      return `${wanted.pieces > 1 ? `${wanted.pieces} × ` : ''}${Math.round(wanted.gramsEach * 10) / 10} g ${wanted.holder}${into}`
    case 'display':
      return `display ±${wanted.accuracyPercentRh} %${into}`
    case 'box':
      return `${CONTAINER_SAID[wanted.container]} ${Math.round(wanted.widthMm)}x${Math.round(wanted.depthMm)}x${Math.round(wanted.heightMm)} mm`
    case 'room':
      return 'room'
    case 'heat source':
      return [
        HEAT_SOURCES[wanted.source].name,
        ...(wanted.highestC === null ? [] : [`up to ${wanted.highestC} °C`]),
        ...(wanted.watts === null ? [] : [`${wanted.watts} W`]),
      ].join(' ')
    case 'scale':
      return `scale ${wanted.stepG} g`
  }
}
