// What nobody meant well with: files, damaged stores, two tabs at once, clocks that jump. None may crash a reader, lose what
// is unharmed, or get an invalid entry past them. Whole: writes docs/validation/hostile.json. `--fifth`: a seeded fifth.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { boathouseLoft } from '../demo/loft.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { readBackup } from '../src/formats/backup/read-backup.ts'
import { writeBackup } from '../src/formats/backup/write-backup.ts'
import { readReadings } from '../src/formats/readings-csv/read-readings.ts'
import { hostileFile } from '../src/testing/hostile-files.ts'
import { makeAct, readAct, type Act } from '../src/records/act.ts'
import { fold } from '../src/journal/fold.ts'
import { readView } from '../src/session/read-view.ts'
import { readRecords } from '../src/store/journal-store.ts'
import { clockCase } from '../src/testing/clock-cases.ts'
import { damagedStore, goodStore, unharmedIds } from '../src/testing/hostile-stores.ts'
import { tabRace } from '../src/testing/tab-races.ts'
import { bringReadings } from '../src/places/files/bring-file.ts'
import { readingsFile } from '../src/places/files/make-files.ts'
import { coreHash } from './core-hash.mjs'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

const WHOLE = { files: 20_000, stores: 5000, races: 200, clocks: 2000 }
const NOW = Date.UTC(2025, 10, 8, 10)
const fifth = process.argv.includes('--fifth')
const share = fifth ? 1 / 5 : 1
const count = WHOLE.files * share
const file = join(root, 'docs/validation/hostile.json')

const loft = boathouseLoft(NOW, 'UTC')
const state = fold(loft)
const someActs = [...loft.slice(0, 14), ...loft.slice(-3)]
const csv = await readingsFile({ ...state, readings: state.readings.slice(0, 12) }, NOW, 'UTC').text()
const good = { zip: writeBackup(someActs, { journal: 'own', savedAtMs: NOW }), csv }
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `h${String(++ids)}` }
let ids = 0

let crashes = 0
let refused = 0
let passed = 0
let invalid = 0
const firstTrouble: string[] = []
for (let i = 0; i < count; i++) {
  const hostile = hostileFile(seededRandom(i * 7919 + 13), good)
  try {
    const acts = actsOf(hostile)
    if (acts === null) refused++
    else {
      passed++
      fold(acts)
      if (acts.some(act => !isSound(act))) invalid++
    }
  } catch (error) {
    crashes++
    firstTrouble.push(`${i} ${hostile.kind} ${hostile.how}: ${String(error)}`)
  }
}

/** What would be stored; null where the file is refused. */
function actsOf(hostile: ReturnType<typeof hostileFile>): readonly Act[] | null {
  if (hostile.kind === 'zip') {
    const read = readBackup(hostile.bytes)
    return read.ok ? read.acts.map(item => item.act) : null
  }
  const brought = bringReadings(readReadings(hostile.text), state, NOW)
  return brought.kind === 'readings' ? [makeAct(maker, 'brought', brought.drafts)] : null
}

/** Reads again from its own JSON, and holds no number and no text out of all proportion. */
function isSound(act: Act): boolean {
  if (!readAct(JSON.parse(JSON.stringify(act)), true).ok) return false
  const walk = (value: unknown): boolean =>
    typeof value === 'number'
      ? Number.isFinite(value) && Math.abs(value) <= 1e6
      : typeof value === 'string'
        ? value.length <= 200
        : typeof value !== 'object' || value === null || Object.values(value).every(walk)
  return walk(act)
}

/** Damaged stores: they open, and every record that is unharmed is there. */
const stores = { damaged: 0, crashes: 0, unharmedLost: 0 }
for (let i = 0; i < WHOLE.stores * share; i++) {
  const random = seededRandom(i * 104_729 + 7)
  const good = goodStore(someActs, random)
  const damaged = damagedStore(good, random)
  stores.damaged++
  try {
    const { acts } = await readView({ readAll: anew => Promise.resolve(readRecords(damaged, anew)) }, NOW)
    const here = new Set(acts.map(act => act.id))
    stores.unharmedLost += unharmedIds(good, damaged).filter(id => !here.has(id)).length
  } catch (error) {
    stores.crashes++
    firstTrouble.push(`store ${i}: ${error instanceof Error ? error.stack : String(error)}`)
  }
}

/** Two tabs at once. */
const races = { races: 0, lost: 0, doubled: 0, apart: 0, told: 0 }
for (let i = 0; i < WHOLE.races * share; i++) {
  const race = await tabRace(someActs, seededRandom(i * 15_485_863 + 3))
  races.races++
  races.lost += race.lost
  races.doubled += race.doubled
  races.apart += race.apart
  races.told += race.told
}

/** Clocks and zones. */
const clocks = { clocks: 0, wrong: 0 }
for (let i = 0; i < WHOLE.clocks * share; i++) {
  const wrong = clockCase(seededRandom(i * 32_452_843 + 5))
  clocks.clocks++
  clocks.wrong += wrong.length
  firstTrouble.push(...wrong.map(text => `clock ${i}: ${text}`))
}

const result = {
  what: 'Backups and tables broken by chance, forged with matching checksums, or made of noise; stores damaged by hand; two tabs that do what they like at once; clocks that jump, and zones.',
  files: count,
  crashes,
  refused,
  readAsSound: passed,
  invalidEntriesStored: invalid,
  stores,
  races,
  clocks,
  coreHash: await coreHash(['scripts/validate-hostile.ts']),
}
console.log(JSON.stringify(result, null, 2))
for (const trouble of firstTrouble.slice(0, 5)) console.error(trouble)
if (!fifth) {
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
} else {
  if (keptHash(file) !== result.coreHash) {
    console.error('docs/validation is older than src/core: run npm run validate.')
    process.exit(1)
  }
}
// a check that refuses everything proves nothing
const proves = refused > 0.5 * count && passed > 0.02 * count
if (!proves) console.error('Too few files were refused, or too few passed, for this to mean anything.')
// two tabs that never got in each other's way would prove nothing either
const holds =
  stores.crashes + stores.unharmedLost === 0 &&
  races.lost + races.doubled + races.apart === 0 &&
  races.told > 0 &&
  clocks.wrong === 0
process.exit(crashes === 0 && invalid === 0 && proves && holds ? 0 : 1)
