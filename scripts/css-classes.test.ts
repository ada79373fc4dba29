import { describe, expect, test } from '@jest/globals'
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { dirname, join, normalize } from 'node:path'
import { parse } from 'postcss'

// A class that is misspelt is no type error: it is caught here, with every class nobody wears.
const listed = (pattern: string) =>
  execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', pattern], {
    encoding: 'utf8',
  })
    .split('\n')
    .filter(Boolean)
const ROOMS: Readonly<Record<string, string>> = { '#ui/': 'src/ui/', '#draw/': 'src/draw/' }
const camel = (name: string) => name.replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase())

function classesOf(file: string): Set<string> {
  const names = new Set<string>()
  parse(readFileSync(file, 'utf8')).walkRules(rule => {
    for (const [, name] of rule.selector.matchAll(/\.([a-zA-Z][\w-]*)/g)) names.add(name!)
  })
  return names
}

function wornBy(file: string): { readonly sheet: string; readonly name: string }[] {
  const source = readFileSync(file, 'utf8')
  return [...source.matchAll(/^import (\w+) from '([^']+\.module\.css)'$/gm)].flatMap(([, as, from]) => {
    const room = Object.keys(ROOMS).find(key => from!.startsWith(key))
    const sheet = room
      ? ROOMS[room]! + from!.slice(room.length)
      : normalize(join(dirname(file), from!)).replaceAll('\\', '/')
    return [...source.matchAll(new RegExp(`(?<![\\w.])${as!}\\.(\\w+)\\b(?!\\.css)`, 'g'))].map(
      ([, name]) => ({
        sheet,
        name: name!,
      }),
    )
  })
}

const sheets = listed('src/**/*.module.css')
const worn = listed('src/**/*.ts*')
  .filter(file => !file.includes('.test.'))
  .flatMap(wornBy)

describe('the sheets', () => {
  test('there are some, and each place has its own beside it', () => {
    expect(sheets.length).toBeGreaterThan(10)
    expect(listed('src/**/*.css').filter(file => !file.endsWith('.module.css'))).toEqual([
      'src/app/house.css',
    ])
  })
  test.each(sheets)('%s: every class is worn, and every class that is worn is there', sheet => {
    const made = [...classesOf(sheet)].map(camel).sort()
    const used = [...new Set(worn.filter(item => item.sheet === sheet).map(item => item.name))].sort()
    expect(used).toEqual(made)
  })
  test('the house sheet knows Mantine’s classes only', () => {
    expect([...classesOf('src/app/house.css')].filter(name => !name.startsWith('mantine-'))).toEqual([])
  })
})
