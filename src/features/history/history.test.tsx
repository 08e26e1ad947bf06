import { render, screen } from '@testing-library/react';
import type { HistoryLine } from '@/server/records/history';
import { HistoryList } from './HistoryList';

const line: HistoryLine = {
  seq: 7,
  at: '2026-11-27 07:14:37',
  who: 'Tobiah, technician',
  what: 'check',
  place: 'FL look hose',
  before: 'bulged',
  after: null,
  reason: 'wrong wheel',
  isGrave: true,
};

test('a line says who, what, what stood there before, and why', () => {
  render(
    <HistoryList href="/jobs/j/history" only="grave" history={{ lines: [line], next: null }} />,
  );
  const item = screen.getByRole('listitem');
  expect(item.textContent).toBe(
    '2026-11-27 07:14:37 · Tobiah, techniciancheck: FL look hose bulged taken back because: wrong wheel',
  );
  expect(item.dataset.grave).toBe('true');
  expect(screen.getByRole('link', { name: 'Taken back or changed' })).toHaveAttribute(
    'aria-current',
    'page',
  );
  expect(screen.queryByRole('link', { name: 'What was before' })).toBeNull();
});

test('a change names both; a long history goes on, an empty one says so', () => {
  const { rerender } = render(
    <HistoryList
      href="/jobs/j/history"
      only="all"
      history={{ lines: [{ ...line, after: 'old', isGrave: false }], next: 7 }}
    />,
  );
  expect(screen.getByRole('listitem').textContent).toMatch(/bulged →became old/);
  expect(screen.getByRole('link', { name: 'What was before' })).toHaveAttribute(
    'href',
    '/jobs/j/history?only=all&before=7',
  );
  rerender(<HistoryList href="/h" only="limit" history={{ lines: [], next: null }} />);
  expect(screen.getByText('Nothing of this was written yet.')).toBeInTheDocument();
});
