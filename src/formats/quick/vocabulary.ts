import type { ContainerKind } from '#core/container/container.ts'
import type { HolderKind } from '#core/container/holder.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { WallMaterial } from '#core/container/wall.ts'
import type { DesiccantKind } from '#core/desiccant/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { HolderBody } from '#core/renewal/heat-limits.ts'
import type { HeatSourceKind } from '#core/renewal/heat-source.ts'
import type { ClimateKind } from '#core/room/climate.ts'

/** Ways people write a thing, each with what it stands for; longer ones first, so that PA6-CF is not read as PA6. */
type Words<T> = readonly (readonly [RegExp, T])[]

/** More than one where the word leaves it open: the first is taken, and it is asked. */
export const MATERIAL_WORDS: Words<readonly MaterialId[]> = [
  [/(?:pa|nylon)[ -]?(?:6[ -]?)?cf|carbon (?:fib(?:re|er) )?nylon/, ['PA6-CF']],
  [/(?:pa|nylon)[ -]?(?:6[ -]?)?gf|glass (?:fib(?:re|er) )?nylon/, ['PA6-GF']],
  [/(?:pa|nylon)[ -]?66/, ['PA66']],
  [/(?:pa|nylon)[ -]?12/, ['PA12']],
  [/(?:pa|nylon)[ -]?11/, ['PA11']],
  [/(?:pa|nylon)[ -]?6(?!\d)/, ['PA6']],
  [/nylon|polyamide?|pa/, ['PA6', 'PA66', 'PA12', 'PA11']],
  [/pet[ -]?cf/, ['PET-CF']],
  [/pet[ -]?g\+?|pctg/, ['PETG']],
  [/pet/, ['PET']],
  [/pla(?:\+| ?plus)?|polylactide/, ['PLA']],
  [/abs\+?/, ['ABS']],
  [/asa/, ['ASA']],
  [/hips/, ['HIPS']],
  [/polycarbonate|pc/, ['PC']],
  [/tpu(?:[ -]?\d{2}[ad]?)?|tpe/, ['TPU']],
  [/pva/, ['PVA']],
  [/bvoh/, ['BVOH']],
  [/polypropylene|pp/, ['PP']],
  [/peek/, ['PEEK']],
  [/pei/, ['PEI']],
]

/** The hue of the house nearest to a colour's word. */
export const COLOUR_WORDS: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    [
      'ochre',
      'teal',
      'bone',
      'ember',
      'moss',
      'berry',
      'slate',
      'rose',
      'mist',
      'sky',
      'plum',
      'umber',
      'chalk',
    ].map(hue => [hue, hue]),
  ),
  black: 'ink',
  ink: 'ink',
  anthracite: 'ink',
  charcoal: 'ink',
  tar: 'ink',
  white: 'chalk',
  ivory: 'bone',
  cream: 'bone',
  beige: 'bone',
  natural: 'bone',
  sand: 'bone',
  bone: 'bone',
  grey: 'slate',
  gray: 'slate',
  silver: 'mist',
  clear: 'mist',
  transparent: 'mist',
  translucent: 'mist',
  red: 'berry',
  crimson: 'berry',
  burgundy: 'berry',
  maroon: 'berry',
  pink: 'rose',
  magenta: 'rose',
  salmon: 'rose',
  orange: 'ember',
  copper: 'ember',
  rust: 'ember',
  terracotta: 'ember',
  buoy: 'ember',
  yellow: 'ochre',
  gold: 'ochre',
  mustard: 'ochre',
  amber: 'ochre',
  lemon: 'ochre',
  green: 'moss',
  olive: 'moss',
  lime: 'moss',
  kelp: 'moss',
  mint: 'teal',
  turquoise: 'teal',
  cyan: 'teal',
  blue: 'sky',
  navy: 'sky',
  azure: 'sky',
  cobalt: 'sky',
  indigo: 'plum',
  purple: 'plum',
  violet: 'plum',
  lilac: 'plum',
  lavender: 'plum',
  sloe: 'plum',
  brown: 'umber',
  wood: 'umber',
  chocolate: 'umber',
  bronze: 'umber',
  tan: 'umber',
}
/** How a colour is finished: kept in the name. */
export const FINISH =
  /\b(?:matt?e?|silk|satin|glossy?|dark|light|pale|deep|bright|neon|fluorescent|marble|galaxy|sparkle|glitter|pastel|metallic|army|forest|royal|fire|jet|ash|snow)\b/

