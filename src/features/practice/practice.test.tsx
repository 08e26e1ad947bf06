import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import {
  judgeApart,
  judgeDecide,
  judgeRead,
  cornerCase,
  outcomeIn,
  type Outcome,
  type Source,
} from '@/core/practice';
import type { PracticeOfShop } from '@/server/practice/practice';
import { ApartAnswer } from './ApartAnswer';
import { ApartDebrief } from './ApartDebrief';
import { BenchLooks } from './BenchLooks';
import { Debrief } from './Debrief';
import { DecideAnswer } from './DecideAnswer';
import { DecideDebrief } from './DecideDebrief';
import { learningOf, outcomesCsv } from './learning';
import { PracticeDesk } from './PracticeDesk';
import { actionsOf, readingsOf } from './run';
import { wayOf } from './way';

const push = jest.fn();
jest.mock('next/navigation', () => ({
  useRouter: () => ({ push }),
  usePathname: () => '/practice',
}));

const keep = jest.fn();
jest.mock('@/ui/keeper', () => ({
  ...jest.requireActual<object>('@/ui/keeper'),
  keepWrite: (order: unknown) => {
    keep(order);
    return Promise.resolve({ ok: true, value: null });
  },
  useRefresh: () => ({ refresh: () => undefined, isLoading: false }),
}));

const own = cornerCase('RB-0000W');
const outcome = (more: Partial<Outcome> = {}): Outcome => ({
  ...{ code: 'RD-00001', at: 1000, who: 'Wren', isRight: true, isHarm: false },
  ...{
    minutes: 20,
    best: 10,
    missed: [],
    errorUm: 1.2,
    said: null,
    source: null,
    way: null,
    bestWay: null,
    saidCause: null,
    cause: null,
    ...more,
  },
});
const WREN = { id: 'w', name: 'Wren' };
const NO_SHOP: PracticeOfShop = { own: [], tasks: [], shop: null };
const kept = (name: string, input: unknown, id = name) => ({ id, name, input });

beforeEach(() => localStorage.clear());

test('what was read of another seat answers nothing of a case', () => {
  const elsewhere = {
    kind: 'runout' as const,
    face: 'outboard' as const,
    shift: 2,
    laps: [[0, 1, 2]],
  };
  const gauge = { resolution: 1, repeatability: 1 };
  expect(judgeRead(own, [{ ...elsewhere, gauge }], [], 3).figures[0]?.state).toBe('not-measured');
});

describe('what a case holds', () => {
  test('looks and remedies once each, readings each time, and how it ended', () => {
    const look = { kind: 'look', fault: 'hot' };
    const writes = [
      kept('practice-action', look, '1'),
      kept('practice-action', look, '2'),
      kept('practice-action', { kind: 'look', fault: 'no such' }, '3'),
      kept('reading', {}, '4'),
      kept('reading', {}, '5'),
    ];
    expect(actionsOf(writes)).toEqual([look]);
    expect(readingsOf(writes)).toBe(2);
    expect(outcomeIn(writes)).toBeNull();
    expect(outcomeIn([...writes, kept('practice-done', outcome())])).toEqual(outcome());
  });
});

