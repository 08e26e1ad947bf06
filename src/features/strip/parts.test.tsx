import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { contextOf, lookItems, padMeanings, planSteps, rulesInForce } from '@/core/procedure';
import { CornerCards } from './CornerCards';
import { CornerFindings } from './CornerFindings';
import { CornerOrder, type CornerWork } from './CornerOrder';
import { ConditionDrawing, hasDrawing } from './ConditionDrawing';
import { LiftingList } from './LiftingList';
import type { CheckView } from './model';
import { RightParts } from './RightParts';
import { Tray, type TrayPart } from './Tray';
import { WaitingCard } from './WaitingCard';

const calls: unknown[][] = [];
let answer: unknown = { ok: true, value: { kept: true, stamp: 'new' } };
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));
jest.mock('./actions', () => {
  const say =
    (name: string) =>
    (...args: unknown[]): Promise<unknown> => {
      calls.push([name, ...args]);
      return Promise.resolve(answer);
    };
  return {
    checkAction: say('check'),
    allSoundAction: say('all-sound'),
    takeSoundBackAction: say('sound-back'),
    copyPlanAction: say('copy'),
    takeOffPartAction: say('take-off'),
    changePartAction: say('change'),
    dropPartAction: say('drop'),
    takePhotoBackAction: say('photo-back'),
  };
});
beforeAll(() => {
  // The test browser has no dialogs of its own.
  HTMLDialogElement.prototype.showModal = function open() {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function close() {
    this.open = false;
  };
});
beforeEach(() => {
  calls.length = 0;
  answer = { ok: true, value: { kept: true, stamp: 'new' } };
});

const settle = () => act(async () => new Promise((resolve) => setTimeout(resolve, 5)));
const press = async (element: HTMLElement): Promise<void> => {
  fireEvent.click(element);
  await settle();
};

const context = contextOf(
  {
    position: 'front',
    fastening: 'studs',
    caliper: 'floating',
    traits: ['wear-sensor'],
    isBrakeByWire: false,
  },
  rulesInForce(PROCEDURE, {}),
);
const check = (kind: CheckView['kind'], item: string, value: unknown, place = 'FL'): CheckView => ({
  ...{ kind, item, value, place, note: null },
  ...{ by: 'Wren', at: '14:02', stamp: `stamp-${item}` },
});
const work = (more: Partial<CornerWork> = {}): CornerWork => ({
  jobId: 'j',
  corner: 'FL',
  steps: planSteps(PROCEDURE, context),
  items: lookItems(PROCEDURE, context),
  figures: PROCEDURE.figures.filter(({ of }) => of === 'pad'),
  meanings: padMeanings(
    { innerLeading: 4000, innerTrailing: null, outerLeading: 8000, outerTrailing: null },
    null,
  ),
  checks: [],
  choices: PROCEDURE.parts.map((part) => ({ ...part, fate: 'reuse' })),
  parts: [],
  pistons: { count: 1, diameterUm: 40_000, calipers: 2 },
  photos: [],
  units: 'mm',
  ...more,
});
const firstCheck = () => calls.find(([name]) => name === 'check')?.[1];

describe('the findings of a corner', () => {
  test('all sound is one action, and is taken back as one', async () => {
    answer = { ok: true, value: [{ item: 'hose', stamp: 's' }] };
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    expect(screen.getByText(/of \d+ are not looked at/)).toBeTruthy();
    await press(screen.getByRole('button', { name: 'All looked at: all sound' }));
    expect(calls).toEqual([['all-sound', 'j', 'FL']]);
    await press(screen.getByRole('button', { name: 'Take the 1 back' }));
    expect(calls.at(-1)).toEqual(['sound-back', 'j', ['s']]);
    expect(screen.queryByRole('button', { name: 'Take the 1 back' })).toBeNull();
  });

  test('a look is written with the stamp that was on the screen', async () => {
    render(
      <CornerFindings
        {...work({ checks: [check('look', 'hose', [])] })}
        groups={PROCEDURE.groups}
      />,
    );
    const hose = screen.getByRole('group', { name: 'Hose' });
    expect(within(hose).getByText('Sound', { selector: '.zh-verdict' })).toBeTruthy();
    await press(within(hose).getByRole('button', { name: /Bulged/ }));
    expect(firstCheck()).toEqual({
      ...{ jobId: 'j', kind: 'look', place: 'FL', item: 'hose', value: ['bulged'] },
      ...{ note: null, seen: 'stamp-hose' },
    });
  });

  test('number keys answer, Enter goes on, and 1 is sound', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    const pins = screen.getByRole('group', { name: 'Slide pins' });
    act(() => pins.focus());
    fireEvent.keyDown(pins, { key: '4' });
    await settle();
    expect(firstCheck()).toMatchObject({ item: 'pins', value: ['stuck'], seen: null });
    fireEvent.keyDown(pins, { key: 'Enter' });
    expect(document.activeElement).toBe(screen.getByRole('group', { name: 'Pin boots' }));
    fireEvent.keyDown(document.activeElement!, { key: '1' });
    await settle();
    expect(calls.at(-1)?.[1]).toMatchObject({ item: 'boots', value: [] });
    fireEvent.keyDown(document.activeElement!, { key: 'ArrowUp' });
    fireEvent.keyDown(document.activeElement!, { key: 'q' });
    expect(calls.filter(([name]) => name === 'check').length).toBe(2);
  });

  test('what was found says what it means and forbids, and is put right with a word', async () => {
    render(
      <CornerFindings
        {...work({ checks: [check('look', 'hose', ['bulged'])] })}
        groups={PROCEDURE.groups}
      />,
    );
    const hose = screen.getByRole('group', { name: 'Hose' });
    expect(within(hose).getAllByText('Off the road until put right.').length).toBeGreaterThan(0);
    await press(within(hose).getByRole('button', { name: 'Put right …' }));
    fireEvent.change(within(hose).getByLabelText('What was done to put it right'), {
      target: { value: 'new hose' },
    });
    await press(within(hose).getByRole('button', { name: 'It is put right' }));
    expect(firstCheck()).toMatchObject({
      kind: 'fixed',
      item: 'hose',
      value: 'fixed',
      note: 'new hose',
    });
  });

  test('pads say what their thickness means; a figure is kept as it is left', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    expect(screen.getByText(/Inner pad is worn more, by 4\.000 mm/)).toBeTruthy();
    const field = screen.getByLabelText(/Inner, leading end/);
    fireEvent.change(field, { target: { value: '9,5' } });
    fireEvent.blur(field);
    await settle();
    expect(firstCheck()).toMatchObject({
      kind: 'figure',
      item: 'inner-leading',
      value: { text: '9,5', unit: 'mm' },
    });
  });

  test('a figure that cannot be stays in its field with what is wrong, and is not sent', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    const field = screen.getByLabelText<HTMLInputElement>(/Inner, leading end/);
    fireEvent.change(field, { target: { value: '95' } });
    fireEvent.blur(field);
    await settle();
    expect(calls).toEqual([]);
    expect(field.value).toBe('95');
    expect(field.getAttribute('aria-describedby')).toBeTruthy();
    expect(screen.getByText(/95 mm cannot be a pad thickness/)).toBeTruthy();
  });

  test('a conflict is told in words and settled either way', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    const theirs = check('look', 'hose', []);
    answer = { ok: true, value: { kept: false, theirs } };
    const hose = screen.getByRole('group', { name: 'Hose' });
    await press(within(hose).getByRole('button', { name: /Older/ }));
    expect(screen.getByText(/Wren wrote “Hose: Sound” at 14:02/)).toBeTruthy();
    answer = { ok: true, value: { kept: true, stamp: 'mine' } };
    await press(screen.getByRole('button', { name: 'Write mine' }));
    expect(calls.at(-1)?.[1]).toMatchObject({ value: ['old'], seen: 'stamp-hose' });
    answer = { ok: true, value: { kept: false, theirs: null } };
    await press(within(hose).getByRole('button', { name: /Twisted/ }));
    expect(screen.getByText(/Another screen took this back/)).toBeTruthy();
    const before = calls.length;
    await press(screen.getByRole('button', { name: 'Leave theirs' }));
    expect(calls.length).toBe(before);
  });

  test('a refusal is said', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    answer = { ok: false, message: 'Say who you are first.', fields: {} };
    await press(
      within(screen.getByRole('group', { name: 'Hose' })).getByRole('button', { name: /Sound/ }),
    );
    expect(screen.getByRole('alert').textContent).toContain('Say who you are first.');
  });
});

