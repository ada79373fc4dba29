import * as React from 'react'

// What Mantine asks of a browser and jsdom does not have.
window.matchMedia ??= query => ({
  matches: false,
  media: query,
  addEventListener() {},
  removeEventListener() {},
  addListener() {},
  removeListener() {},
})
window.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
}
window.scrollTo = () => {}
// a file handed over is let go of later, when its test is long over
if (!('revokeObjectURL' in URL)) Object.assign(URL, { revokeObjectURL() {} })

// In development React notes for each element the lines it was made by, until ten thousand a second: for warnings no test reads.
// Each note is a stack written out, and a page is drawn hundreds of times: it is beyond its ten thousand from the start.
const [, internals] = Object.entries(React).find(([name]) => name.startsWith('__CLIENT_INTERNALS'))
Object.defineProperty(internals, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set() {} })
