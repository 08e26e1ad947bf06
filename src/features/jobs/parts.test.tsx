import { fireEvent, render, screen } from '@testing-library/react';
import { CloseJob } from './CloseJob';
import { RenewedAgain } from './RenewedAgain';

const calls: unknown[] = [];
jest.mock('./actions', () => ({
  closeJobAction: (...args: unknown[]) => {
    calls.push(['close', ...args]);
    return Promise.resolve();
  },
  reopenJobAction: (...args: unknown[]) => {
    calls.push(['reopen', ...args]);
    return Promise.resolve();
  },
}));
beforeEach(() => (calls.length = 0));

const CAUSES = [
  { code: 'hose', name: 'Collapsed hose' },
  { code: 'joint', name: 'Worn joint' },
];

describe('closing a job', () => {
  test('with the cause that was confirmed', () => {
    render(<CloseJob jobId="j" closed={false} causes={CAUSES} confirmed={null} />);
    fireEvent.change(screen.getByLabelText('Confirmed cause'), { target: { value: 'joint' } });
    fireEvent.click(screen.getByRole('button', { name: 'Close the job' }));
    expect(calls).toEqual([['close', 'j', 'joint']]);
  });

  test('with the cause left open: none is put in its place', () => {
    render(<CloseJob jobId="j" closed={false} causes={CAUSES} confirmed={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'Close the job' }));
    expect(calls).toEqual([['close', 'j', null]]);
  });

  test('and opening it again, with the cause on record still chosen', () => {
    const { rerender } = render(<CloseJob jobId="j" closed causes={CAUSES} confirmed="hose" />);
    fireEvent.click(screen.getByRole('button', { name: 'Open the job again' }));
    expect(calls).toEqual([['reopen', 'j']]);
    rerender(<CloseJob jobId="j" closed={false} causes={CAUSES} confirmed="hose" />);
    expect(screen.getByLabelText<HTMLSelectElement>('Confirmed cause').value).toBe('hose');
  });
});

test('only a renewal without a cause found is pointed out', () => {
  const { container, rerender } = render(<RenewedAgain answers={{ lately: 'brakes-renewed' }} />);
  expect(container.textContent).toBe('');
  rerender(<RenewedAgain answers={{ lately: 'renewed-again' }} />);
  expect(container.textContent).toContain('do not fit a third pair');
});
