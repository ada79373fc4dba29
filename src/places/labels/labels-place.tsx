import { Checkbox, TextInput } from '@mantine/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { labelSheet, scaleBarAt, sheetsOf } from '#core/label/label-sheet.ts'
import { boxLabels, spoolLabels, type LabelFacts } from '#session/label-facts.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { isoDay } from '#ui/dates.ts'
import { HandOver } from '#ui/hand-over-button.tsx'
import { numberWord } from '#ui/number-words.ts'
import { capital } from '#ui/plan-words.ts'
import { OnlyHere } from '#ui/only-here.tsx'
import { svgText } from '#ui/svg-text.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { labelWords } from './label-words.ts'
import { HatchesOf, LabelSheetMarks, LabelSheetsSvg } from './label-sheets.tsx'
import { formatOf, SheetFields } from './sheet-fields.tsx'
import hand from '#ui/hand.module.css'
import css from './labels.module.css'

const keyOf = (facts: LabelFacts): string => `${facts.of}:${facts.id}`

/** Labels for spools and boxes: found, chosen, printed once. */
export default function LabelsPlace() {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { preferences } = usePreferences()
  const measures = useMeasures()
  const [asked] = useSearchParams()
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(asked.getAll('of')))
  const [sought, setSought] = useState('')
  const [usedTyped, setUsed] = useState('0')
  const [typed, setTyped] = useState({})
  const all: readonly LabelFacts[] = [...spoolLabels(state), ...boxLabels(state, nowMs)]
  const found = all.filter(facts => isMeant(facts, sought))
  const picked = all.filter(facts => chosen.has(keyOf(facts)))
  const format = formatOf(preferences.labels)
  const made = labelSheet(format)
  const perSheet = made.ok ? made.sheet.cells.length : 1
  const used = Number(usedTyped)
  const usedWrong =
    perSheet > 1 && !(Number.isInteger(used) && used >= 0 && used < perSheet)
      ? `Type 0 to ${perSheet - 1}: stickers already gone from the first sheet.`
      : null
  const pages =
    made.ok && picked.length > 0
      ? sheetsOf(picked.length, made.sheet, usedWrong === null && perSheet > 1 ? used : 0)
      : []
  const addressOf = ({ of, id }: LabelFacts) =>
    `${window.location.href.split('#')[0]!}#${base}/${of === 'spool' ? 'spools' : 'box'}/${id}`
  const labels = picked.map(facts => labelWords(facts, measures, { zone: maker.zone, addressOf }))
  const put = (list: readonly LabelFacts[], isIn: boolean) => {
    const next = new Set(chosen)
    for (const facts of list) {
      if (isIn) next.add(keyOf(facts))
      else next.delete(keyOf(facts))
    }
    setChosen(next)
  }
  const sheetWord = `${pages.length} ${pages.length === 1 ? 'sheet' : 'sheets'}`
  const name = `veld-labels-${isoDay(nowMs, maker.zone)}.svg`
  return (
    <main className={`${hand.page} ${css.place}`} data-place="labels">
      <div className={`${hand.answerRow} ${css.head}`}>
        <div>
          <h1 className={hand.answer} aria-live="polite">
            {picked.length === 0
              ? 'Labels: choose for what.'
              : `${capital(numberWord(picked.length))} ${picked.length === 1 ? 'label' : 'labels'}${made.ok ? ` on ${sheetWord}` : ''}.`}
          </h1>
          <p className={hand.behind} data-part="spool-facts">
            {made.ok
              ? `Each ${measures.length.bare(made.sheet.labelWidthMm)} × ${measures.length.text(made.sheet.labelHeightMm)}. Print at 100 %, without “fit to page”${scaleBarAt(made.sheet) ? ': the bar on the sheet is 50.0 mm then' : ''}.`
              : made.message}
          </p>
        </div>
        {pages.length > 0 && made.ok && (
          <div className={hand.acts}>
            <HandOver
              label="As a drawing, SVG"
              make={async () =>
                new File(
                  [svgText(<LabelSheetsSvg sheet={made.sheet} pages={pages} labels={labels} />)],
                  name,
                  { type: 'image/svg+xml' },
                )
              }
            />
            <button type="button" className={hand.filled} onClick={() => window.print()}>
              Print {sheetWord}
            </button>
          </div>
        )}
      </div>
      {pages.length > 0 && (
        <div className={css.head}>
          <OnlyHere />
        </div>
      )}
      <div className={css.two}>
        <div className={css.choose}>
          <SheetFields typed={typed} setTyped={setTyped} />
          {perSheet > 1 && (
            <TextInput
              label="Stickers gone from the first sheet"
              inputMode="numeric"
              autoComplete="off"
              className={css.used}
              value={usedTyped}
              error={usedWrong}
              onChange={event => setUsed(event.currentTarget.value)}
            />
          )}
          <TextInput
            label="Find"
            type="search"
            placeholder="name, material, maker"
            value={sought}
            onChange={event => setSought(event.currentTarget.value)}
          />
          <p className={css.allOf}>
            <button type="button" className={hand.worded} onClick={() => put(found, true)}>
              All {found.length}
            </button>
            <button type="button" className={hand.worded} onClick={() => put(found, false)}>
              None of them
            </button>
          </p>
          {(['spool', 'box'] as const).map(of => {
            const list = found.filter(facts => facts.of === of)
            return (
              list.length > 0 && (
                <fieldset key={of} className={css.things}>
                  <legend className={hand.section}>{of === 'spool' ? 'Spools' : 'Boxes'}</legend>
                  {list.map(facts => (
                    <Checkbox
                      key={keyOf(facts)}
                      label={facts.name}
                      checked={chosen.has(keyOf(facts))}
                      onChange={event => put([facts], event.currentTarget.checked)}
                    />
                  ))}
                </fieldset>
              )
            )
          })}
          {found.length === 0 && (
            <p className={hand.behind}>
              {all.length === 0 ? 'Nothing yet: add a spool or a box first.' : 'Nothing is called so.'}
            </p>
          )}
        </div>
        <div className={css.sheets} data-part="sheets">
          {made.ok && (
            <style>{`@media print{@page{size:${made.sheet.widthMm}mm ${made.sheet.heightMm}mm;margin:0}}`}</style>
          )}
          {made.ok &&
            pages.map((cells, i) => (
              <svg
                key={i}
                className={css.sheet}
                data-sheet={i + 1}
                width={`${made.sheet.widthMm}mm`}
                height={`${made.sheet.heightMm}mm`}
                viewBox={`0 0 ${made.sheet.widthMm} ${made.sheet.heightMm}`}
                role="img"
                aria-label={`Sheet ${i + 1}: ${cells
                  .flatMap(cell => (cell === null ? [] : [labels[cell]!.name]))
                  .join(', ')}`}
              >
                <HatchesOf labels={labels} />
                <LabelSheetMarks sheet={made.sheet} cells={cells} labels={labels} frames />
              </svg>
            ))}
        </div>
      </div>
    </main>
  )
}

function isMeant(facts: LabelFacts, sought: string): boolean {
  const text = (
    facts.of === 'spool' ? [facts.name, facts.material, facts.maker ?? ''] : [facts.name, ...facts.spools]
  )
    .join(' ')
    .toLocaleLowerCase()
  return sought
    .trim()
    .toLocaleLowerCase()
    .split(/\s+/)
    .every(word => text.includes(word))
}