describe('what is to be learned', () => {
  test('shares, pace, what is missed most, and the weak subject next', () => {
    const all = [
      outcome({ code: 'RD-00001' }),
      outcome({ code: 'RM-00001', isRight: false, isHarm: true, missed: ['lip'] }),
      outcome({ code: 'RM-00002', isRight: false, missed: ['lip', 'hot'], errorUm: null }),
      outcome({ code: 'RB-00001' }),
    ];
    expect(learningOf(all)).toEqual({
      ...{ cases: 4, right: 2, harms: 1, pace: 2, errors: [1.2, 1.2, 1.2], mistaken: [] },
      error: { now: 1.2, before: null },
      mistakenCauses: [],
      next: { level: 'read', subject: 'micrometer' },
      missed: [
        { fault: 'lip', count: 2 },
        { fault: 'hot', count: 1 },
      ],
    });
    expect(learningOf([])).toMatchObject({ cases: 0, pace: null, next: { subject: 'dial' } });
  });
  test('which cause is taken for which', () => {
    const told = (source: Source, said: Source) =>
      outcome({ code: 'TB-00001', source, said, isRight: source === said });
    const all = [
      told('dirt', 'hub'),
      told('both', 'both'),
      told('nuts', 'rotor'),
      told('dirt', 'hub'),
    ];
    expect(learningOf(all).mistaken).toEqual([
      { source: 'dirt', said: 'hub', count: 2 },
      { source: 'nuts', said: 'rotor', count: 1 },
    ]);
    // What was kept before causes were asked for.
    const { said: _, source: __, ...old } = outcome();
    expect(outcomeIn([kept('practice-done', old)])).toEqual(outcome());
  });
  test('of whole cars tells which fault was taken for which', () => {
    const taken = outcome({ code: 'FB-00001', cause: 'joint', saidCause: 'tyre-wheel' });
    const { mistakenCauses } = learningOf([taken, { ...taken, at: 2 }, outcome()]);
    expect(mistakenCauses).toEqual([{ cause: 'joint', said: 'tyre-wheel', count: 2 }]);
  });

  test('as CSV no name is a formula', () => {
    const csv = outcomesCsv([outcome({ who: '=1+1', missed: ['hot', 'zero'] })]);
    expect(csv.split('\n')[1]).toBe(
      "RD-00001,1970-01-01T00:00:01.000Z,'=1+1,true,false,20.0,10.0,Feel the rotor; Close the micrometer,1.20,,,,,,",
    );
  });
});

test('what was looked at says what is there; what is wrong can be put right', () => {
  const onDo = jest.fn();
  const looks = (actions: Parameters<typeof BenchLooks>[0]['actions'], isOver = false) =>
    render(<BenchLooks {...{ own, actions, isOver, onDo }} isFolded={false} />);
  const { unmount } = looks([]);
  fireEvent.click(screen.getByRole('button', { name: /^Shake the base/ }));
  expect(onDo).toHaveBeenCalledWith({ kind: 'look', fault: 'loose-base' });
  expect(screen.queryByText(/creeps/)).toBeNull();
  unmount();
  const second = looks([
    { kind: 'look', fault: 'loose-base' },
    { kind: 'look', fault: 'hot' },
  ]);
  expect(screen.getByText(/the base creeps/)).toBeVisible();
  expect(screen.getByText(/hand warm/)).toBeVisible();
  fireEvent.click(screen.getByRole('button', { name: /^Clamp the base/ }));
  expect(onDo).toHaveBeenLastCalledWith({ kind: 'remedy', fault: 'loose-base' });
  second.unmount();
  looks([{ kind: 'look', fault: 'hot' }], true);
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.getByText('Shake the base: not looked at.')).toBeInTheDocument();
});

test('after it one sentence first, then the figures beside the truth', () => {
  render(<Debrief own={own} units="mm" result={judgeRead(own, [], [], 0)} />);
  expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent(/^Shake the base/);
  const row = screen.getByRole('row', { name: /Lateral runout/ });
  const truth = `${(own.truth.runout / 1000).toFixed(3)} mm`;
  expect(row).toHaveTextContent(new RegExp(`–.*Not measured.*${truth}.*Beyond`));
  expect(screen.getByText(/the base crept .* \(missed\)/)).toBeInTheDocument();
});

describe('telling apart', () => {
  test('the truth is shown once it is said where it comes from', () => {
    const onSay = jest.fn();
    render(<ApartAnswer onSay={onSay} onLeave={jest.fn()} />);
    const show = screen.getByRole('button', { name: 'Show the truth' });
    expect(screen.getByLabelText('the hub')).toHaveFocus();
    expect(show).toBeDisabled();
    fireEvent.click(screen.getByLabelText('dirt under the hat'));
    fireEvent.click(show);
    expect(onSay).toHaveBeenCalledWith('dirt');
  });
  test('after it what was said beside what is true, and what the runout is made of', () => {
    const apart = cornerCase('TB-00005');
    const result = judgeApart(apart, [], [], 0, 'rotor');
    render(<ApartDebrief own={apart} units="mm" result={result} />);
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent(/^Runout was not measured/);
    const row = screen.getByRole('row', { name: /Where it comes from/ });
    expect(row).toHaveTextContent('the rotor');
    const best = (result.possible.truth / 1000).toFixed(3);
    expect(screen.getByRole('row', { name: /The best place/ })).toHaveTextContent(best);
    expect(screen.getByText('The hub alone')).toBeInTheDocument();
    expect(screen.queryByText('Where it stays')).toBeNull();
  });
});

