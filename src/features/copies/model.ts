/** A size of a file in the largest unit that leaves a figure of one or more. */
export function sayBytes(bytes: number): string {
  const units = ['B', 'kB', 'MB', 'GB'] as const;
  const step = Math.min(units.length - 1, Math.floor(Math.log10(Math.max(1, bytes)) / 3));
  const figure = bytes / 1000 ** step;
  return `${figure.toFixed(step > 0 && figure < 10 ? 1 : 0)} ${units[step]}`;
}
