import { fireEvent, render, screen } from '@testing-library/react';
import { advisedStep, openBench, solveSet, type BenchCorner, type BenchSet } from './model';
import { ReadingEntry } from './ReadingEntry';
import { ReadingLadder } from './ReadingLadder';
import { SaveStatus } from './SaveStatus';
import { SetDone } from './SetDone';
import { SetFindings } from './SetFindings';
import { mountingName } from './mountingName';
import { SetStarter } from './SetStarter';

jest.mock('./actions', () => ({}));

const corner: BenchCorner = {
  jobId: 'j',
  corner: 'FL',
  phase: 'before',
  fastening: 'studs',
  studs: 5,
  allowedShifts: null,
  limits: { runout: { value: 50, source: 'maker' } },
  units: 'mm',
  gauges: [],
};
const readings = (values: readonly number[]): BenchSet['readings'] =>
  values.map((valueUm, position) => ({
    lap: 0,
    position,
    valueUm,
    text: `${valueUm / 1000}`,
    unit: 'mm',
  }));
const set = (more: Partial<BenchSet> = {}): BenchSet => ({
  id: 'a',
  phase: 'before',
  isAside: false,
  kind: 'runout',
  face: 'outboard',
  positions: 8,
  laps: 1,
  shift: 0,
  resolutionUm: 1,
  repeatabilityUm: 1,
  mpeUm: null,
  zeroErrorUm: null,
  rotorCelsius: null,
  endPlayUm: null,
  radiusUm: null,
  gaugeId: null,
  torqueNm: null,
  readings: [],
  ...more,
});
const nothing = (): void => undefined;

describe('the entry field', () => {
  const entry = (own: BenchSet, on: Partial<Parameters<typeof ReadingEntry>[0]> = {}) =>
    render(
      <ReadingEntry
        set={own}
        state={openBench([own])}
        corner={corner}
        onType={nothing}
        onEnter={nothing}
        onStep={nothing}
        onCorrect={nothing}
        {...on}
      />,
    );

  test('names the place, the chalk mark and the unit', () => {
    entry(set());
    expect(screen.getByLabelText(/Position 1 of 8 \(chalk mark, stud 1\)/)).toBe(
      document.activeElement,
    );
    expect(screen.getByText('mm')).toBeTruthy();
  });
  test('asks for the closing reading in words', () => {
    const own = set({ readings: readings([0, 1, 2, 3, 4, 3, 2, 1]) });
    entry(own, { state: { ...openBench([own]), cursor: { lap: 0, position: 8 } } });
    expect(screen.getByLabelText(/Position 1 again, to close the lap/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Skip' })).toBeTruthy();
  });
  test('Enter takes, arrows step, ± turns the sign', () => {
    const onEnter = jest.fn();
    const onStep = jest.fn();
    const onType = jest.fn();
    const own = set();
    entry(own, { onEnter, onStep, onType, state: { ...openBench([own]), draft: '0.5' } });
    const field = screen.getByRole('textbox');
    fireEvent.submit(field.closest('form')!);
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    fireEvent.keyDown(field, { key: 'ArrowUp' });
    fireEvent.click(screen.getByTitle('Plus or minus'));
    expect(onEnter).toHaveBeenCalledTimes(1);
    expect(onStep.mock.calls).toEqual([[1], [-1]]);
    expect(onType).toHaveBeenCalledWith('-0.5');
  });
  test('a message stands at the field and marks it', () => {
    const own = set();
    entry(own, { state: { ...openBench([own]), draft: 'x', error: 'Type a number.' } });
    expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toBe('Type a number.');
  });
  test('a slip is named with what was likely meant, and F2 or a tap changes it', () => {
    const onCorrect = jest.fn();
    const own = set({ readings: readings([0, 10, 20, 30, 410]) });
    entry(own, { onCorrect });
    expect(screen.getByRole('status').textContent).toMatch(
      /Position 5: 0\.41 stands far off\. Meant 0\.041, the decimal mark slipped\?/,
    );
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'F2' });
    fireEvent.click(screen.getByRole('button', { name: 'Change it (F2)' }));
    expect(onCorrect).toHaveBeenCalledTimes(2);
    expect(onCorrect.mock.calls[0][0]).toMatchObject({
      place: { lap: 0, position: 4 },
      slip: { kind: 'decimal', text: '0.041', value: 41 },
    });
  });
  test('nothing is offered for readings that follow each other', () => {
    const onCorrect = jest.fn();
    entry(set({ readings: readings([0, 10, 20, 30, 38]) }), { onCorrect });
    expect(screen.queryByRole('status')).toBeNull();
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'F2' });
    expect(onCorrect).not.toHaveBeenCalled();
  });
  test('thickness has no sign button', () => {
    entry(set({ kind: 'thickness' }));
    expect(screen.queryByTitle('Plus or minus')).toBeNull();
  });
});

test('the ladder shows what was read in the shop’s unit and picks a place', () => {
  const onPick = jest.fn();
  const own = set({ readings: readings([0, 12]) });
  const ladder = { set: own, lap: 0, cursor: null, suspects: [1], onPick };
  const { rerender } = render(<ReadingLadder {...ladder} corner={corner} />);
  const buttons = screen.getAllByRole('button');
  expect(buttons).toHaveLength(9);
  expect(buttons[1]!.textContent).toContain('0.012');
  expect(buttons[1]!.className).toContain('suspect');
  expect(buttons[8]!.textContent).toContain('1 again');
  fireEvent.click(buttons[4]!);
  expect(onPick).toHaveBeenCalledWith({ lap: 0, position: 4 });
  rerender(<ReadingLadder {...ladder} corner={{ ...corner, units: 'thou' }} />);
  expect(screen.getAllByRole('button')[1]!.textContent).toContain('0.5');
});

