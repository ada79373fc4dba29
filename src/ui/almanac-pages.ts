/** The back of the book: its pages, in order. */
export const ALMANAC_PAGES = [
  { path: 'materials', word: 'Materials' },
  { path: 'desiccants', word: 'Desiccants' },
  { path: 'walls', word: 'Walls and lids' },
  { path: 'salts', word: 'Salts' },
  { path: 'air', word: 'Humidity' },
  { path: 'cautions', word: 'Cautions' },
  { path: 'score', word: 'Score' },
  { path: 'checks', word: 'Check the engine' },
] as const
export type AlmanacPage = (typeof ALMANAC_PAGES)[number]['path']

/** Where the almanac says more about a formula; the checks where no page is nearer. */
export function pageOfFormula(formulaId: string): AlmanacPage {
  return PAGES[formulaId] ?? 'checks'
}
const PAGES: Readonly<Record<string, AlmanacPage>> = {
  strictest: 'materials',
  sorption: 'materials',
  'sorption-inverse': 'materials',
  'spool-moisture': 'materials',
  passing: 'materials',
  'vapour-density': 'air',
  'dew-point': 'air',
  'heated-rh': 'air',
  'heated-air': 'air',
  'least-heat': 'air',
  'intake-dew-point': 'air',
  'water-held': 'desiccants',
  'constant-loading': 'desiccants',
  'constant-loading-heat': 'desiccants',
  'between-points': 'desiccants',
  'charge-gain': 'desiccants',
  toth: 'desiccants',
  'toth-inverse': 'desiccants',
  'steady-floor': 'desiccants',
  stream: 'walls',
  volume: 'walls',
}
