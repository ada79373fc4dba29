import { SHELF_PX2_PER_G } from '#draw/vessel.tsx'
import css from './shelf.module.css'
import pen from '#draw/pen.module.css'

/** How it is drawn, and the scale bar. */
export function DrawnLegend({ scale }: { readonly scale: number }) {
  const bar = 200 * scale
  const square = Math.sqrt(10 * SHELF_PX2_PER_G)
  return (
    <figure className={css.legend} data-part="legend">
      <figcaption>How it is drawn</figcaption>
      <svg width="200" height="154" aria-hidden="true">
        <path d="M0 14H32" className={css.legendInk} />
        <path d="M0 36H32" className={css.legendInk} />
        <path d="M27 35l2.4 2.5 4 -5.6" className={pen.inkTick} />
        <path d="M0 58H34" className={css.legendPencil} />
        <rect x="11" y={80 - square / 2} width={square} height={square} className={pen.water} />
        <path d="M18 96v14M18 99.8v6.4l-4.6 -3.2z" className={css.legendNotch} />
        <g>
          <text x="46" y="19">
            told
          </text>
          <text x="46" y="41">
            measured
          </text>
          <text x="46" y="63" className={pen.inkAside}>
            assumed
          </text>
          <text x="46" y="85">
            10 g of water
          </text>
          <text x="46" y="108">
            target lost here
          </text>
        </g>
        <path
          d={`M0.5 132v-6M${bar / 4} 132v-4M${bar / 2} 132v-4M${(3 * bar) / 4} 132v-4M${bar} 132v-6M0 132H${bar}`}
          className={css.legendBar}
        />
        <text x="0" y="148">
          0
        </text>
        <text x={bar} y="148" textAnchor="middle">
          200 mm
        </text>
      </svg>
    </figure>
  )
}
