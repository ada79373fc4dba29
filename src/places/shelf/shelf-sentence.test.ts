import { expect, test } from '@jest/globals'
import { shelfSentence, type SentenceBox } from './shelf-sentence.ts'

const now = Date.parse('2025-11-01T10:00:00Z')
const s = (text: string) => Date.parse(`${text}T10:00:00Z`) / 1000
const box = (
  name: string,
  judgement: SentenceBox['judgement'],
  more: Partial<SentenceBox> = {},
): SentenceBox => ({ name, judgement, lookAgainMs: null, reckoning: false, ...more })
const good = box('A', { word: 'good until', dateS: s('2025-12-06'), latestS: s('2026-01-04') })
const say = (...boxes: SentenceBox[]) => {
  const { answer, behind } = shelfSentence(boxes, now, 'UTC')
  const text = (pieces: typeof answer) =>
    pieces
      .map(piece => (typeof piece === 'string' ? piece : piece.text))
      .join('')
      .trim()
  return { answer: text(answer), behind: text(behind) }
}

test('nothing to do', () => expect(say(good).answer).toBe('Nothing to do before Sat 6 Dec.'))
test('due and over, then nothing', () =>
  expect(
    say(
      good,
      box('B', { word: 'renew by', dateS: s('2025-11-08'), latestS: s('2025-11-20') }),
      box('C', { word: 'over since', dateS: s('2025-10-20') }),
      box('D', { word: 'over since', dateS: s('2025-10-28') }),
    ).answer,
  ).toBe('Renew C and D now, B by Sat 8 Nov. Then nothing before Sat 6 Dec.'))
test('what lies behind: a second look, what can’t be reached, what is not known', () =>
  expect(
    say(
      box('E', { word: "can't reach", floorRhPercent: 16, wouldDo: 'a foam strip' }),
      box('F', { word: 'not known', todo: 'read it once' }),
      { ...good, lookAgainMs: now + 6 * 3_600_000 },
    ).behind,
  ).toBe(
    'A wants a second look today at 16:00. E can’t reach its target: a foam strip would do. F: read it once.',
  ))
test('says so while it reckons', () => expect(say({ ...good, reckoning: true }).answer).toBe('Reckoning …'))
test('renewed boxes are not renewed again: they are read once they have settled', () => {
  const said = say(good, box('G', { word: 'settling', readS: s('2025-11-02') }))
  expect(said.answer).toBe('Nothing to do before Sat 6 Dec.')
  expect(said.behind).toBe('G is renewed and settling: read it tomorrow at 10:00.')
})
test('a chance that it is over is said as a chance', () =>
  expect(
    say(
      good,
      box('H', { word: 'may be over', chance: 0.1, dateS: s('2026-03-01'), latestS: s('2026-09-01') }),
    ).behind,
  ).toBe('H holds, with one chance in ten that it is over: read it.'))
test('a box nobody has read for long asks for a reading', () => {
  const days = (n: number) => now - n * 86_400_000
  expect(say({ ...good, lastReadMs: days(70) }).behind).toBe(
    'A has not been read for 10 weeks: a reading tells more than any reckoning.',
  )
  expect(say({ ...good, lastReadMs: days(30) }).behind).toBe('')
})
