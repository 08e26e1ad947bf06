import { render, screen, within } from '@testing-library/react';
import { meanFrom, shareOf } from '@/core/insights';
import type { InsightsView } from '@/server/records/insights';
import { InsightsBoard } from './InsightsBoard';
import { sayMoney } from '@/core/options';
import { biasOf, correctionName, sayMinutes, sayShare } from './model';

const EMPTY: InsightsView = {
  jobs: 0,
  comebacks: shareOf(0, 0),
  byCause: [],
  byCorrection: [],
  predictions: [],
  stages: [],
  found: [],
  savings: [],
  years: [2026, 2025],
  proofs: [],
};
const proof = (number: number): InsightsView['proofs'][number] => ({
  ...{ jobId: `j${number}`, number, plate: 'SK-042-K', corner: 'FL', correction: 'index' },
  ...{ predicted: 20, miss: 3 },
});
const FULL: InsightsView = {
  ...EMPTY,
  jobs: 42,
  comebacks: shareOf(2, 42),
  byCause: [
    { key: 'hub-runout', share: shareOf(2, 30) },
    { key: '', share: shareOf(0, 4) },
  ],
  byCorrection: [{ key: 'index', share: shareOf(0, 20) }],
  predictions: [
    { correction: 'index', miss: meanFrom(20, 60, 260), within: shareOf(19, 20) },
    { correction: 'replace', miss: meanFrom(2, 1, 1), within: shareOf(2, 2) },
  ],
  stages: [{ stage: 'measure', jobs: 40, median: 24, from: 19, to: 32 }],
  found: Array.from({ length: 14 }, (_, i) => ({ code: 'seat', value: `v${i}`, count: 20 - i })),
  savings: [
    {
      currency: 'crowns',
      correction: 'index',
      corners: 20,
      total: 1800,
      each: meanFrom(20, 1800, 1),
    },
    {
      currency: 'crowns',
      correction: 'clean',
      corners: 3,
      total: -2100,
      each: meanFrom(3, -2100, 1),
    },
  ],
  proofs: [proof(1), proof(2)],
};
const board = (view: InsightsView, year: number | null = null) =>
  render(
    <InsightsBoard
      view={view}
      year={year}
      units="mm"
      causes={{ 'hub-runout': 'Hub flange runout' }}
      findings={{ 'seat=v0': 'Hub face: rust' }}
    />,
  );

test('nothing signed off says so, in all years and in one', () => {
  const { rerender } = board(EMPTY);
  expect(screen.getByText(/No job is signed off yet/)).toBeInTheDocument();
  rerender(<InsightsBoard view={EMPTY} year={2025} units="mm" causes={{}} findings={{}} />);
  expect(screen.getByText('No job was signed off in 2025.')).toBeInTheDocument();
  expect(screen.getByRole('link', { name: '2025' }).getAttribute('aria-current')).toBe('page');
});

test('shares have their interval, small numbers are counts and called so', () => {
  board(FULL);
  const row = screen.getByRole('row', { name: /Hub flange runout/ });
  expect(within(row).getByText(/6\.7 % \(95 % sure: 1\.8 to 21 %\)/)).toBeInTheDocument();
  expect(screen.getByRole('row', { name: /none confirmed.*0 of 4, too few/ })).toBeInTheDocument();
});

test('the tool is held to what it predicted, in either direction', () => {
  board(FULL);
  expect(screen.getByText(/It ends worse than predicted/)).toBeInTheDocument();
  expect(screen.getByText('Too few to say.')).toBeInTheDocument();
  expect(screen.getByText('Runout after the correction, the latest corners')).toBeInTheDocument();
});

test('money lost is said as lost; what was found is folded beyond a dozen', () => {
  board(FULL);
  expect(screen.getByText(/lost against a new rotor every time/)).toBeInTheDocument();
  expect(screen.getByText('Hub face: rust')).toBeInTheDocument();
  expect(screen.getByText('2 more')).toBeInTheDocument();
  expect(screen.getByText(/the middle half 19 min to 32 min/)).toBeInTheDocument();
});

test('words for shares, times, money and leanings', () => {
  expect(sayShare(shareOf(0, 0))).toBe('none yet');
  expect(sayShare(shareOf(3, 9))).toBe('3 of 9, too few to call a rate');
  expect([0.4, 24, 95].map(sayMinutes)).toEqual(['under a minute', '24 min', '1 h 35 min']);
  expect([sayMoney(-1234.4, 'crowns'), sayMoney(5, '')]).toEqual(['\u22121,234 crowns', '5']);
  expect(biasOf(meanFrom(20, -60, 260))).toBe('less');
  expect(biasOf(meanFrom(20, 0, 260))).toBe('none');
  expect(biasOf(meanFrom(3, 30, 300))).toBe('unknown');
  expect(correctionName('other')).toBe('other');
});
