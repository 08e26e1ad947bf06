import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { CornerFindings } from './CornerFindings';
import { CornerOrder } from './CornerOrder';
import {
  bench,
  check,
  clearBench,
  firstCheck,
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

describe('the findings of a corner', () => {
  test('all sound is one action, and is taken back as one', async () => {
    bench.answer = { state: 'done', value: [{ item: 'hose', stamp: 's' }] };
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    expect(screen.getByText(/of \d+ are not looked at/)).toBeInTheDocument();
    // 2026-11-27: one Enter on arrival turned “not looked at” into “sound”.
    expect(document.activeElement).toBe(document.body);
    await press(screen.getByRole('button', { name: 'All looked at: all sound' }));
    expect(bench.calls).toEqual([]);
    expect(document.activeElement).toBe(screen.getByRole('button', { name: 'No, one by one' }));
    await press(screen.getByRole('button', { name: /^Yes: all \d+ sound/ }));
    expect(bench.calls).toEqual([['looks-sound', { jobId: 'j', corner: 'FL' }]]);
    await press(screen.getByRole('button', { name: 'Take the 1 back' }));
    expect(bench.calls.at(-1)).toEqual(['looks-back', { jobId: 'j', stamps: ['s'] }]);
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
    expect(
      within(hose).getByText('Sound', { selector: '[data-part="verdict"]' }),
    ).toBeInTheDocument();
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
    expect(bench.calls.at(-1)?.[1]).toMatchObject({ item: 'boots', value: [] });
    fireEvent.keyDown(document.activeElement!, { key: 'ArrowUp' });
    fireEvent.keyDown(document.activeElement!, { key: 'q' });
    expect(bench.calls.filter(([name]) => name === 'check').length).toBe(2);
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
    expect(screen.getByText(/Inner pad is worn more, by 4\.000 mm/)).toBeInTheDocument();
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
    expect(bench.calls).toEqual([]);
    expect(field.value).toBe('95');
    expect(field.getAttribute('aria-describedby')).toBeTruthy();
    expect(screen.getByText(/95 mm cannot be a pad thickness/)).toBeInTheDocument();
  });

  test('a conflict is told in words and settled either way', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    const theirs = { ...check('look', 'hose', []), at: '2026-03-02T14:02:00' };
    bench.answer = { state: 'conflict', value: { kept: false, theirs } };
    const hose = screen.getByRole('group', { name: 'Hose' });
    await press(within(hose).getByRole('button', { name: /Older/ }));
    expect(screen.getByText(/Wren wrote “Hose: Sound” at 14:02/)).toBeInTheDocument();
    bench.answer = { state: 'done', value: { kept: true, stamp: 'mine' } };
    await press(screen.getByRole('button', { name: 'Write mine' }));
    expect(bench.calls.at(-1)?.[1]).toMatchObject({ value: ['old'], seen: 'stamp-hose' });
    bench.answer = { state: 'conflict', value: { kept: false, theirs: null } };
    await press(within(hose).getByRole('button', { name: /Twisted/ }));
    expect(screen.getByText(/Another screen took this back/)).toBeInTheDocument();
    const before = bench.calls.length;
    await press(screen.getByRole('button', { name: 'Leave theirs' }));
    expect(bench.calls.length).toBe(before);
  });

  // 2026-12-01: it stood at the head of the page, screens above what was pressed.
  test('a refusal is said at the item that was pressed, and left there', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    bench.answer = {
      ...{ state: 'refused', message: 'Say who you are first.' },
      ...{ fields: {}, code: 'refused' },
    };
    const hose = screen.getByRole('group', { name: 'Hose' });
    await press(within(hose).getByRole('button', { name: /Sound/ }));
    expect(within(hose).getByRole('alert').textContent).toContain('Say who you are first.');
    expect(screen.getAllByRole('alert')).toHaveLength(1);
    await press(within(hose).getByRole('button', { name: 'Leave it' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('so is that of a figure, and the reason that is asked where something is taken back', async () => {
    render(<CornerFindings {...work()} groups={PROCEDURE.groups} />);
    bench.answer = {
      ...{ state: 'refused', message: 'Say why it is taken back.' },
      ...{ fields: { note: 'Say why it is taken back.' }, code: 'refused' },
    };
    const field = screen.getByLabelText(/Inner, leading end/);
    fireEvent.change(field, { target: { value: '9.5' } });
    fireEvent.blur(field);
    await settle();
    const figures = field.closest<HTMLElement>('[data-fields]')!;
    bench.answer = { state: 'done', value: { kept: true, stamp: 'mine' } };
    fireEvent.change(within(figures).getByLabelText('Why it is taken back'), {
      target: { value: 'read wrongly' },
    });
    await press(within(figures).getByRole('button', { name: 'Take it back' }));
    expect(bench.calls.at(-1)?.[1]).toMatchObject({ item: 'inner-leading', note: 'read wrongly' });
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the order of a corner', () => {
  test('what is refused of a step’s item is told there, what is refused of the step above it', async () => {
    render(<CornerOrder {...work()} />);
    for (let i = 0; i < 40 && screen.queryByRole('group', { name: 'Hose' }) === null; i += 1) {
      await press(screen.getByRole('button', { name: /^Done/ }));
    }
    bench.answer = {
      ...{ state: 'refused', message: 'Say who you are first.' },
      ...{ fields: {}, code: 'refused' },
    };
    const hose = screen.getByRole('group', { name: 'Hose' });
    await press(within(hose).getByRole('button', { name: /Sound/ }));
    expect(within(hose).getByRole('alert').textContent).toContain('Say who you are first.');
    expect(screen.getAllByRole('alert')).toHaveLength(1);
    await press(within(hose).getByRole('button', { name: 'Leave it' }));
    await press(screen.getByRole('button', { name: /^Done/ }));
    expect(screen.getByRole('alert').textContent).toContain('Say who you are first.');
  });

  test('a step is done by Enter on its button and the next stands there', async () => {
    render(<CornerOrder {...work()} />);
    // With the wheel still on it is spun and rocked.
    expect(screen.getByRole('heading', { name: 'Spin and rock the wheel' })).toBeInTheDocument();
    expect(document.activeElement?.textContent).toBe('Done, next');
    await press(screen.getByRole('button', { name: 'Done, next' }));
    expect(firstCheck()).toMatchObject({ kind: 'step', item: 'wheel-on', value: 'done' });
    expect(screen.getByRole('heading', { name: 'Wheel off' })).toBeInTheDocument();
    await press(screen.getByRole('button', { name: 'Back' }));
    expect(screen.getByRole('heading', { name: 'Spin and rock the wheel' })).toBeInTheDocument();
  });

  test('what is felt with the wheel on is answered in its step, and taken back', async () => {
    const asked = {
      ...{ code: 'spin-check', question: 'Does the wheel turn free?', how: null },
      values: [
        { code: 'free', label: 'Free' },
        { code: 'drags', label: 'Drags' },
      ],
    };
    const { rerender } = render(
      <CornerOrder {...work({ questions: [{ ...asked, value: null }] })} />,
    );
    await press(screen.getByRole('button', { name: 'Drags' }));
    expect(bench.calls.at(-1)).toEqual([
      'finding',
      { jobId: 'j', code: 'spin-check', corner: 'FL', value: 'drags' },
    ]);
    rerender(<CornerOrder {...work({ questions: [{ ...asked, value: 'drags' }] })} />);
    const given = screen.getByRole('button', { name: 'Drags' });
    expect(given).toHaveAttribute('aria-pressed', 'true');
    await press(given);
    expect(bench.calls.at(-1)?.[1]).toMatchObject({ value: null, was: 'drags' });
  });

  test('a step left out asks for the reason', async () => {
    render(<CornerOrder {...work()} />);
    await press(screen.getByRole('button', { name: 'Leave out …' }));
    await press(screen.getByRole('button', { name: 'Leave it out' }));
    expect(bench.calls).toEqual([]);
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
    expect(
      screen.getByRole('heading', { name: 'Push the pistons back a little' }),
    ).toBeInTheDocument();
    expect(screen.getByText(/Pistons can jump out/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Travel of a piston/), { target: { value: '10' } });
    expect(screen.getByText('25.1 ml')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Piston diameter/), { target: { value: '4000' } });
    expect(screen.getByText(/Fill in the four figures/)).toBeInTheDocument();
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
    expect(bench.calls[0]).toEqual([
      'part-off',
      {
        id: expect.any(String) as string,
        ...{ jobId: 'j', corner: 'FL', kind: 'pin-upper', name: 'Upper slide pin', place: 'Upper' },
        ...{ fate: 'reuse', orientation: '', mark: '' },
      },
    ]);
    expect(screen.getByText(/Seized slide pin: what to try/)).toBeInTheDocument();
  });
});
