import { act, fireEvent, render, screen } from '@testing-library/react';
import { bench, clearBench, fakeBrowser, settle } from '../../../tests/support/stripBench';
import type { WriteOrder } from '@/ui/keeper';
import { Unsent } from './Unsent';
import { UnsentBadge } from './UnsentBadge';

const JOB = '0a5b6b6e-6f6f-4f6f-8f6f-000000000001';
let path = `/jobs/${JOB}/decide`;
jest.mock('next/navigation', () => ({ usePathname: () => path }));
jest.mock(
  '@/ui/keeper/browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);
beforeAll(() => {
  // The test browser has none; the list asks it how wide the window is.
  window.matchMedia = (media) =>
    ({
      media,
      matches: false,
      addListener: () => undefined,
      removeListener: () => undefined,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as unknown as MediaQueryList;
});
beforeEach(() => {
  clearBench();
  path = `/jobs/${JOB}/decide`;
});

const reading: WriteOrder = {
  name: 'reading',
  input: { setId: 's', lap: 0, position: 3, text: '0.033', was: null },
  place: 'reading s 0 3',
  jobId: JOB,
  about: 'reading at position 4, lap 1: 0.033',
};
const star: WriteOrder = {
  name: 'check',
  input: { kind: 'torque', place: 'FL', item: 'star', value: { pulls: [null] }, seen: null },
  place: 'check j torque FL star',
  jobId: JOB,
  about: 'FL, torque: star',
};
const HERE = { by: null, href: `/jobs/${JOB}/measure/FL` };

async function keep(order: WriteOrder, answer: object): Promise<void> {
  bench.answer = answer;
  await act(async () => {
    void fakeBrowser.browserKeeper().keep(order, HERE);
    await Promise.resolve();
  });
  await settle();
  await settle();
}

const open = () =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name: /not taken/ }));
    await Promise.resolve();
  });

describe('what is not on the server', () => {
  test('is counted in the header, told on every page of its job, and nowhere else', async () => {
    const { rerender } = render(<Unsent />);
    expect(screen.queryByRole('status')).toBeNull();
    await keep(reading, { state: 'refused', message: 'Too large.', fields: {}, code: 'x' });
    // 2026-12-01: it said that an entry is on this device only, and not which.
    expect(screen.getByRole('status').textContent).toBe(
      'Not taken: reading at position 4, lap 1: 0.033. Why stands where it was entered, and in the head of the page.',
    );
    await keep(star, { state: 'refused', message: 'It is signed.', fields: {}, code: 'x' });
    expect(screen.getByRole('status').textContent).toBe(
      '2 entries of this job were not taken. Why stands where it was entered, and in the head of the page.',
    );
    path = '/find';
    rerender(<Unsent />);
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('is listed with its reason, tried again, and dropped by hand', async () => {
    render(<UnsentBadge />);
    await keep(reading, { state: 'refused', message: 'Too large.', fields: {}, code: 'x' });
    await open();
    expect(screen.getByText(/Not taken: Too large\./)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Go there' })).toHaveAttribute('href', HERE.href);
    bench.answer = { state: 'done', value: { text: '0.033' } };
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
      await Promise.resolve();
    });
    await settle();
    expect(bench.calls).toHaveLength(2);
    expect(fakeBrowser.browserKeeper().current().writes).toEqual([]);
  });

  // 2026-11-27: what another had written was written over from the list without being shown.
  test.each([
    [reading, { text: '0.029' }, 'Another screen wrote there meanwhile: 0.029.'],
    [reading, null, 'Another screen took back what stood there.'],
    [
      star,
      { by: 'Ines', stamp: 's2', value: { pulls: [1, 2] } },
      'Ines wrote there meanwhile: 2 pulls.',
    ],
    [star, { by: 'Ines', stamp: 's2', value: [] }, 'Ines wrote there meanwhile: sound.'],
  ])('says what another screen wrote before it is written over', async (order, theirs, says) => {
    render(<UnsentBadge />);
    await keep(order, { state: 'conflict', value: { kept: false, theirs } });
    await open();
    expect(screen.getByText(new RegExp(says))).toBeInTheDocument();
    bench.answer = { state: 'done', value: { stamp: 's3' } };
    fireEvent.click(screen.getByRole('button', { name: 'Write mine' }));
    await settle();
    await settle();
    const over = bench.calls.at(-1)?.[1] as { was?: unknown; seen?: unknown };
    const stood = theirs as { text?: string; stamp?: string } | null;
    expect(over.was ?? over.seen ?? null).toBe(stood?.text ?? stood?.stamp ?? null);
    expect(fakeBrowser.browserKeeper().current().writes).toEqual([]);
  });
});
