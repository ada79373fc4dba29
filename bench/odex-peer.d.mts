export function odexSolve(
  f: (x: number, y: number[]) => number[],
  y0: number[],
  fromX: number,
  toX: number,
  tolerance: number,
): { y: number[]; asked: number; outcome: number }
