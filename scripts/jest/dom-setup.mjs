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