test('a mounting is named by the move from the first mark', () => {
  expect(mountingName(corner, 0)).toBe('as first marked (stud 1)');
  expect(mountingName(corner, 2)).toBe('2 studs clockwise as you face it');
  expect(mountingName({ ...corner, corner: 'RR', fastening: 'bolts' }, 1)).toBe(
    '1 hole counter-clockwise as you face it',
  );
});

test('the starter offers only the places that the rotor allows', () => {
  const onStart = jest.fn();
  const plan = { kind: 'runout', positions: 12, shift: 0, face: 'outboard' } as const;
  render(
    <SetStarter
      corner={{ ...corner, allowedShifts: [0, 2] }}
      plan={plan}
      busy={false}
      onStart={onStart}
    />,
  );
  expect(screen.getByLabelText('Rotor sits').querySelectorAll('option')).toHaveLength(2);
  fireEvent.change(screen.getByLabelText('Positions'), { target: { value: '24' } });
  fireEvent.click(screen.getByRole('button', { name: 'Thickness' }));
  fireEvent.click(screen.getByRole('button', { name: 'Start thickness' }));
  expect(onStart).toHaveBeenCalledWith({
    ...plan,
    kind: 'thickness',
    positions: 24,
    gaugeId: null,
    angles: null,
    left: [],
  });
});

describe('what follows a set', () => {
  const done = {
    set: set(),
    corner,
    missing: null,
    advised: 'next',
    todo: 'Put the set right and measure again.',
    nextHref: '/decide',
    nextLabel: 'Decide',
    busy: false,
    onMissing: nothing,
    onLap: nothing,
    onMounting: nothing,
    onRepeat: nothing,
  } as const;
  const first = (): string =>
    document.querySelector('.zh-next .btn-primary')?.textContent ?? 'nothing';

  test('is the missing kind, else the advised mounting, else the next stage', () => {
    const { rerender } = render(<SetDone {...done} missing="thickness" />);
    expect(first()).toBe('Measure thickness');
    rerender(<SetDone {...done} advised="mounting" />);
    expect(first()).toBe('Another mounting');
    rerender(<SetDone {...done} />);
    expect(first()).toBe('Decide');
    expect(screen.getByRole('status').textContent).toMatch(/is read\. Put the set right/);
    rerender(<SetDone {...done} advised="mounting" onMounting={null} />);
    expect(first()).toBe('Decide');
    rerender(<SetDone {...done} advised="lap" />);
    expect(first()).toBe('Another lap');
  });
});

test('a lap that did not close is to be taken again, not decided on', () => {
  const lap = [0, 20, 40, 30, 0, -20, -40, -30];
  const open = set({ readings: readings([...lap, 30]) });
  const result = solveSet(open, corner);
  expect(advisedStep(result, { kind: 'not-valid', reasons: [] })).toBe('again');
  const closed = solveSet(set({ readings: readings([...lap, 1]) }), corner);
  expect(advisedStep(closed, { kind: 'too-close', what: 'runout', laps: 3 })).toBe('lap');
  expect(advisedStep(closed, { kind: 'too-close', what: 'runout', laps: null })).toBe('next');
  expect(advisedStep(closed, { kind: 'too-close', what: 'thickness', laps: 3 })).toBe('next');
  expect(advisedStep(closed, { kind: 'second-mounting', from: 0, to: 2 })).toBe('mounting');
});

describe('findings', () => {
  test('a runout set names value, limit, source and high spot', () => {
    const own = set({ readings: readings([0, 20, 40, 30, 0, -20, -40, -30]) });
    render(<SetFindings result={solveSet(own, corner)!} corner={corner} />);
    expect(screen.getByText('Beyond')).toBeTruthy();
    expect(document.body.textContent).toMatch(/limit 0\.050 mm, maker/);
    expect(document.body.textContent).toMatch(/high spot at \d+°/);
  });
  test('without a discard thickness no thickness verdict is given', () => {
    const own = set({ kind: 'thickness', readings: readings(new Array(8).fill(27_000)) });
    render(<SetFindings result={solveSet(own, corner)!} corner={corner} />);
    expect(document.body.textContent).toMatch(/No discard thickness is on file/);
  });
  test('a machine-to thickness that is derived is said to be', () => {
    const own = set({ kind: 'thickness', readings: readings(new Array(8).fill(27_000)) });
    const known = { ...corner, limits: { discard: { value: 26_000, source: 'stamped' } } } as const;
    render(<SetFindings result={solveSet(own, known)!} corner={known} />);
    expect(document.body.textContent).toMatch(/stamped on the part/);
    expect(document.body.textContent).toMatch(/wear reserve is used \(workshop default\)/);
  });
});

test('the saving state is told in words', () => {
  const { rerender } = render(<SaveStatus status={{ state: 'saved' }} />);
  expect(screen.getByText('All readings are saved.')).toBeTruthy();
  rerender(<SaveStatus status={{ state: 'waiting', count: 3 }} />);
  expect(screen.getByRole('alert').textContent).toMatch(/3 readings wait on this device/);
  rerender(<SaveStatus status={{ state: 'refused', message: 'too thick' }} />);
  expect(screen.getByRole('alert').textContent).toMatch(/too thick/);
});
