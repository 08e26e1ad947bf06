import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { KNOWLEDGE } from '@/core/contracts';
import { findCaseOf, findState, judgeFind, type FindAction } from '@/core/practice';
import { practiceId, practiceText, practiceWrites } from '@/ui/keeper';
import { FindChecks, FoundSoFar } from './FindChecks';
import { FindDebrief } from './FindDebrief';
import { FindNose } from './FindNose';
import { FindRoom, type CarStages } from './FindRoom';
import { sayShown } from './say';

const CAR = { level: 'find', subject: 'both' } as const;
const own = findCaseOf({ ...CAR, seed: 5 }, KNOWLEDGE);
const findingOf = (code: string) => KNOWLEDGE.findings.find((each) => each.code === code)!;
const check = (code: string): FindAction => ({ kind: 'check', code });

test('what can be done tells its minutes, is asked once, and hands the focus on', () => {
  const onDo = jest.fn();
  const at = (actions: readonly FindAction[]) => (
    <FindChecks own={own} state={findState(own, actions)} onDo={onDo} onBench={jest.fn()} />
  );
  const { rerender } = render(at([]));
  fireEvent.click(screen.getByRole('button', { name: /^Where is it felt .* 0\.2 min$/ }));
  expect(onDo).toHaveBeenCalledWith(check('felt'));
  rerender(at([check('felt')]));
  expect(screen.queryByRole('button', { name: /^Where is it felt/ })).toBeNull();
  expect(screen.getByRole('button', { name: /^Only when braking/ })).toHaveFocus();
  // With the wheel off the next look under it costs its own minutes alone.
  expect(screen.getByRole('button', { name: 'Slide pins 11 min' })).toBeInTheDocument();
  rerender(at([check('felt'), check('pads-check')]));
  expect(screen.getByRole('button', { name: 'Slide pins 5 min' })).toBeInTheDocument();
});

test('answers are in the customer’s words, looks with their corner, figures as read', () => {
  const shows = own.shows.map((each) => {
    if (each.code === 'felt') return { ...each, value: 'pedal', isDoubted: true };
    if (each.code === 'pins-check') return { ...each, value: 'stuck' };
    return each.code === 'runout' ? { ...each, value: 1.44 } : each;
  });
  const car = { ...own, corner: 'RL' as const, shows };
  expect(sayShown(car, findingOf('felt'), 'mm')).toBe(
    '“I think, but I am not sure: the pedal taps back at my foot.”',
  );
  expect(sayShown(car, findingOf('pins-check'), 'mm')).toBe(
    'Stuck (rear left). It does not move by hand.',
  );
  expect(sayShown(car, findingOf('runout'), 'mm')).toBe('0.070 mm, 1.4 × its limit (rear left)');
  render(
    <FoundSoFar own={car} state={findState(car, [check('felt'), check('runout')])} units="mm" />,
  );
  expect(screen.getAllByRole('listitem')[0]!.textContent).toContain('Installed runout');
});

test('the nose is off until it is asked, then tells what it makes of what was found', () => {
  const onDo = jest.fn();
  const { rerender } = render(<FindNose own={own} state={findState(own, [])} onDo={onDo} />);
  fireEvent.click(screen.getByRole('button', { name: 'Ask it once 10 min' }));
  expect(onDo).toHaveBeenCalledWith({ kind: 'nose', how: 'once' });
  rerender(
    <FindNose own={own} state={findState(own, [{ kind: 'nose', how: 'on' }])} onDo={onDo} />,
  );
  expect(screen.getAllByRole('listitem')).toHaveLength(3);
  expect(screen.getByText(/^Next:/)).toBeInTheDocument();
});

test('the debrief says one thing first, then the truth, what was taken for it and every step', () => {
  const wrong = KNOWLEDGE.causes.find(({ code }) => code === 'driveline')!;
  const actions: FindAction[] = [
    ...[check('felt'), { kind: 'repair', code: wrong.code } as const],
    ...[{ kind: 'pedal' } as const, { kind: 'drive' } as const, { kind: 'back' } as const],
  ];
  const result = judgeFind(own, actions);
  render(<FindDebrief units="mm" {...{ own, actions, result }} />);
  expect(screen.getByRole('heading', { level: 2 }).textContent).toMatch(
    /^It is not cured: it was /,
  );
  expect(screen.getByText(wrong.name.toLowerCase())).toBeInTheDocument();
  expect(screen.getByText(/^Your way \(5 steps\)$/)).toBeInTheDocument();
  expect(screen.getByText(/a comeback among it/)).toBeInTheDocument();
});

