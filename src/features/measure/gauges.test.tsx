import { act, fireEvent, render, screen } from '@testing-library/react';
import { BENCH_CORNER } from '../../../tests/support/sets';
import { VirtualGauge, type Shown, type VirtualGaugeProps } from './VirtualGauge';

const DIAL: VirtualGaugeProps['set'] = {
  ...{ kind: 'runout', shift: 0, face: 'outboard', radiusUm: null },
  ...{ resolutionUm: 1, repeatabilityUm: 0 },
};

describe('the virtual gauge', () => {
  const shown: (Shown | null)[] = [];
  const gauge = (more: Partial<VirtualGaugeProps> = {}) =>
    render(
      <VirtualGauge
        corner={{ ...BENCH_CORNER, jobId: 'job' }}
        set={DIAL}
        unit="mm"
        target={30}
        step={30}
        isFree={false}
        onShows={(each) => shown.push(each)}
        onTake={jest.fn()}
        onNote={jest.fn()}
        {...more}
      />,
    );

  test('is taken only where the wheel stands at the position asked for', () => {
    gauge();
    expect(shown.at(-1)?.refuse).toBeNull();
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowRight' });
    expect(shown.at(-1)?.refuse).toMatch(/Turn the wheel/);
    fireEvent.click(screen.getByRole('button', { name: 'Turn to the next position' }));
    expect(shown.at(-1)?.refuse).toBeNull();
  });

  test('what it showed elsewhere is never offered where the wheel stands now', () => {
    gauge();
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowRight' });
    const elsewhere = shown.at(-1)?.reading.text;
    expect(elsewhere).toBeDefined();
    const before = shown.length;
    fireEvent.click(screen.getByRole('button', { name: 'Turn to the next position' }));
    const offered = shown.slice(before).filter((each) => each?.refuse === null);
    expect(offered.map((each) => each?.reading.text)).not.toContain(elsewhere);
  });

  test('space at the wheel takes; push and pull is noted', () => {
    const [onTake, onNote] = [jest.fn(), jest.fn()];
    gauge({ onTake, onNote });
    fireEvent.keyDown(screen.getByRole('slider'), { key: ' ' });
    expect(onTake).toHaveBeenCalledTimes(1);
    fireEvent.change(screen.getByLabelText(/Practise with/), { target: { value: 'end-play' } });
    act(() => screen.getByRole('button', { name: 'Push and pull' }).click());
    expect(onNote).toHaveBeenCalledWith('endPlayUm', 60);
  });

  test('the micrometer is closed and the rotor felt', () => {
    const onNote = jest.fn();
    gauge({ set: { ...DIAL, kind: 'thickness' }, onNote });
    fireEvent.change(screen.getByLabelText(/Practise with/), { target: { value: 'hot' } });
    fireEvent.click(screen.getByRole('button', { name: /Close it/ }));
    expect(onNote.mock.calls).toEqual([
      ['zeroErrorUm', 0],
      ['rotorCelsius', 120],
    ]);
  });
});
