/** What can be behind a bad print, as far as this check tells. */
export type PrintTrouble = 'wet' | 'heat or retraction' | 'printer' | 'brittle'

/** What is seen, heard or tried; each is asked with yes or no. */
export type PrintSign =
  | 'sizzles'
  | 'steam'
  | 'pits'
  | 'strings'
  | 'dull'
  | 'only at travels'
  | 'other spools too'
  | 'cooler helps'
  | 'snaps'
  | 'drying helped'
  | 'thin layers'

export type SignSeen = 'yes' | 'no'
export interface SignAnswer {
  readonly sign: PrintSign
  readonly seen: SignSeen
}

interface Sign {
  readonly asks: string
  /** In a list of what speaks for or against. */
  readonly yes: string
  readonly no: string
  /** How much a yes, and a no, speak for each: about the logarithm of how much likelier it is with it than without. */
  readonly speaks: Readonly<Partial<Record<PrintTrouble, readonly [yes: number, no: number]>>>
  /** How to find out, where it is the next thing to try. */
  readonly test: string
}

/**
 * Common practice, weighed by hand: what is heard at the nozzle tells most; strings alone tell little, since heat and
 * retraction make them too. Steam and sizzling come from water and from nothing else.
 */
export const SIGNS: Readonly<Record<PrintSign, Sign>> = {
  sizzles: {
    asks: 'Does it sizzle, crackle or pop at the nozzle?',
    yes: 'it sizzles or pops at the nozzle',
    no: 'it is quiet at the nozzle',
    speaks: { wet: [2.5, -1], 'heat or retraction': [-1, 0.3], printer: [-1, 0.2] },
    test: 'Heat the nozzle, push 50 mm through into the air in a quiet room, and listen.',
  },
  steam: {
    asks: 'Is there steam, or froth in the strand?',
    yes: 'steam or froth comes out with it',
    no: 'the strand comes out clear, without steam',
    speaks: { wet: [3, -0.7], 'heat or retraction': [-1, 0.2], printer: [-1, 0.2] },
    test: 'Push 50 mm through into the air against a dark ground: look for steam and bubbles in the strand.',
  },
  pits: {
    asks: 'Are there pits, blisters or gaps in straight walls?',
    yes: 'straight walls have pits or gaps',
    no: 'straight walls are sound',
    speaks: { wet: [1.2, -0.8], printer: [1, -0.5], 'heat or retraction': [-0.7, 0.4] },
    test: 'Print a plain box of one wall and look along it against the light.',
  },
  strings: {
    asks: 'Does it string or grow hairs?',
    yes: 'it strings',
    no: 'it does not string',
    speaks: { wet: [0.6, -0.5], 'heat or retraction': [1, -1.5] },
    test: 'Print two posts a hand apart.',
  },
  dull: {
    asks: 'Is the surface dull, chalky or fuzzy where it was smooth?',
    yes: 'its surface went dull or fuzzy',
    no: 'its surface is as it was',
    speaks: { wet: [0.9, -0.3] },
    test: 'Lay it beside an earlier print of the same spool.',
  },
  'only at travels': {
    asks: 'Is it only where the nozzle crosses open air?',
    yes: 'only where the nozzle crosses open air',
    no: 'everywhere, straight walls too',
    speaks: { 'heat or retraction': [1.6, -1], wet: [-1, 0.7] },
    test: 'Print one post alone, without travels: is it sound?',
  },
  'other spools too': {
    asks: 'Do other spools of the kind print as badly there, with the same settings?',
    yes: 'other spools print as badly on it',
    no: 'other spools print well with the same settings',
    speaks: { printer: [2, -2], 'heat or retraction': [0.7, -0.6], wet: [-1.2, 0.9], brittle: [-1.5, 0.3] },
    test: 'Print the same piece from another spool of the kind, with the same settings.',
  },
  'cooler helps': {
    asks: 'Does 10 °C less at the nozzle, or more retraction, mend it?',
    yes: 'a cooler nozzle or more retraction mends it',
    no: 'neither a cooler nozzle nor more retraction mends it',
    speaks: { 'heat or retraction': [2.5, -2], wet: [-1.2, 0.8] },
    test: 'Print the piece once more with the nozzle 10 °C cooler, then with 1 mm more retraction.',
  },
  snaps: {
    asks: 'Does the strand snap when it is bent by hand?',
    yes: 'the strand snaps by hand',
    no: 'the strand bends without snapping',
    speaks: { wet: [0.9, -0.3], brittle: [2.2, -2] },
    test: 'Bend 200 mm of it slowly into a loop: does it snap before it is as wide as a thumb?',
  },
  'drying helped': {
    asks: 'Was it dried since, and did the piece come out better?',
    yes: 'the same piece came out better after drying',
    no: 'drying changed nothing',
    speaks: { wet: [3, -3], brittle: [-0.5, 0.5], 'heat or retraction': [-1, 0.7], printer: [-1, 0.7] },
    test: 'Print the test piece, dry the spool with heat, print it again with the same settings.',
  },
  'thin layers': {
    asks: 'Are whole layers thin or missing, or does the feeder click or grind?',
    yes: 'layers are thin or the feeder grinds',
    no: 'it feeds evenly',
    speaks: { printer: [1.8, -0.8], wet: [-0.2, 0.1], brittle: [0.3, 0] },
    test: 'Mark the strand 100 mm above the feeder, push 80 mm, and measure what is left.',
  },
}
export const SIGN_NAMES = Object.keys(SIGNS) as PrintSign[]
const TROUBLES = [
  'wet',
  'heat or retraction',
  'printer',
  'brittle',
] as const satisfies readonly PrintTrouble[]