/** Stages that say who is at them: the real ones are the application’s. */
const STAGES: CarStages = {
  Bench: ({ own: car, onNote, onLeave }) => (
    <div>
      The bench of {car.corner}
      <button onClick={() => onNote([{ code: 'runout', value: 1.62 }])}>Note it</button>
      <button onClick={onLeave}>Back</button>
    </div>
  ),
  Recording: ({ own: car }) => <p>The log of {car.code}</p>,
  Corner: ({ onLook }) => <button onClick={() => onLook('pins-check')}>The pins</button>,
};

test('gauges are taken to the corner, what they say is noted as read, and a recording is there once it was driven', async () => {
  render(<FindRoom code="FB-00006" who={null} units="mm" held={null} stages={STAGES} />);
  const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
  press(/^Take gauges to/);
  expect(screen.getByText(/^The bench of/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: /^Drive it/ })).toBeNull();
  press('Back');
  // A part of the drawing that is tapped is looked at.
  press('The pins');
  expect(screen.getByText(/^Slide pins/)).toBeInTheDocument();
  press(/^Take gauges to/);
  press('Note it');
  expect(screen.getByText(/^0\.081 mm, 1\.6 × its limit/)).toBeInTheDocument();
  // It is read: nobody else has to.
  expect(screen.queryByRole('button', { name: /^Installed runout/ })).toBeNull();
  expect(screen.queryByText('The log of FB-00006')).toBeNull();
  for (const first of [/^How is the pedal/, /^What noise does it make/]) {
    const [asked] = screen.queryAllByRole('button', { name: first });
    if (asked) fireEvent.click(asked);
  }
  press(/^Recorded road test/);
  await waitFor(() => expect(screen.getByText('The log of FB-00006')).toBeInTheDocument());
  press(/^Put something right/);
  fireEvent.click(screen.getAllByRole('radio')[0]!);
  press('Put it right');
  // What work did to it is shown by driving.
  expect(screen.queryByRole('button', { name: /^Take gauges to/ })).toBeNull();
});

test('the debrief has the corner as it was, what was read of it, and what comes next', () => {
  const cause = KNOWLEDGE.causes.find(({ code }) => code === 'hub-runout')!;
  const seed = Array.from({ length: 400 }, (_, i) => i).find(
    (i) => findCaseOf({ ...CAR, seed: i }, KNOWLEDGE).cause === cause,
  );
  const car = findCaseOf({ ...CAR, seed: seed! }, KNOWLEDGE);
  const actions: FindAction[] = [
    { kind: 'read', found: [{ code: 'runout', value: 1.5 }] },
    { kind: 'repair', code: 'hub-runout' },
    ...[{ kind: 'pedal' } as const, { kind: 'drive' } as const, { kind: 'back' } as const],
  ];
  render(<FindDebrief units="mm" own={car} actions={actions} result={judgeFind(car, actions)} />);
  expect(screen.getByRole('heading', { name: /^The corner as it was/ })).toBeInTheDocument();
  expect(screen.getByRole('img', { name: /The hub alone/ })).toBeInTheDocument();
  expect(screen.getByRole('row', { name: /^Runout 0\.075 mm/ })).toBeInTheDocument();
  expect(screen.getByText(/^Driven on as it is then/)).toBeInTheDocument();
});

// 2026-11-30: what was pressed before the step before it was on the device stood in that step's place.
test('steps that are pressed in one moment stand all of them', async () => {
  render(<FindRoom code="FB-00005" who={null} units="mm" held={null} stages={STAGES} />);
  const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
  press(/^Put something right/);
  fireEvent.click(screen.getAllByRole('radio')[0]!);
  press('Put it right');
  press(/^Pump the pedal/);
  press(/^Drive it/);
  press('Give it back');
  expect(screen.getByText('Your way (4 steps)')).toBeInTheDocument();
  // And so they do once they are on the device: four steps and what came of them.
  const kept = () => practiceWrites(practiceText(practiceId('FB-00005', 1)));
  await waitFor(() => expect(kept()).toHaveLength(5));
  expect(screen.getByText('Your way (4 steps)')).toBeInTheDocument();
});
