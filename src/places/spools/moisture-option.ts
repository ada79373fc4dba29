import type { EChartsCoreOption } from 'echarts/core'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import { dayMonthText } from '#ui/dates.ts'
import { inHundredths, inTenths } from '#ui/format.ts'
import { msFromSeconds } from '#units/time.ts'

export interface MoistureColours {
  readonly ink: string
  readonly pencil: string
  readonly water: string
  readonly band: string
}

export interface MoistureData {
  readonly course: SpoolReport['course']
  readonly cleanPercent: number
  readonly troublePercent: number | null
  readonly zone: string
  readonly summary: string
}

const FONT = "'Source Sans 3 Variable', sans-serif"

/** The turns printed next and the mean, in the house style; between the limits it is usable. */
export function moistureOption(
  { course, cleanPercent, troublePercent, zone }: MoistureData,
  { ink, pencil, water, band }: MoistureColours,
  left: number,
): EChartsCoreOption {
  const ms = course.atS.map(msFromSeconds)
  const line = { type: 'line', symbol: 'none', silent: true, animation: false } as const
  const text = { fontFamily: FONT, fontSize: 14, color: ink }
  const pairs = (of: (i: number) => number) => ms.map((at, i) => [at, of(i)])
  const most = course.next.reduce(
    (top, one, i) => Math.max(top, one.high, course.mean[i]!.high),
    (troublePercent ?? cleanPercent) * 1.15,
  )
  const limit = (at: number, name: string, width: number) => ({
    yAxis: at,
    lineStyle: { color: ink, width, type: 'solid' },
    label: { ...text, formatter: `${name} ${inHundredths(at)}`, position: 'insideStartTop', distance: 3 },
  })
  const range = (of: SpoolReport['course']['next'], colour: string) =>
    (['low', 'high'] as const).map(end => ({
      ...line,
      data: pairs(i => of[i]![end]),
      lineStyle: { color: colour, width: 0.8, type: [3, 3] },
    }))
  return {
    animation: false,
    grid: { left, right: 8, top: 16, bottom: 26 },
    xAxis: {
      type: 'time',
      min: ms[0],
      max: ms.at(-1),
      axisLine: { lineStyle: { color: ink, width: 1 } },
      axisTick: { lineStyle: { color: ink } },
      splitLine: { show: false },
      axisLabel: { ...text, hideOverlap: true, formatter: (at: number) => dayMonthText(at, zone) },
      splitNumber: 5,
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: Number(most.toPrecision(2)),
      splitNumber: 3,
      axisLine: { show: true, lineStyle: { color: ink, width: 1 } },
      splitLine: { show: false },
      axisLabel: {
        ...text,
        showMaxLabel: false,
        formatter: (at: number) =>
          at === 0 ? '0' : `${most < 0.5 ? inHundredths(at) : inTenths(at)}\u2006%`,
      },
    },
    series: [
      {
        ...line,
        data: [],
        markArea:
          troublePercent === null
            ? undefined
            : {
                silent: true,
                itemStyle: { color: band },
                data: [[{ yAxis: cleanPercent }, { yAxis: troublePercent }]],
              },
        markLine: {
          silent: true,
          symbol: 'none',
          animation: false,
          data: [
            ...(troublePercent === null ? [] : [limit(troublePercent, 'trouble above', 1.3)]),
            limit(cleanPercent, 'clean below', 0.9),
          ],
        },
      },
      ...range(course.next, water),
      ...range(course.mean, pencil),
      { ...line, data: pairs(i => course.mean[i]!.middle), lineStyle: { color: ink, width: 1.6 }, z: 3 },
      { ...line, data: pairs(i => course.next[i]!.middle), lineStyle: { color: water, width: 2.6 }, z: 4 },
    ],
  }
}
