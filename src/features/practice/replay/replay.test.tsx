import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Replay } from '@/server/practice/replay';
import { ReplayRoom } from './ReplayRoom';

jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: jest.fn() }),
  usePathname: () => '/practice',
}));

const replay: Replay = {
  ...{ number: 1012, vehicle: 'Folio hatchback', complaint: 'It taps at the pedal.' },
  ...{ axle: 'front', causes: ['stuck-pins'] },
  found: [
    { code: 'felt', value: 'pedal+seat' },
    { code: 'pins-check', value: 'stuck', corner: 'FL' },
  ],
  sets: [
    {
      ...{ id: 'before FL 0', corner: 'FL', kind: 'thickness', isAsFound: false, shift: 0 },
      ...{ seat: 'as first marked', studs: 5, fastening: 'studs', angles: [0, 90, 180, 270] },
      ...{ values: [-6, 2, 4, 0], readings: 8, least: 25_984 },
      verdict: { state: 'within', value: 10, limit: 15 },
    },
  ],
  told: { found: ['A pin was stuck.'], done: ['Pins were freed.'], verdict: 'It is cured.' },
};

beforeEach(() => localStorage.clear());

test('what was written down is given when it is asked for, and what it was signed with at the end', async () => {
  render(<ReplayRoom replay={replay} units="mm" />);
  expect(screen.queryByText('Pins were freed.')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: /^Where is it felt/ }));
  expect(await screen.findByText('Pedal, Seat or floor')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: /^Slide pins/ }));
  expect(await screen.findByText('Stuck (front left)')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: /^What noise does it make/ }));
  expect(await screen.findByText('nobody wrote that down')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: /^Thickness, front left, 4 places/ }));
  // Its own limit, that of variation.
  expect(await screen.findByText('limit 0.015 mm, thinnest 25.984 mm')).toBeInTheDocument();
  expect(screen.getByText('0.010 mm')).toBeInTheDocument();
  expect(screen.getByText('Within')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: /^Say what is wrong/ }));
  fireEvent.click(screen.getByLabelText('Collapsed hose holding pressure'));
  fireEvent.click(screen.getByRole('button', { name: 'Show what it was signed with' }));
  await waitFor(() =>
    expect(screen.getByRole('heading', { name: /^It was signed with stuck/ })).toHaveFocus(),
  );
  expect(screen.getByText('Pins were freed.')).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: /^Slide pins/ })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Work it again' }));
  expect(await screen.findByText('Nothing yet: ask first.')).toBeInTheDocument();
});