describe('the order of a corner', () => {
  test('a step is done by Enter on its button and the next stands there', async () => {
    render(<CornerOrder {...work()} />);
    expect(screen.getByRole('heading', { name: 'Wheel off' })).toBeTruthy();
    expect(document.activeElement?.textContent).toBe('Done, next');
    await press(screen.getByRole('button', { name: 'Done, next' }));
    expect(firstCheck()).toMatchObject({ kind: 'step', item: 'wheel-off', value: 'done' });
    expect(screen.getByRole('heading', { name: 'Turn the steering' })).toBeTruthy();
    await press(screen.getByRole('button', { name: 'Back' }));
    expect(screen.getByRole('heading', { name: 'Wheel off' })).toBeTruthy();
  });

  test('a step left out asks for the reason', async () => {
    render(<CornerOrder {...work()} />);
    await press(screen.getByRole('button', { name: 'Leave out …' }));
    await press(screen.getByRole('button', { name: 'Leave it out' }));
    expect(calls).toEqual([]);
    fireEvent.change(screen.getByLabelText('Why the step is left out'), {
      target: { value: 'wheel is off' },
    });
    await press(screen.getByRole('button', { name: 'Leave it out' }));
    expect(firstCheck()).toMatchObject({ value: 'left-out', note: 'wheel is off' });
  });

  test('opens at the first open step; pistons, reservoir and cautions stand where they are needed', async () => {
    const steps = work().steps.map(({ code }) => code);
    const before = steps.slice(0, steps.indexOf('push-back'));
    render(
      <CornerOrder {...work({ checks: before.map((code) => check('step', code, 'done')) })} />,
    );
    expect(screen.getByRole('heading', { name: 'Push the pistons back a little' })).toBeTruthy();
    expect(screen.getByText(/Pistons can jump out/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText(/Travel of a piston/), { target: { value: '10' } });
    expect(screen.getByText('25.1 ml')).toBeTruthy();
    fireEvent.change(screen.getByLabelText(/Piston diameter/), { target: { value: '4000' } });
    expect(screen.getByText(/Fill in the four figures/)).toBeTruthy();
    await press(screen.getByRole('radio', { name: /Screw clamp/ }));
    expect(firstCheck()).toMatchObject({ kind: 'method', item: 'retraction', value: 'clamp' });
  });

  test('a part goes to the tray by one tap, with its usual place', async () => {
    const steps = work().steps.map(({ code }) => code);
    const before = steps.slice(0, steps.indexOf('pins-out'));
    render(
      <CornerOrder {...work({ checks: before.map((code) => check('step', code, 'done')) })} />,
    );
    await press(screen.getByRole('button', { name: 'Upper slide pin → tray' }));
    expect(calls[0]).toEqual([
      'take-off',
      {
        ...{ jobId: 'j', corner: 'FL', kind: 'pin-upper', name: 'Upper slide pin', place: 'Upper' },
        ...{ fate: 'reuse', orientation: '', mark: '' },
      },
    ]);
    expect(screen.getByText(/Seized slide pin: what to try/)).toBeTruthy();
  });
});

describe('before anything is disturbed', () => {
  const items = PROCEDURE.lifting.slice(0, 2);
  test('an item is ticked, taken back, or left out with a reason', async () => {
    const { rerender } = render(<LiftingList jobId="j" items={items} cautions={[]} checks={[]} />);
    await press(screen.getByRole('button', { name: items[0]!.say }));
    expect(firstCheck()).toMatchObject({
      kind: 'lifting',
      item: 'level',
      value: 'done',
      seen: null,
    });
    await press(screen.getByRole('button', { name: `Leave out … ${items[1]!.say}` }));
    fireEvent.change(screen.getByLabelText(/Why it is left out/), {
      target: { value: 'on the lift' },
    });
    await press(screen.getByRole('button', { name: 'Leave it out' }));
    expect(calls.at(-1)?.[1]).toMatchObject({
      item: 'chocked',
      value: 'skipped',
      note: 'on the lift',
    });
    const done = check('lifting', 'level', 'done', '');
    rerender(<LiftingList jobId="j" items={items} cautions={[]} checks={[done]} />);
    expect(screen.getByText('Wren 14:02')).toBeTruthy();
    await press(screen.getByRole('button', { name: `✓ ${items[0]!.say}` }));
    expect(calls.at(-1)?.[1]).toMatchObject({ item: 'level', value: null, seen: 'stamp-level' });
  });

  test('a wrong part stops the work', async () => {
    const own = [check('parts', 'vanes', 'wrong', 'front')];
    render(<RightParts jobId="j" axle="front" items={PROCEDURE.rightParts} checks={own} />);
    expect(screen.getByRole('alert').textContent).toMatch(/^Stop: hand of the vanes/);
    await press(
      within(screen.getByRole('group', { name: 'Rotor diameter' })).getByRole('button', {
        name: 'Right',
      }),
    );
    expect(firstCheck()).toMatchObject({
      kind: 'parts',
      place: 'front',
      item: 'diameter',
      value: 'right',
    });
    await press(screen.getByRole('button', { name: 'No new parts for this axle' }));
    expect(calls.at(-1)?.[1]).toMatchObject({ item: 'none', value: 'right' });
  });

  test('waiting needs what is missing, what is off and where it is', async () => {
    render(<WaitingCard jobId="j" checks={[]} off="FL rotor" />);
    await press(screen.getByRole('button', { name: 'Wait for parts …' }));
    const wait = screen.getByRole<HTMLButtonElement>('button', { name: /block the vehicle/ });
    expect(wait.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('What is missing or wrong'), {
      target: { value: 'rotor' },
    });
    fireEvent.change(screen.getByLabelText(/Where the parts are/), {
      target: { value: 'shelf 2' },
    });
    await press(wait);
    expect(firstCheck()).toMatchObject({
      kind: 'waiting',
      value: { missing: 'rotor', off: 'FL rotor', tagged: 'shelf 2' },
    });
  });
});

describe('the tray', () => {
  const part: TrayPart = {
    ...{ id: 'p', kind: 'pin-upper', name: 'Upper slide pin', place: 'Upper', orientation: '' },
    ...{ mark: 'sleeve', fate: 'reuse', by: 'Wren', back: null },
    photos: [{ id: 'f', sha256: 'abc', width: 800, height: 600 }],
  };
  const choices = work().choices.filter(({ code }) => ['pin-upper', 'pin-lower'].includes(code));

  test('says how many are off, and keeps what is changed with the stamp that was seen', async () => {
    render(<Tray jobId="j" corner="FL" choices={choices} parts={[part]} />);
    expect(screen.getByText(/1 part is in the tray/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Upper slide pin → tray' })).toBeNull();
    fireEvent.change(screen.getByLabelText('What becomes of it: Upper slide pin'), {
      target: { value: 'renew' },
    });
    await settle();
    expect(calls[0]).toEqual([
      'change',
      'j',
      { partId: 'p', was: { fate: 'reuse' }, change: { fate: 'renew' } },
    ]);
    const mark = screen.getByLabelText('Longer bolt, sleeve, arrow: Upper slide pin');
    fireEvent.blur(mark);
    fireEvent.change(mark, { target: { value: 'sleeve, longer' } });
    fireEvent.blur(mark);
    await settle();
    expect(calls.length).toBe(2);
    expect(calls[1]?.[2]).toMatchObject({ change: { mark: 'sleeve, longer' } });
    await press(screen.getByText('Was not taken off'));
    expect(calls.at(-1)).toEqual(['drop', 'j', 'p']);
  });

  test('a line that another screen wrote meanwhile is told and settled either way', async () => {
    render(<Tray jobId="j" corner="FL" choices={choices} parts={[part]} />);
    answer = { ok: true, value: { kept: false, part: { ...part, mark: 'longer' } } };
    const mark = screen.getByLabelText('Longer bolt, sleeve, arrow: Upper slide pin');
    const write = async (text: string): Promise<void> => {
      fireEvent.change(mark, { target: { value: text } });
      fireEvent.blur(mark);
      await settle();
    };
    await write('with arrow');
    expect(screen.getByRole('alert').textContent).toMatch(
      /Another screen wrote “longer” here meanwhile; you wrote “with arrow/,
    );
    await press(screen.getByRole('button', { name: 'Leave theirs' }));
    expect(screen.queryByRole('alert')).toBeNull();
    await write('with two arrows');
    answer = { ok: true, value: { kept: true, part: { ...part, mark: 'with two arrows' } } };
    await press(screen.getByRole('button', { name: 'Write mine' }));
    expect(calls.at(-1)?.[2]).toMatchObject({
      was: { mark: 'longer' },
      change: { mark: 'with two arrows' },
    });
  });

  test('takes any other part, shows a photo whole, and takes it back', async () => {
    render(<Tray jobId="j" corner="FL" choices={choices} parts={[part]} />);
    fireEvent.change(screen.getByLabelText('Another part'), { target: { value: 'Shield screw' } });
    await press(screen.getByRole('button', { name: '→ tray' }));
    expect(calls[0]?.[1]).toMatchObject({ kind: null, name: 'Shield screw', corner: 'FL' });
    await press(screen.getByRole('button', { name: 'Photo 1' }));
    await press(screen.getByText('Take this photo back'));
    expect(calls.at(-1)).toEqual(['photo-back', 'j', 'f']);
  });

  test('an empty tray says so', () => {
    render(<Tray jobId="j" corner="FL" choices={[]} parts={[]} />);
    expect(screen.getByText('The tray is empty.')).toBeTruthy();
  });
});

test('the same plan for the other side copies the plan and says so', async () => {
  const own = {
    corner: 'FL',
    name: 'front left',
    steps: 20,
    stepsDone: 3,
    items: 27,
    looked: 9,
    wrong: 2,
    inTray: 1,
    other: 'FR',
  };
  render(
    <CornerCards
      jobId="j"
      corners={[own, { ...own, corner: 'RL', name: 'rear left', other: null }]}
    />,
  );
  expect(screen.getAllByRole('button', { name: /Same plan/ }).length).toBe(1);
  answer = { ok: true, value: 2 };
  await press(screen.getByRole('button', { name: 'Same plan for FR' }));
  expect(calls).toEqual([['copy', 'j', 'FL']]);
  expect(screen.getByRole('status').textContent).toMatch(/What was found stays at FL/);
});

test('every drawing that the procedure names is there; what has none is told in words', () => {
  const named = PROCEDURE.items.flatMap(({ conditions }) =>
    conditions.flatMap(({ drawing }) => drawing ?? []),
  );
  expect(named.length).toBeGreaterThan(20);
  expect(named.filter((name) => !hasDrawing(name))).toEqual([]);
  const { container } = render(<ConditionDrawing name={undefined} />);
  expect(container.innerHTML).toBe('');
});
