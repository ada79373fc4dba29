/** Share of the free air that one opening exchanges: 30 % at once, 95 % left open. Common practice. */
export const openingShare = (openSeconds: number): number => 0.3 + 0.65 * (1 - Math.exp(-openSeconds / 60))
