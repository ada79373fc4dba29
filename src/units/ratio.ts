/** Per cent to fraction of one, and back. */
export const fractionFromPercent = (percent: number): number => percent / 100
export const percentFromFraction = (fraction: number): number => fraction * 100
