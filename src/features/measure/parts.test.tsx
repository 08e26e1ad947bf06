import { assessCorner } from '@/core/assessment';
import { fireEvent, render, screen } from '@testing-library/react';
import { BENCH_CORNER, benchSet, typedLap } from '../../../tests/support/sets';
import { likelyPlan } from './likely';
import type { BenchSet } from './model';
import { advisedStep } from './result';
import { solveSet } from './solve';
import { CornerQuality } from './CornerQuality';
import { recordOf } from './result';
import { ReadingLadder } from './ReadingLadder';
import { SaveStatus } from './SaveStatus';
import { SetDone } from './SetDone';
import { SetFindings } from './SetFindings';
import { mountingName } from './mountingName';
import { QuickStart } from './QuickStart';
import { SetStarter } from './SetStarter';

const corner = BENCH_CORNER;
const set = benchSet;
const readings = typedLap;
const nothing = (): void => undefined;

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

describe('a new set', () => {
  const plan = { kind: 'runout', positions: 12, shift: 0, face: 'outboard' } as const;
  const starter = (onStart = jest.fn()) => {
    render(<SetStarter corner={corner} plan={plan} onStart={onStart} />);
    return onStart;
  };

  test('of a composite rotor takes no thickness', () => {
    const { rerender } = render(<SetStarter corner={corner} plan={plan} onStart={jest.fn()} />);
    expect(screen.getByRole('button', { name: 'Thickness' })).toBeInTheDocument();
    const composite = { ...corner, isComposite: true };
    rerender(<SetStarter corner={composite} plan={plan} onStart={jest.fn()} />);
    expect(screen.queryByRole('button', { name: 'Thickness' })).toBeNull();
  });

  test('records what was left out, and recommends positions for nut pull', () => {
    const onStart = starter();
    const ticks = screen.getAllByRole('checkbox', { checked: false });
    // Nothing is ticked in advance.
    expect(ticks).toHaveLength(screen.getAllByRole('checkbox').length);
    for (const label of [/^All nuts on/, /^Bearing end play/, /^Indicator/, /^Probe/, /^Dial pre/])
      fireEvent.click(screen.getByLabelText(label));
    fireEvent.change(screen.getByLabelText('Read for'), { target: { value: 'nut-pull' } });
    fireEvent.click(screen.getByRole('button', { name: 'Start, 1 left out' }));
    expect(screen.getByText(/Say to what torque the nuts were drawn up/)).toBeInTheDocument();
    expect(onStart).not.toHaveBeenCalled();
    fireEvent.change(screen.getByLabelText(/drawn up to/), { target: { value: '110' } });
    fireEvent.click(screen.getByRole('button', { name: 'Start, 1 left out' }));
    expect(onStart).toHaveBeenCalledWith(
      expect.objectContaining({ positions: 15, left: ['clean'], torqueNm: 110 }),
    );
  });

  test('what earlier steps have proved is ticked and says by what; figures are carried over', () => {
    const onStart = jest.fn();
    const carried = {
      torqueNm: { value: 140, source: 'the figure on file' },
      endPlayUm: { value: 20, source: 'measured at the strip-down by Wren' },
      proved: [{ id: 'clean', source: 'ticked by Wren' }] as const,
    };
    const known = { ...corner, carried };
    render(<SetStarter corner={known} plan={likelyPlan([], known, null)} onStart={onStart} />);
    expect(screen.getByLabelText('Hub face and hat cleaned (ticked by Wren)')).toBeChecked();
    const torque = screen.getByLabelText(/drawn up to/);
    fireEvent.change(torque, { target: { value: '115' } });
    expect(screen.queryByText(/Carried over/)).toBeNull();
    fireEvent.change(torque, { target: { value: '140' } });
    expect(screen.getByText('Carried over: the figure on file.')).toBeInTheDocument();
    expect(screen.getByText(/End play 0.020 mm, measured at the strip-down by Wren/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'All of this is so: start runout' }));
    expect(onStart).toHaveBeenCalledWith(
      expect.objectContaining({ left: [], torqueNm: 140, endPlayUm: 20 }),
    );
  });

  test('Enter in a field says nothing of what is not ticked', () => {
    const onStart = starter();
    const torque = screen.getByLabelText(/drawn up to/);
    expect(fireEvent.keyDown(torque, { key: 'Enter' })).toBe(false);
    const all = screen.getByRole('button', { name: 'All of this is so: start runout' });
    expect(document.activeElement).toBe(all);
    // It was said, and stands as ticks while the torque is asked for.
    fireEvent.click(all);
    expect(screen.getByLabelText(/^All nuts on/)).toBeChecked();
    expect(onStart).not.toHaveBeenCalled();
    fireEvent.change(torque, { target: { value: '110' } });
    expect(fireEvent.keyDown(torque, { key: 'Enter' })).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Start runout' }));
    expect(onStart).toHaveBeenCalledWith(expect.objectContaining({ left: [], torqueNm: 110 }));
  });

  test('figures typed just before Enter are not lost, and a bad one stops the start', () => {
    const onStart = starter();
    const torque = screen.getByLabelText(/drawn up to/);
    fireEvent.change(torque, { target: { value: 'tight' } });
    fireEvent.submit(torque.closest('form')!);
    expect(screen.getByText(/Type the torque in N·m/)).toBeInTheDocument();
    expect(onStart).not.toHaveBeenCalled();
    fireEvent.change(torque, { target: { value: '110' } });
    fireEvent.change(screen.getByLabelText(/End play/), { target: { value: '12 um' } });
    fireEvent.submit(torque.closest('form')!);
    expect(onStart).toHaveBeenCalledWith(
      expect.objectContaining({ torqueNm: 110, endPlayUm: 12, positions: 12 }),
    );
  });

  test('a wrong number of positions or angles is named at its field, and nothing starts', () => {
    const onStart = starter();
    // Once all is said, the button says that it starts.
    const start = screen.getByRole('button', { name: /start runout$/i });
    fireEvent.change(screen.getByLabelText(/drawn up to/), { target: { value: '110' } });
    fireEvent.change(screen.getByLabelText('Positions'), { target: { value: '3' } });
    fireEvent.click(start);
    expect(screen.getByText('Take 4 to 72 positions.')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Own angles/), { target: { value: '0 90 x 270' } });
    fireEvent.click(start);
    expect(screen.getByText(/“x” is not an angle/)).toBeInTheDocument();
    expect(onStart).not.toHaveBeenCalled();
    fireEvent.change(screen.getByLabelText(/Own angles/), { target: { value: '0 90,5 170 270' } });
    fireEvent.click(start);
    expect(onStart).toHaveBeenCalledWith(
      expect.objectContaining({ positions: 4, angles: [0, 90.5, 170, 270] }),
    );
  });
});