export const DESICCANT_WORDS: Words<DesiccantKind> = [
  [
    /(?:mol(?:ecular)? ?|zeolite )?sieves?(?: type)? 3 ?a|3 ?a (?:molecular )?(?:sieve|zeolite)s?/,
    'sieve-3a',
  ],
  [
    /(?:mol(?:ecular)? ?|zeolite )?sieves?(?: type)? ?(?:4 ?a)?|4 ?a (?:molecular )?(?:sieve|zeolite)s?|zeolites?/,
    'sieve-4a',
  ],
  [/(?:activated )?alumin(?:i?um ox[iy]de|a)(?: beads| balls)?/, 'alumina'],
  [/(?:anhydrous )?calcium sul(?:f|ph)ate/, 'calcium-sulfate'],
  [
    /calcium chloride(?: crystals)?|cacl2|crystal packs?|crystals?|moisture absorbers?|damp traps?/,
    'calcium-chloride',
  ],
  [/(?:bentonite|montmorillonite)(?: clay)?|(?:desiccant )?clay/, 'clay'],
  [/(?:silica(?: gel)?|beads?|gel) (?:type )?rd|rd (?:silica|beads?|gel)/, 'silica-rd'],
  [
    /(?:silica(?: gel)?|beads?|gel) type a\b|type a (?:silica(?: gel)?|beads?|gel)|regular silica(?: gel)?/,
    'silica-a',
  ],
  [/silica(?:[ -]?gel)?(?: beads?)?|desiccant(?: beads?)?|beads?|gel/, 'silica-unknown'],
]
/** What beads lie in; a charge even without a word for the beads. */
export const HOLDER_WORDS: Words<HolderKind> = [
  [/plug[ -]?in(?: units?)?|rechargeable (?:unit|dehumidifier)s?/, 'plug-in unit'],
  [/crystal packs?/, 'crystal pack'],
  [/packets?|sachets?|packs?|pouch(?:es)?/, 'packet'],
  [/canisters?|cans?|tins?/, 'canister'],
  [/(?:open )?trays?|dish(?:es)?|bowls?/, 'tray'],
  [/(?:mesh(?:ed)? )?baskets?|mesh(?:ed)? box(?:es)?/, 'basket'],
]

