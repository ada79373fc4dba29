import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'

echarts.use([SVGRenderer])

/** A colour of the house by its token, without the dashes before it. */
export type HouseColour = (token: string) => string

/**
 * A chart as a drawing. Colours are read when it is drawn: give it a new key with a new theme. Only files that are loaded
 * when their chart is wanted may import this.
 * @param option stays the same function until what it draws changes
 */
export function SvgChart({
  option,
  width,
  height,
  label,
  part,
}: {
  readonly option: (colour: HouseColour) => echarts.EChartsCoreOption
  readonly width: number
  readonly height: number
  readonly label: string
  readonly part?: string
}) {
  const host = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!host.current) return
    const chart = echarts.init(host.current, null, { renderer: 'svg', width, height })
    const style = getComputedStyle(document.documentElement)
    chart.setOption(option(token => style.getPropertyValue(`--${token}`).trim()))
    return () => chart.dispose()
  }, [option, width, height])
  return <div ref={host} style={{ width, height }} role="img" aria-label={label} data-part={part} />
}
