import { describe, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { root } from './set-up.mjs'

interface Finding {
  readonly filename: string
  readonly message: string
  readonly help?: string
}

/** Lints planted files under the project's own rules, in a folder apart. @returns what is found in each of them */
function lint(files: Readonly<Record<string, string>>): Map<string, string> {
  const folder = mkdtempSync(join(tmpdir(), 'veld-layers-'))
  copyFileSync(join(root, '.oxlintrc.json'), join(folder, '.oxlintrc.json'))
  copyFileSync(join(root, 'package.json'), join(folder, 'package.json'))
  for (const [file, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, file)), { recursive: true })
    writeFileSync(join(folder, file), text)
  }
  const oxlint = join(root, 'node_modules/.bin/oxlint')
  const run = spawnSync(oxlint, ['--format=json'], { cwd: folder, encoding: 'utf8' })
  rmSync(folder, { recursive: true })
  const { diagnostics, number_of_files } = JSON.parse(run.stdout) as {
    diagnostics: readonly Finding[]
    number_of_files: number
  }
  expect(number_of_files).toBe(Object.keys(files).length)
  const found = new Map<string, string>()
  for (const { filename, message, help = '' } of diagnostics)
    found.set(filename, `${found.get(filename) ?? ''}${message} ${help}\n`)
  return found
}

const PLANTED = [
  [
    'src/core/air/a.ts',
    "import { useState } from 'react'\nexport const a = useState\n",
    'core stands on units alone',
  ],
  [
    'src/core/air/a.ts',
    "import { b } from '#records/act.ts'\nexport const a = b\n",
    'core stands on units alone',
  ],
  [
    'src/core/air/a.ts',
    "import { b } from '../../records/act.ts'\nexport const a = b\n",
    'core stands on units alone',
  ],
  ['src/core/air/a.ts', 'export const a = Date.now()\n', 'restricted global'],
  ['src/units/a.ts', "import { b } from '#core/answer.ts'\nexport const a = b\n", 'units stands on nothing'],
  [
    'src/records/a.ts',
    "import { b } from '#store/journal-store.ts'\nexport const a = b\n",
    'records stands on core',
  ],
  [
    'src/store/a.ts',
    "import { b } from '#places/shelf/shelf-sentence.ts'\nexport const a = b\n",
    'stand on journal',
  ],
  [
    'src/workers/a.ts',
    "import { b } from '#store/journal-store.ts'\nexport const a = b\n",
    'workers stand on formats',
  ],
  [
    'src/draw/a.ts',
    "import { b } from '#places/shelf/shelf-sentence.ts'\nexport const a = b\n",
    'draw stands on ui',
  ],
  [
    'src/places/box/a.ts',
    "import { b } from '../../app/theme.ts'\nexport const a = b\n",
    'places do not know the app',
  ],
  [
    'src/places/box/a.ts',
    "import { b } from '../shelf/shelf-sentence.ts'\nexport const a = b\n",
    'a place imports no other place',
  ],
  [
    'src/places/box/a.ts',
    "import { b } from '#places/shelf/shelf-sentence.ts'\nexport const a = b\n",
    'a place imports no other place',
  ],
  [
    'src/core/desiccant/a.ts',
    "import { b } from '../estimate/b.ts'\nexport const a = b\n",
    "core's rooms stand in an order",
  ],
  [
    'src/core/network/a.ts',
    "import type { B } from '#core/filament/b.ts'\nexport type A = B\n",
    "core's rooms stand in an order",
  ],
  [
    'src/journal/a.ts',
    "import { b } from '#session/writing.ts'\nexport const a = b\n",
    'journal stands on records',
  ],
  ['src/ui/a.ts', "import { b } from '#draw/vessel.tsx'\nexport const a = b\n", 'ui stands on session'],
  [
    'demo/a.ts',
    "import { b } from '#store/journal-store.ts'\nexport const a = b\n",
    'demo stands on journal',
  ],
  ['server/a.ts', "import { b } from '#core/answer.ts'\nexport const a = b\n", 'the server knows formats'],
] as const
/** Each under a name of its own, so that all are linted at once. */
const nameOf = (planted: number): string => PLANTED[planted]![0].replace(/a\.ts$/, `a${String(planted)}.ts`)

describe('an arrow that points up is refused', () => {
  const found = lint(Object.fromEntries(PLANTED.map(([, text], planted) => [nameOf(planted), text])))
  test.each(PLANTED.map(([file, text, words], planted) => [file, text, words, planted] as const))(
    '%s %j',
    (_file, _text, words, planted) => expect(found.get(nameOf(planted))).toContain(words),
  )
})

test('a circle is refused, across folders too', () =>
  expect(
    lint({
      'src/core/air/a.ts': "import { b } from '#core/filament/b.ts'\nexport const a = b\n",
      'src/core/filament/b.ts': "import { a } from '#core/air/a.ts'\nexport const b = a\n",
    }).get('src/core/air/a.ts'),
  ).toContain('Dependency cycle'))

test('arrows that point down pass', () =>
  expect(
    lint({
      'src/units/ratio.ts': 'export const half = 0.5\n',
      'src/core/air/a.ts': "import { half } from '#units/ratio.ts'\nexport const a = half\n",
      'src/records/r.ts': "import { a } from '#core/air/a.ts'\nexport const r = a\n",
    }),
  ).toEqual(new Map()))