test('what the sets say about each other: shares, seating, taper, cross-check, signatures', () => {
  const mounting = (shift: number, at: number): BenchSet =>
    set({
      id: `m${shift}`,
      positions: 12,
      shift,
      readings: Array.from({ length: 12 }, (_, position) => ({
        lap: 0,
        position,
        valueUm: Math.round(20 * Math.cos((position * Math.PI) / 6 - at)),
        text: '0',
        unit: 'mm',
      })),
    });
  const own = recordOf([mounting(0, 0), mounting(2, 1), mounting(4, 2.6)], corner);
  const { unmount } = render(
    <CornerQuality record={own} assessment={assessCorner(own)} corner={corner} />,
  );
  expect(screen.getByText('This mounting against its prediction')).toBeInTheDocument();
  expect(screen.getByText(/did not seat the same way twice/)).toBeInTheDocument();
  // What did not seat alike is not told apart.
  expect(screen.queryByText('Hub and rotor told apart')).toBeNull();
  unmount();
  const sound = recordOf([mounting(0, 0), mounting(2, 1)], corner);
  render(<CornerQuality record={sound} assessment={assessCorner(sound)} corner={corner} />);
  expect(screen.getByText('Hub and rotor told apart')).toBeInTheDocument();
  expect(screen.getByRole('img', { name: /The hub’s share/ })).toBeInTheDocument();
});

test('thickness begins with eight places and goes on until it is settled, unless a number is asked', () => {
  const onStart = jest.fn();
  const plan = { kind: 'runout', positions: 12, shift: 0, face: 'outboard' } as const;
  render(<SetStarter corner={corner} plan={plan} onStart={onStart} />);
  fireEvent.click(screen.getByRole('button', { name: 'Thickness' }));
  expect(screen.getByLabelText('Positions')).toHaveValue('8');
  const start = () =>
    fireEvent.click(screen.getByRole('button', { name: 'All of this is so: start thickness' }));
  start();
  expect(onStart).toHaveBeenLastCalledWith(expect.objectContaining({ positions: 8, settle: true }));
  fireEvent.change(screen.getByLabelText('Read for'), { target: { value: 'prints' } });
  fireEvent.click(screen.getByRole('button', { name: 'Start thickness' }));
  expect(onStart).toHaveBeenLastCalledWith(
    expect.objectContaining({ positions: 24, settle: false }),
  );
});

