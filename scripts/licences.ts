// Whose work is shipped, and under which licence: gathered while the app is built, read in it.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import license from 'rollup-plugin-license'
import { root } from './set-up.mjs'

const shipped = new Map<string, string>()
/** Notes whose work goes into a bundle: the page's, and each worker's. */
export const noted = () =>
  license({
    thirdParty: packages => packages.forEach(one => shipped.set(`${one.name} ${one.version}`, one.text())),
  })
/** What goes along and is in no bundle: the fonts, and what the service worker is made of. */
const ALONG = [
  '@fontsource-variable/source-sans-3',
  '@fontsource/zilla-slab',
  'workbox-core',
  'workbox-precaching',
  'workbox-routing',
]
const licenceOf = (name: string): string => {
  const folder = join(root, 'node_modules', name)
  const { version } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as { version: string }
  return `Name: ${name}\nVersion: ${version}\nLicense Text:\n===\n\n${readFileSync(join(folder, 'LICENSE'), 'utf8')}`
}
/** Whose work is shipped, and under which licence: a file that goes with it, and is read in the app. */
export const licences = {
  name: 'licences',
  apply: 'build' as const,
  enforce: 'post' as const,
  generateBundle(this: { emitFile: (file: object) => string }) {
    for (const name of ALONG) shipped.set(name, licenceOf(name))
    const texts = [...shipped].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, text]) => text)
    this.emitFile({ type: 'asset', fileName: 'licences.txt', source: texts.join('\n\n-----\n\n') })
  },
}
