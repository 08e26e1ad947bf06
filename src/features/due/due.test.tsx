import { render, screen } from '@testing-library/react';
import { DueList } from './DueList';

const line = {
  ...{ id: 'r', jobId: 'j', number: 101, vehicleId: 'v', plate: 'SK-001-A', owner: null },
  ...{ what: 'wheel-nuts' as const, dueKm: 100, dueOn: null, lastKm: 200 },
  say: 'Wheel nuts checked at 100 km',
};

test.each([
  ['overdue', 'Overdue'],
  ['soon', 'Soon'],
  ['later', 'Later'],
] as const)('%s is said by a word', (state, word) => {
  render(<DueList lines={[{ ...line, state }]} />);
  expect(screen.getByText(word)).toBeInTheDocument();
  expect(screen.getByRole('link', { name: 'Job 101' }).getAttribute('href')).toBe('/jobs/j/prove');
});

test('nothing due says where rechecks are set', () => {
  render(<DueList lines={[]} />);
  expect(screen.getByRole('status').textContent).toMatch(/Prove page/);
});
