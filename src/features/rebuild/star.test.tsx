import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { bench, clearBench, press, settle } from '../../../tests/support/stripBench';
import { WheelStar } from './WheelStar';

jest.mock(
  '@/ui/keeper/browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);
jest.mock('@/ui/chime', () => ({ chime: () => undefined }));
beforeEach(clearBench);

const sent = (): unknown[] => bench.calls.map(([, input]) => input);

describe('the star', () => {
  const props = {
    jobId: 'j',
    corner: 'FL' as const,
    count: 5,
    fastening: 'studs' as const,
    pulls: [],
    stamp: null,
    torqueNm: 120,
    unit: 'N·m' as const,
    isNext: true,
  };

  test('is counted by taps on the nut that is next, and by a wrench that types', async () => {
    const { container } = render(<WheelStar {...props} />);
    const nut = (number: number) => container.querySelector(`[data-nut="${number}"]`)!;
    fireEvent.click(nut(2));
    expect(screen.getByRole('alert').textContent).toBe('Next is nut 1.');
    expect(sent()).toEqual([]);
    fireEvent.click(nut(1));
    await settle();
    const field = screen.getByLabelText(/What the wrench read/);
    fireEvent.change(field, { target: { value: '48' } });
    await act(async () => void fireEvent.submit(field.closest('form')!));
    await waitFor(() => expect(sent().length).toBe(2));
    expect(sent()[1]).toMatchObject({ item: 'star', value: { pulls: [null, 48] }, seen: 'new' });
    expect(screen.getByText(/2 of 15 pulls/)).toBeInTheDocument();
    await press(screen.getByRole('button', { name: 'Take the last pull back' }));
    await waitFor(() => expect(sent()[2]).toMatchObject({ value: { pulls: [null] } }));
  });

  test('bolts are called bolts, and a figure that is none is said', async () => {
    render(<WheelStar {...props} fastening="bolts" />);
    expect(screen.getByText('Bolt')).toBeInTheDocument();
    const field = screen.getByLabelText(/What the wrench read/);
    fireEvent.change(field, { target: { value: 'tight' } });
    await act(async () => void fireEvent.submit(field.closest('form')!));
    expect(screen.getByRole('alert').textContent).toMatch(/not a torque/);
    expect(sent()).toEqual([]);
  });

  test('says when all are drawn up', () => {
    render(<WheelStar {...props} pulls={Array.from({ length: 15 }, () => null)} />);
    expect(screen.getByRole('status').textContent).toContain('All 5 nuts, three times.');
  });
});