test('the starter offers only the places that the rotor allows', () => {
  const onStart = jest.fn();
  const plan = { kind: 'runout', positions: 12, shift: 0, face: 'outboard' } as const;
  render(
    <SetStarter corner={{ ...corner, allowedShifts: [0, 2] }} plan={plan} onStart={onStart} />,
  );
  expect(screen.getByLabelText('Rotor sits').querySelectorAll('option')).toHaveLength(2);
  fireEvent.change(screen.getByLabelText('Positions'), { target: { value: '24' } });
  fireEvent.click(screen.getByRole('button', { name: 'Thickness' }));
  fireEvent.click(screen.getByRole('button', { name: 'All of this is so: start thickness' }));
  expect(onStart).toHaveBeenCalledWith({
    ...plan,
    kind: 'thickness',
    positions: 24,
    settle: false,
    sweep: false,
    circle: undefined,
    gaugeId: null,
    angles: null,
    left: [],
    zeroErrorUm: null,
    rotorCelsius: null,
  });
});

test('a quick check offers the sweep beside the places where its dial sends by itself', () => {
  const plan = { kind: 'runout', positions: 12, shift: 2, face: 'outboard' } as const;
  const [onStart, onSweep] = [jest.fn(), jest.fn()];
  const { rerender } = render(<QuickStart {...{ plan, onStart, onSweep }} />);
  expect(screen.getAllByRole('button')).toHaveLength(1);
  rerender(<QuickStart canSweep {...{ plan, onStart, onSweep }} />);
  fireEvent.click(screen.getByRole('button', { name: /Sweep it/ }));
  expect(onSweep).toHaveBeenCalledTimes(1);
  fireEvent.click(screen.getByRole('button', { name: 'Read runout, 12 places' }));
  expect(onStart).toHaveBeenCalledTimes(1);
});

test('a sweep is offered where the dial sends by itself, and needs no number of places', () => {
  const onStart = jest.fn();
  const plan = { kind: 'runout', positions: 12, shift: 0, face: 'outboard' } as const;
  const { rerender } = render(<SetStarter corner={corner} plan={plan} onStart={onStart} />);
  expect(screen.queryByRole('option', { name: /one slow turn/ })).not.toBeInTheDocument();
  rerender(
    <SetStarter
      key="virtual"
      corner={corner}
      plan={{ ...plan, isVirtual: true, torqueNm: 120 }}
      onStart={onStart}
    />,
  );
  fireEvent.change(screen.getByLabelText('Read for'), { target: { value: 'sweep' } });
  expect(screen.queryByLabelText('Positions')).not.toBeInTheDocument();
  expect(screen.queryByLabelText(/Own angles/)).not.toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'All of this is so: start runout' }));
  expect(onStart).toHaveBeenCalledWith(expect.objectContaining({ sweep: true, positions: 240 }));
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
    onMoved: null,
    onRepeat: nothing,
    asks: null,
    onReadOn: nothing,
    onPressed: nothing,
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
    // A check has no stage to go on to: it is read again where it was moved to, or its figure typed.
    rerender(<SetDone {...done} onMoved={nothing} />);
    expect(first()).toBe('It is moved: read it there');
    rerender(<SetDone {...done} advised="discard" />);
    expect(first()).toBe('Enter the discard thickness');
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
    expect(screen.getByText('Beyond')).toBeInTheDocument();
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
  const { rerender } = render(<SaveStatus save={{ state: 'saved' }} />);
  expect(screen.getByText('All readings are saved.')).toBeInTheDocument();
  rerender(<SaveStatus save={{ state: 'waiting', count: 3 }} />);
  expect(screen.getByRole('alert').textContent).toMatch(/3 entries wait on this device/);
  const write = {
    ...{ name: 'reading', input: {}, place: 'p', jobId: 'j', about: 'reading at position 4' },
    ...{ number: 1, id: 'w', by: null, href: '/', at: 0 },
  };
  const refused = { state: 'refused' as const, message: 'too thick', fields: {}, code: 'refused' };
  rerender(<SaveStatus save={{ state: 'refused', writes: [{ ...write, status: refused }] }} />);
  expect(screen.getByRole('alert').textContent).toMatch(/position 4.*too thick/);
  const met = { state: 'conflict' as const, value: { kept: false, theirs: { text: '12' } } };
  rerender(<SaveStatus save={{ state: 'refused', writes: [{ ...write, status: met }] }} />);
  expect(screen.getByRole('alert').textContent).toMatch(/Another screen wrote “12”/);
});