/** Before anything is seen: most troubles of one spool that printed well before are water. Common practice. */
const AT_FIRST: Readonly<Record<PrintTrouble, number>> = {
  wet: 0.5,
  'heat or retraction': 0.4,
  printer: 0,
  brittle: -0.8,
}
/** The first is believed where it stands so far before the second. */
const SURE = 1.5
/** What Veld reckons of its next print speaks too. */
const RECKONED = { clean: -2, usable: -0.4, 'expect trouble': 1.6 } as const
export type ReckonedWord = keyof typeof RECKONED

export interface SymptomsFound {
  /** The likeliest; null: too little is known to say. */
  readonly verdict: PrintTrouble | null
  /** In order, the likeliest first, each with what speaks for and against it, the weightiest first. */
  readonly ranked: readonly {
    readonly trouble: PrintTrouble
    readonly score: number
    readonly speaksFor: readonly string[]
    readonly speaksAgainst: readonly string[]
  }[]
  /** The one thing that would tell most; null: all was asked. */
  readonly next: { readonly sign: PrintSign; readonly test: string } | null
}

const reckonedSays: Readonly<Record<ReckonedWord, string>> = {
  clean: 'by its life so far its next print is clean',
  usable: 'by its life so far its next print is usable',
  'expect trouble': 'by its life so far its next print stands past its limit',
}

/**
 * Wet, or something else? Weights of evidence, added: the same answers give the same verdict, in whatever order they came.
 * @param reckoned what its life says of the next print; null: not known
 */
export function symptomsFound(answers: readonly SignAnswer[], reckoned: ReckonedWord | null): SymptomsFound {
  const asked = SIGN_NAMES.flatMap(sign => answers.find(one => one.sign === sign) ?? [])
  const ranked = TROUBLES.map(trouble => {
    const evidence = asked
      .map(({ sign, seen }) => ({
        says: SIGNS[sign][seen],
        weight: SIGNS[sign].speaks[trouble]?.[seen === 'yes' ? 0 : 1] ?? 0,
      }))
      .filter(one => one.weight !== 0)
    if (trouble === 'wet' && reckoned !== null)
      evidence.push({ says: reckonedSays[reckoned], weight: RECKONED[reckoned] })
    const says = (isFor: boolean) =>
      evidence
        .filter(one => one.weight > 0 === isFor)
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight))
        .map(one => one.says)
    return {
      trouble,
      score: evidence.reduce((sum, one) => sum + one.weight, AT_FIRST[trouble]),
      speaksFor: says(true),
      speaksAgainst: says(false),
    }
  }).sort((a, b) => b.score - a.score || TROUBLES.indexOf(a.trouble) - TROUBLES.indexOf(b.trouble))
  const [first, second] = ranked as [(typeof ranked)[number], (typeof ranked)[number]]
  const isSure = asked.length > 0 && first.score - second.score >= SURE && first.speaksFor.length > 0
  return {
    verdict: isSure ? first.trouble : null,
    ranked,
    next: nextTest(first.trouble, second.trouble, asked),
  }
}

/** Of what was not asked, what parts the two likeliest most whichever way it comes out. */
function nextTest(
  first: PrintTrouble,
  second: PrintTrouble,
  asked: readonly SignAnswer[],
): SymptomsFound['next'] {
  const open = SIGN_NAMES.filter(sign => !asked.some(one => one.sign === sign))
  const parts = (sign: PrintSign) => {
    const [a, b] = [SIGNS[sign].speaks[first] ?? [0, 0], SIGNS[sign].speaks[second] ?? [0, 0]]
    return Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1])
  }
  const best = open.reduce<PrintSign | null>(
    (most, sign) => (most === null || parts(sign) > parts(most) ? sign : most),
    null,
  )
  return best === null ? null : { sign: best, test: SIGNS[best].test }
}