describe('the desk', () => {
  test('opens a case by its code as typed, and says what is no code', () => {
    render(<PracticeDesk who={WREN} units="mm" shop={NO_SHOP} jobs={[]} />);
    expect(screen.getByText(/No case was ended/)).toBeInTheDocument();
    const field = screen.getByLabelText('A case by its code');
    fireEvent.change(field, { target: { value: 'rd 0' } });
    fireEvent.click(screen.getByRole('button', { name: 'Open it' }));
    expect(screen.getByRole('alert')).toHaveTextContent(/like RD-7K3Q0/);
    fireEvent.change(field, { target: { value: 'rd 7k3qo' } });
    fireEvent.click(screen.getByRole('button', { name: 'Open it' }));
    expect(push).toHaveBeenLastCalledWith('/practice/RD-7K3Q0');
    fireEvent.click(screen.getByRole('button', { name: 'New case with both' }));
    expect(push).toHaveBeenLastCalledWith(expect.stringMatching(/^\/practice\/RB-\w{5}$/));
  });
  test('lists what was ended here, of everybody or of who is here', () => {
    const end = (time: number, more: Partial<Outcome>): void =>
      localStorage.setItem(
        `zesty-hound-practice RD-00001 ${time}`,
        JSON.stringify([kept('practice-done', outcome({ at: time, ...more }))]),
      );
    end(1, { who: 'Wren' });
    end(2, { who: 'Ines', isRight: false, isHarm: true, missed: ['slot'] });
    render(<PracticeDesk who={WREN} units="mm" shop={NO_SHOP} jobs={[]} />);
    expect(screen.getAllByRole('row')).toHaveLength(3);
    expect(screen.getAllByRole('row')[1]).toHaveTextContent(/Ines.*harm.*turn once/);
    fireEvent.click(screen.getByLabelText('Wren only'));
    expect(screen.getAllByRole('row')).toHaveLength(2);
  });
});

describe('the desk of a shop', () => {
  const handedIn = { ...outcome({ at: 5 }), id: 'a', personId: 'w' };
  const task = {
    id: 't',
    personId: 'w',
    person: 'Wren',
    by: 'Ines',
    note: 'Once more.',
    at: 1,
    takenBackBy: null,
  };

  test('a case that was handed in stands once, whether it is on this device too or not', () => {
    localStorage.setItem(
      'zesty-hound-practice RD-00001 1',
      JSON.stringify([kept('practice-done', outcome({ at: 5 }))]),
    );
    render(<PracticeDesk who={WREN} units="mm" shop={{ ...NO_SHOP, own: [handedIn] }} jobs={[]} />);
    expect(screen.getAllByRole('row')).toHaveLength(2);
    expect(screen.getByRole('link', { name: 'RD-00001' })).toHaveAttribute(
      'href',
      '/practice/RD-00001?of=a',
    );
  });

  test('what a lead set comes before everything else, with their word', () => {
    const tasks = [{ ...task, code: 'FB-00007', doneBy: null }];
    render(<PracticeDesk who={WREN} units="mm" shop={{ ...NO_SHOP, tasks }} jobs={[]} />);
    expect(screen.getByRole('heading', { name: 'Set for you' }).parentElement).toHaveTextContent(
      /Work FB-00007 ?Once more. Ines/,
    );
    expect(screen.getByRole('link', { name: 'Work FB-00007' })).toHaveClass('btn-primary');
    expect(screen.getByRole('button', { name: 'New car' })).not.toHaveClass('btn-primary');
  });

  test('a lead sees who learns what, and sets a case of which something is true', async () => {
    const shop = {
      people: [WREN, { id: 'i', name: 'Ines' }],
      cases: [handedIn, { ...handedIn, id: 'b', at: 6, isRight: false, missed: ['slot' as const] }],
      tasks: [
        { ...task, code: 'FB-00007', doneBy: null },
        { ...task, id: 'u', code: 'FB-00009', doneBy: 'c' },
        { ...task, id: 'v', code: 'FB-0000C', doneBy: null, takenBackBy: 'Ines' },
      ],
      isCut: false,
    };
    render(
      <PracticeDesk
        who={{ id: 'i', name: 'Ines' }}
        units="mm"
        shop={{ ...NO_SHOP, shop }}
        jobs={[]}
      />,
    );
    expect(screen.getByText(/^Wren: 1 of 2 right, readings off by 0.001 mm/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Take FB-00007 back from Wren' })).toBeEnabled();
    expect(screen.getByRole('link', { name: 'See Wren’s way' })).toHaveAttribute(
      'href',
      '/practice/FB-00009?of=c',
    );
    expect(screen.getByRole('row', { name: /FB-0000C/ })).toHaveTextContent('taken back by Ines');
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }));
    expect(screen.getByText('Choose for whom.')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('For whom'), { target: { value: 'w' } });
    fireEvent.change(screen.getByLabelText('Or a case by its code'), { target: { value: 'x' } });
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }));
    expect(await screen.findByText(/^A code is two letters/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('Or a case by its code'), { target: { value: '' } });
    fireEvent.change(screen.getByLabelText('For whom'), { target: { value: 'w' } });
    fireEvent.change(screen.getByLabelText('Which case'), { target: { value: '3' } });
    fireEvent.change(screen.getByLabelText('What is true of it'), { target: { value: 'nuts' } });
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }));
    await waitFor(() => expect(keep).toHaveBeenCalled());
    const [{ name, input }] = keep.mock.calls[0] as [{ name: string; input: { code: string } }];
    expect(name).toBe('practice-task');
    expect(input).toMatchObject({ personId: 'w', note: '' });
    expect(cornerCase(input.code).source).toBe('nuts');
  });
});

