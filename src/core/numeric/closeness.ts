/** Whether two figures agree to within `tolerance` in the same unit. */
export const isClose = (a: number, b: number, tolerance = 1e-9): boolean =>
  Math.abs(a - b) <= tolerance;
