/** Filament hues, paper and night; black and white move to the middle so that the hatch shows on its tint. */
export const FILAMENT_HUES: Readonly<Record<string, { name: string; paper: string; night: string }>> = {
  ochre: { name: 'ochre', paper: '#B07A14', night: '#D9A441' },
  teal: { name: 'teal', paper: '#2C8088', night: '#5FB4BB' },
  bone: { name: 'bone', paper: '#8C8472', night: '#D8D0BC' },
  ember: { name: 'ember', paper: '#CF5A28', night: '#EE8A55' },
  moss: { name: 'moss', paper: '#66792A', night: '#A3B55A' },
  berry: { name: 'berry', paper: '#A83258', night: '#E07A9A' },
  slate: { name: 'slate', paper: '#5A6473', night: '#9DABBF' },
  ink: { name: 'black', paper: '#4A463F', night: '#8E887C' },
  rose: { name: 'rose', paper: '#BB5468', night: '#E893A2' },
  sky: { name: 'blue', paper: '#3F6EA8', night: '#86AEDD' },
  plum: { name: 'purple', paper: '#6E4A8E', night: '#B493D3' },
  umber: { name: 'brown', paper: '#7A5433', night: '#C09A74' },
  chalk: { name: 'white', paper: '#989488', night: '#E6E1D4' },
  mist: { name: 'mist', paper: '#7A8A90', night: '#B9C8CE' },
}
/** Colours given in turn to spools nobody has named yet. */
export const HUE_ORDER = ['ochre', 'teal', 'bone', 'ember', 'moss', 'berry', 'slate', 'ink', 'rose', 'mist']

export const hueOf = (colour: string, dark: boolean): string => {
  const hue = FILAMENT_HUES[colour] ?? FILAMENT_HUES['slate']!
  return dark ? hue.night : hue.paper
}