test('the way of a corner: looks, remedies, sets and readings in order, with what they took', () => {
  const look = (kind: string, fault: string) => kept('practice-action', { kind, fault });
  const wrong = Object.keys(own.faults)[0]!;
  const begun = kept('set-begin', { kind: 'runout', shift: 2, positions: 12 });
  const writes = [look('look', wrong), look('remedy', wrong), begun];
  writes.push(...Array.from({ length: 13 }, (_, i) => kept('reading', {}, String(i))));
  writes.push(kept('set-begin', { kind: 'thickness' }), kept('reading', {}));
  const steps = wayOf(own, writes, 'mm');
  expect(steps.map(({ worth }) => worth !== undefined)).toEqual([
    ...[false, true, false, false, false, false],
  ]);
  expect(steps[1]?.worth).toMatch(/^without it /);
  expect(steps.map(({ say }) => say)).toEqual([
    expect.stringMatching(/: found$/),
    expect.stringMatching(/: put right$/),
    expect.stringMatching(/^Runout begun, 12 places, 2 studs .* of its first mark as you face it$/),
    '13 readings',
    'Thickness begun, as first marked',
    '1 reading',
  ]);
});

describe('deciding', () => {
  const decided = cornerCase('DB-00003');
  const lap = [0, 90, 180, 270].map(() => Math.round(decided.truth.least) + 1);
  const gauge = { resolution: 1, repeatability: 1.5 };
  const sets = [{ kind: 'thickness', shift: 0, gauge, laps: [lap] }] as const;

  test('every way is offered with its price, and none is chosen beforehand', () => {
    const say = jest.fn();
    render(
      <DecideAnswer limits={decided.limits} units="mm" onSay={say} onLeave={() => undefined} />,
    );
    expect(
      screen.getByText('New 28.000 mm, machine-to 26.400 mm, discard 26.000 mm.'),
    ).toBeVisible();
    expect(screen.getAllByRole('radio')).toHaveLength(6);
    expect(screen.getByRole('button', { name: /^Do it/ })).toBeDisabled();
    fireEvent.click(screen.getByRole('radio', { name: /New rotor.*106 crowns, 18 min/ }));
    fireEvent.click(screen.getByRole('button', { name: /^Do it/ }));
    expect(say).toHaveBeenCalledWith('new');
  });

  test('what is scrap is never said to be within, whatever it reads', () => {
    const result = judgeDecide(decided, sets, [], 8, 'bench');
    render(<DecideDebrief own={decided} result={result} units="mm" />);
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent(
      /^A cut ends below machine-to/,
    );
    expect(screen.getByText(/such a rotor is scrap/)).toBeInTheDocument();
    expect(screen.getByRole('row', { name: /your way/ })).toHaveTextContent(
      /Beyond.*below machine-to/,
    );
    expect(screen.getByRole('row', { name: /the best way/ })).toHaveTextContent(
      /Within.*106 crowns/,
    );
  });
});
