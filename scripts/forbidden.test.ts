import { expect, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './set-up.mjs'

/** A call spread over a list ends the page where the list has a hundred thousand values: the stack is too small for it. */
const sources = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' }).filter(
  file => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file),
)
const withPattern = (pattern: RegExp, files: readonly string[]): string[] =>
  files.filter(file => pattern.test(readFileSync(join(root, 'src', file), 'utf8')))

// the core's lists are as long as its draws, or what is planned of one box
test('no greatest or least is spread over a list outside the core', () =>
  expect(
    withPattern(
      /Math\.(?:max|min)\(\s*\.\.\./,
      sources.filter(file => !file.startsWith('core')),
    ),
  ).toEqual([]))

// taking back is said by the shell, whoever pressed it; a hook hands its error on
test('whatever writes says when the browser refuses it', () =>
  expect(
    withPattern(
      /^(?=[^]*\buse(?:WriteAct|Keep)\(\))(?![^]*(?:<FormFoot|<Refused|refusalText|\.error\b|return \{ change, write \}))/,
      sources.filter(file => file !== 'session/writing.ts'),
    ),
  ).toEqual([]))

test('what is stored or read from a file is never spread into a push', () =>
  expect(
    withPattern(
      /\.push\(\s*\.\.\./,
      sources.filter(file =>
        /^(?:journal|store|records|formats\/(?:backup|readings-csv|warmed|weather))/.test(file),
      ),
    ),
  ).toEqual([]))
