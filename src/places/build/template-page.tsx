import { SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { holesOf } from '#core/build/holes.ts'
import {
  BAR_MM,
  CARD_MM,
  OVERLAP_MM,
  PAPER_EDGE_MM,
  PAPERS,
  tilesOf,
  TITLE_MM,
  type Paper,
  type Tile,
} from '#core/build/template.ts'
import { SheetMarks } from '#draw/sheet-svg.tsx'
import { drillFactsOf } from '#journal/plan-drill.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { purposeWords } from './drill-words.ts'
import { templatesOf } from './templates.ts'
import { useStanding } from './use-standing.ts'
import hand from '#ui/hand.module.css'
import css from './template.module.css'

/** Templates at their true size over as many sheets as it takes; the first is to check the printer by. */
export function TemplatePage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const { base } = useJournalTools()
  const measures = useMeasures()
  const { mark, length } = measures
  const { spools, arrangement, isTried } = useStanding(plan, candidate)
  const [paper, setPaper] = useState<Paper>(length.unit === 'in' ? 'Letter' : 'A4')
  const facts = drillFactsOf(plan, candidate, arrangement)
  const holes = holesOf(facts)
  const tiles = templatesOf(facts, holes, measures).flatMap(sheet => tilesOf(sheet, paper))
  if (!isTried)
    return (
      <main className={hand.page} data-place="build" data-part="print">
        <h1 className={hand.answer}>Trying where they stand …</h1>
      </main>
    )
  const { widthMm, heightMm } = PAPERS[paper]
  const page = { width: `${widthMm}mm`, height: `${heightMm}mm` }
  const all = tiles.length + 1
  return (
    <main className={`${hand.page} ${css.place}`} data-place="build" data-part="print">
      <h1 className={`${hand.section} ${css.title}`}>{plan.name}: templates, 1:1</h1>
      <div className={css.acts}>
        <Link to={`${base}/build/${plan.planId}/drill`} className={hand.worded}>
          Back to the drill sheet
        </Link>
        <SegmentedControl
          data={Object.keys(PAPERS)}
          value={paper}
          onChange={value => setPaper(value as Paper)}
          aria-label="Paper"
        />
        <span className={hand.aside}>
          Print at 100 %, without “fit to page”; cut out, lay the rim edge on the rim.
        </span>
        <button type="button" className={hand.filled} onClick={() => window.print()}>
          Print {all} sheets
        </button>
      </div>
      <div className={paper === 'A4' ? css.onA4 : css.onLetter}>
        <section className={css.paper} style={page} data-sheet="check">
          <svg width={`${widthMm}mm`} height={`${heightMm}mm`} viewBox={`0 0 ${widthMm} ${heightMm}`}>
            <text x={PAPER_EDGE_MM} y="20" fontSize="6" fontWeight="600">
              {plan.name}: holes, 1:1
            </text>
            <text x={PAPER_EDGE_MM} y="28" fontSize="4">
              Check first: the bar is 100.0 mm long, and a bank card covers the outline. If not, print again
              at 100 %.
            </text>
            <path
              d={`M${PAPER_EDGE_MM} 42h${BAR_MM}`}
              stroke="#000"
              strokeWidth="0.3"
              data-part="scale-bar"
            />
            <path
              d={[0, 50, 100].map(mm => `M${PAPER_EDGE_MM + mm} 39v6`).join('')}
              stroke="#000"
              strokeWidth="0.3"
            />
            <text x={PAPER_EDGE_MM} y="50" fontSize="3.6">
              0
            </text>
            <text x={PAPER_EDGE_MM + BAR_MM} y="50" fontSize="3.6" textAnchor="middle">
              100 mm
            </text>
            <rect
              x={PAPER_EDGE_MM}
              y="58"
              width={CARD_MM.width}
              height={CARD_MM.height}
              rx={CARD_MM.radius}
              fill="none"
              stroke="#000"
              strokeWidth="0.3"
              data-part="card"
            />
            <text x={PAPER_EDGE_MM + 4} y="66" fontSize="3.6">
              {CARD_MM.width} × {CARD_MM.height.toFixed(1)}
            </text>
            {holes.map((hole, i) => (
              <text key={hole.id} x={PAPER_EDGE_MM} y={128 + 7 * i} fontSize="4">
                <tspan fontWeight="600">{hole.id}</tspan>
                <tspan x={PAPER_EDGE_MM + 10}>{purposeWords(hole, facts, spools)}</tspan>
                <tspan x={PAPER_EDGE_MM + 80}>drill {mark.field(hole.drillMm)}</tspan>
                <tspan x={PAPER_EDGE_MM + 105}>
                  {mark.bare(hole.place.downMm)} from rim, {mark.text(hole.place.edgeMm)} {hole.place.edge}
                </tspan>
              </text>
            ))}
          </svg>
        </section>
        {tiles.map((tile, i) => (
          <TilePage key={i} tile={tile} paper={paper} number={i + 2} of={all} plan={plan.name} />
        ))}
      </div>
    </main>
  )
}

function TilePage({
  tile,
  paper,
  number,
  of,
  plan,
}: {
  readonly tile: Tile
  readonly paper: Paper
  readonly number: number
  readonly of: number
  readonly plan: string
}) {
  const { widthMm, heightMm } = PAPERS[paper]
  const [x, y] = tile.from
  const window = `M${x} ${y}h${tile.widthMm}v${tile.heightMm}h${0 - tile.widthMm}Z`
  const top = PAPER_EDGE_MM + TITLE_MM
  // on its side the drawing's right is the paper's foot
  const place = tile.turned
    ? `translate(${PAPER_EDGE_MM + tile.heightMm} ${top}) rotate(90) translate(${-x} ${-y})`
    : `translate(${PAPER_EDGE_MM - x} ${top - y})`
  const clip = `tile-${number}`
  const many = tile.columns * tile.rows > 1
  return (
    <section
      className={css.paper}
      style={{ width: `${widthMm}mm`, height: `${heightMm}mm` }}
      data-sheet={tile.sheet.name}
    >
      <svg width={`${widthMm}mm`} height={`${heightMm}mm`} viewBox={`0 0 ${widthMm} ${heightMm}`}>
        <text x={PAPER_EDGE_MM} y={PAPER_EDGE_MM + 4} fontSize="4">
          {plan} · {tile.sheet.name}
          {many
            ? ` · part ${tile.row * tile.columns + tile.column + 1} of ${tile.columns * tile.rows}`
            : ''}{' '}
          · sheet {number} of {of}
          {many ? ` · lay the dashed lines marked “join” on each other (${OVERLAP_MM} mm overlap)` : ''}
        </text>
        <clipPath id={clip}>
          <path d={window} />
        </clipPath>
        <g transform={place}>
          <g clipPath={`url(#${clip})`}>
            <SheetMarks marks={tile.sheet.marks} />
            {tile.joins.map(({ way, atMm }) => (
              <g key={`${way} ${atMm}`} data-part="join">
                <path
                  d={way === 'across' ? `M${atMm} ${y}v${tile.heightMm}` : `M${x} ${atMm}h${tile.widthMm}`}
                  stroke="#000"
                  strokeWidth="0.2"
                  strokeDasharray="2 2"
                />
                <text
                  x={way === 'across' ? atMm : x + 8}
                  y={way === 'across' ? tile.sheet.to[1] - 2 : atMm - 1}
                  fontSize="3"
                >
                  join
                </text>
              </g>
            ))}
          </g>
        </g>
      </svg>
    </section>
  )
}
