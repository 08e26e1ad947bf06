import { act, fireEvent, render, screen } from '@testing-library/react';
import { BENCH_CORNER, benchSet, typedLap } from '../../../tests/support/sets';
import type { BenchSet } from './model';
import { PasteSets } from './PasteSets';
import { SetTools } from './SetTools';

const sent: unknown[] = [];
let answer: unknown = { ok: true, value: [] };
let former: unknown[] = [];
jest.mock('./requests', () => ({
  formerReadings: () => Promise.resolve({ ok: true, value: former }),
}));
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => {
    sent.push(input);
    return Promise.resolve(answer);
  },
}));

const settle = (): Promise<void> => act(async () => Promise.resolve());
const lap = (add: number): BenchSet['readings'] =>
  typedLap([0, 10, 20, 10, 0, -10, -20, -10].map((value, j) => value + (j === 2 ? add : 0)));

describe('what can be done with a set', () => {
  const tools = (sets: readonly BenchSet[], on: Partial<Parameters<typeof SetTools>[0]> = {}) =>
    render(
      <SetTools
        set={sets[0] ?? null}
        sets={sets}
        corner={BENCH_CORNER}
        onAside={jest.fn()}
        onAgain={jest.fn()}
        onPick={jest.fn()}
        onImported={jest.fn()}
        {...on}
      />,
    );
  const compareWith = (id: string): string => {
    fireEvent.change(screen.getByLabelText('Compare with'), { target: { value: id } });
    return screen.getByRole('status').textContent;
  };

  test('compared with another: alike, or apart by how much', () => {
    tools([
      benchSet({ readings: lap(0) }),
      benchSet({ id: 'b', readings: lap(1) }),
      benchSet({ id: 'c', shift: 2, readings: lap(30) }),
    ]);
    expect(compareWith('b')).toMatch(/^They agree/);
    expect(compareWith('c')).toMatch(/^They differ.*two mountings/);
  });

  test('a set that is not read yet cannot be compared, and alone there is nothing to compare', () => {
    const { unmount } = tools([benchSet({ readings: lap(0) }), benchSet({ id: 'b' })]);
    fireEvent.change(screen.getByLabelText('Compare with'), { target: { value: 'b' } });
    expect(screen.getByText('One of the two is not read yet.')).toBeInTheDocument();
    unmount();
    tools([benchSet({ readings: lap(0) })]);
    expect(screen.queryByLabelText('Compare with')).toBeNull();
  });

  test('is set aside or repeated only with a reason', () => {
    const [onAside, onAgain] = [jest.fn(), jest.fn()];
    tools([benchSet({ readings: lap(0) })], { onAside, onAgain });
    const say = (button: string, reason: string): void => {
      fireEvent.click(screen.getByRole('button', { name: button }));
      const field = screen.getByLabelText('Why it is set aside');
      fireEvent.change(field, { target: { value: reason } });
      fireEvent.submit(field);
    };
    say('Set it aside', '  ');
    expect(onAside).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Repeat it, with a reason' }));
    fireEvent.change(screen.getByLabelText('Why it is set aside'), { target: { value: 'loose' } });
    fireEvent.submit(screen.getByLabelText('Why it is set aside'));
    expect(onAgain).toHaveBeenCalledWith('loose');
    say('Set it aside', 'hot');
    expect(onAside).toHaveBeenCalledWith('hot');
  });

  test('what stood at a place before is listed and leads there', async () => {
    const onPick = jest.fn();
    former = [{ lap: 0, position: 8, text: '0.003', replacedAt: '1970-01-01T00:00:00.000Z' }];
    tools([benchSet({ readings: lap(0) })], { onPick });
    const details = screen.getByText('Readings that were changed').closest('details')!;
    details.open = true;
    fireEvent(details, new Event('toggle'));
    await settle();
    fireEvent.click(screen.getByRole('button', { name: 'Lap 1, position 1 again' }));
    expect(onPick).toHaveBeenCalledWith({ lap: 0, position: 8 });
    expect(screen.getByText('0.003')).toBeInTheDocument();
  });
});

describe('pasted readings', () => {
  const paste = (text: string, onImported = jest.fn()) => {
    render(<PasteSets corner={BENCH_CORNER} onImported={onImported} />);
    fireEvent.change(screen.getByLabelText('Readings'), { target: { value: text } });
    fireEvent.change(screen.getByLabelText('Where it does not say, it is'), {
      target: { value: 'thickness' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Put on file as new sets' }));
    return onImported;
  };
  const field = (): HTMLTextAreaElement => screen.getByLabelText('Readings');

  test('become sets, and the field is free again', async () => {
    answer = { ok: true, value: [benchSet()] };
    const onImported = paste('27.9\n27.8\n');
    await settle();
    expect(sent.at(-1)).toMatchObject({ kind: 'thickness', corner: 'FL', text: '27.9\n27.8\n' });
    expect(onImported).toHaveBeenCalledWith([benchSet()]);
    expect(field().value).toBe('');
  });

  test('stay in the field when they are refused', async () => {
    answer = { ok: false, message: 'Line 2: “x” is not a figure.', fields: {} };
    paste('value\nx\n');
    await settle();
    expect(screen.getByRole('alert').textContent).toMatch(/Line 2/);
    expect(field().value).toContain('x');
  });
});