/** More than one where the word leaves it open. */
export const CONTAINER_WORDS: Words<readonly ContainerKind[]> = [
  [/(?:pantry|cereal|storage|kitchen) jars?|jars?/, ['jar']],
  [/square clip(?:[ -]?lid)? box(?:es)?|clip(?:[ -]?lid)? box(?:es)?,? square/, ['clip-square']],
  [/long clip(?:[ -]?lid)? box(?:es)?|clip(?:[ -]?lid)? box(?:es)?,? long/, ['clip-long']],
  [/clip(?:[ -]?lid)? box(?:es)?|food box(?:es)?/, ['clip-long', 'clip-square']],
  [/totes?|tubs?|bins?|crates?/, ['tote']],
  [/pails?|buckets?|drums?/, ['pail']],
  [/zip(?:[ -]?lock)? bags?/, ['bag']],
  [/printed box(?:es)?/, ['printed']],
  [/(?:dry )?box(?:es)?|containers?/, ['clip-long', 'clip-square', 'tote']],
]
export const LID_WORDS: Words<LidKind> = [
  [/clips?(?: and rubber)?,? (?:with|and) (?:a )?(?:tube )?(?:port|outlet|fitting)/, 'clips-port'],
  [/(?:clips?(?: and rubber)?|rubber (?:seal|gasket))(?: lid)?/, 'clips'],
  [/(?:foam|weather)[ -]?(?:strip|gasket|seal)?(?: lid)?/, 'foam'],
  [/snap(?:[ -]?on)?(?: lid)?/, 'snap'],
  [/zip(?: lid)?/, 'zip'],
  [/(?:vented|open) lid|vented/, 'vented'],
]
export const WALL_WORDS: Words<WallMaterial> = [
  [/printed pla/, 'printed PLA'],
  [/printed petg/, 'printed PETG'],
  [/hdpe|polyethylene/, 'HDPE'],
  [/ldpe/, 'LDPE'],
  [/polypropylene|pp/, 'PP'],
  [/pet/, 'PET'],
  [/pvc/, 'PVC'],
  [/acrylic|pmma/, 'PMMA'],
  [/polystyrene|ps/, 'PS'],
  [/polycarbonate|pc/, 'PC'],
  [/abs/, 'ABS'],
]
export const DISPLAY_WORD =
  /(?:hygrometers?|hygros?|humidity (?:displays?|sensors?|meters?|gauges?)|displays?|sensors?|thermo-?hygrometers?)/
export const SCALE_WORD = /(?:(?:kitchen|letter|pocket|digital) )?scales?/
/** What a holder is made of, as far as heat minds. */
export const BODY_WORDS: Words<HolderBody> = [
  [/printed pla/, 'printed PLA'],
  [/printed petg/, 'printed PETG'],
  [/printed abs/, 'printed ABS'],
  [/printed (?:pc|polycarbonate)/, 'printed PC'],
  [/printed (?:pa|nylon)/, 'printed PA'],
  [/fleece/, 'fleece'],
  [/paper/, 'paper'],
  [/foil/, 'foil'],
  [/metal|steel|aluminium|aluminum/, 'metal'],
  [/glass/, 'glass'],
]
/** Longer words first: a dehydrator is a dryer, too. */
export const HEAT_WORDS: Words<HeatSourceKind> = [
  [/gas ovens?/, 'gas'],
  [/microwaves?(?: ovens?)?/, 'microwave'],
  [/(?:food )?dehydrators?|food dryers?|fruit dryers?/, 'dehydrator'],
  [/(?:heated )?(?:filament |spool )?dryers?|driers?|heated box/, 'dryer'],
  [/(?:printer|heated|hot) ?beds?/, 'printer bed'],
  [/(?:the )?sun(?:shine)?/, 'sun'],
  [/(?:electric |kitchen |toaster |mini |convection )?ovens?/, 'electric'],
]
export const ROOM_WORD = /(?:rooms?|cellar|basement|garage|loft|attic|workshop|shed|office|kitchen|study)/
export const CLIMATE_WORDS: Words<ClimateKind> = [
  [/heated|dry in winter|warm/, 'heated'],
  [/mild/, 'mild'],
  [/damp|cool|unheated/, 'damp'],
  [/hot(?: and humid)?|humid|tropical/, 'hot'],
]
/** What its name alone says of a room's air. */
export const ROOM_AIR: Readonly<Record<string, ClimateKind>> = {
  cellar: 'damp',
  basement: 'damp',
  garage: 'damp',
  shed: 'damp',
  loft: 'mild',
  attic: 'mild',
  workshop: 'mild',
}

export const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  dozen: 12,
  pair: 2,
}
/** Said without saying anything. */
export const FILLERS = new Set(
  (
    'a an the of my some with and in on at is it its that which one for to new spool spools roll rolls reel reels ' +
    'filament filaments bag kind type each colour color about approx around roughly ca or so left full brand ' +
    'please add put has have got bought just from now was were are been this'
  ).split(' '),
)
