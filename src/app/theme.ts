import { createTheme } from '@mantine/core'

/** Mantine gives behaviour; the look is in house.css. */
export const theme = createTheme({
  fontFamily: "'Source Sans 3 Variable', 'Liberation Sans', sans-serif",
  headings: { fontFamily: "'Zilla Slab', 'Liberation Serif', serif" },
  primaryColor: 'gray',
  defaultRadius: 3,
  respectReducedMotion: true,
})
