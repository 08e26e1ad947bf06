import { fireEvent, render, screen, within } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { CornerCards } from './CornerCards';
import { LiftingList } from './LiftingList';
import { RightParts } from './RightParts';
import { WaitingCard } from './WaitingCard';
import { ConditionDrawing, hasDrawing } from './ConditionDrawing';
import { Tray, type TrayPart } from './Tray';
import {
  bench,
  check,
  clearBench,
  firstCheck,
  pageIsLoaded,
  press,
  settle,
  withDialogs,
  work,
} from '../../../tests/support/stripBench';

jest.mock(
  '@/ui/keeper/browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);
beforeAll(withDialogs);
beforeEach(clearBench);

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
    expect(bench.calls.at(-1)?.[1]).toMatchObject({
      item: 'chocked',
      value: 'skipped',
      note: 'on the lift',
    });
    const done = check('lifting', 'level', 'done', '');
    pageIsLoaded();
    rerender(<LiftingList jobId="j" items={items} cautions={[]} checks={[done]} />);
    expect(screen.getByText('Wren 14:02')).toBeInTheDocument();
    await press(screen.getByRole('button', { name: `✓ ${items[0]!.say}` }));
    expect(bench.calls.at(-1)?.[1]).toMatchObject({
      item: 'level',
      value: null,
      seen: 'stamp-level',
    });
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
    expect(bench.calls.at(-1)?.[1]).toMatchObject({ item: 'none', value: 'right' });
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
    expect(screen.getByText(/1 part is in the tray/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Upper slide pin → tray' })).toBeNull();
    fireEvent.change(screen.getByLabelText('What becomes of it: Upper slide pin'), {
      target: { value: 'renew' },
    });
    await settle();
    expect(bench.calls[0]).toEqual([
      'part-change',
      { partId: 'p', was: { fate: 'reuse' }, change: { fate: 'renew' } },
    ]);
    const mark = screen.getByLabelText('Longer bolt, sleeve, arrow: Upper slide pin');
    fireEvent.blur(mark);
    fireEvent.change(mark, { target: { value: 'sleeve, longer' } });
    fireEvent.blur(mark);
    await settle();
    expect(bench.calls.length).toBe(2);
    expect(bench.calls[1]?.[1]).toMatchObject({ change: { mark: 'sleeve, longer' } });
    await press(screen.getByText('Was not taken off'));
    expect(bench.calls.at(-1)).toEqual(['part-drop', { id: 'p' }]);
  });

  test('a line that another screen wrote meanwhile is told and settled either way', async () => {
    render(<Tray jobId="j" corner="FL" choices={choices} parts={[part]} />);
    bench.answer = { state: 'conflict', value: { kept: false, part: { ...part, mark: 'longer' } } };
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
    bench.answer = { state: 'done', value: { kept: true } };
    await press(screen.getByRole('button', { name: 'Write mine' }));
    expect(bench.calls.at(-1)?.[1]).toMatchObject({
      was: { mark: 'longer' },
      change: { mark: 'with two arrows' },
    });
  });

  test('takes any other part, shows a photo whole, and takes it back', async () => {
    render(<Tray jobId="j" corner="FL" choices={choices} parts={[part]} />);
    fireEvent.change(screen.getByLabelText('Another part'), { target: { value: 'Shield screw' } });
    await press(screen.getByRole('button', { name: '→ tray' }));
    expect(bench.calls[0]?.[1]).toMatchObject({ kind: null, name: 'Shield screw', corner: 'FL' });
    await press(screen.getByRole('button', { name: 'Photo 1' }));
    await press(screen.getByText('Take this photo back'));
    expect(bench.calls.at(-1)).toEqual(['photo-back', { jobId: 'j', id: 'f' }]);
  });

  test('an empty tray says so', () => {
    render(<Tray jobId="j" corner="FL" choices={[]} parts={[]} />);
    expect(screen.getByText('The tray is empty.')).toBeInTheDocument();
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
  bench.answer = { state: 'done', value: 2 };
  await press(screen.getByRole('button', { name: 'Same plan for FR' }));
  expect(bench.calls).toEqual([['plan-copy', { jobId: 'j', corner: 'FL' }]]);
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
