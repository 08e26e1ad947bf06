import { quantileOfSorted } from '../src/core/numeric';

/** Runs something many times and prints median, p95 and spread in milliseconds. */
export function timed(name: string, limit: number, runs: number, action: () => void): void {
  for (let i = 0; i < Math.ceil(runs / 5); i += 1) action();
  const times: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now();
    action();
    times.push(performance.now() - start);
  }
  report(name, limit, times);
}

/** Prints one line of the table of figures. */
export function report(name: string, limit: number, times: number[]): void {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (p: number): string => quantileOfSorted(sorted, p).toFixed(3);
  const met = quantileOfSorted(sorted, 0.95) <= limit ? 'met' : 'MISSED';
  console.log(
    `| ${name} | ${limit} ms | ${at(0.5)} ms | ${at(0.95)} ms | ${at(0)} to ${at(1)} ms | ${sorted.length} | ${met} |`,
  );
}

export const HEAD =
  '| what | limit | median | p95 | spread | runs | at p95 |\n| --- | --- | --- | --- | --- | --- | --- |';
