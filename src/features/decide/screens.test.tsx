import { act, fireEvent, render, screen } from '@testing-library/react';
import { DecideInputs, type DecideInputsProps } from './DecideInputs';
import { TakeOption } from './TakeOption';

const calls: unknown[][] = [];
let answer: unknown = { ok: true, value: 'FL' };
const reply = (...call: unknown[]): Promise<unknown> => {
  calls.push(call);
  return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
};
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ name, input }: { name: string; input: unknown }) => reply(name, input),
}));
beforeEach(() => {
  calls.length = 0;
  answer = { ok: true, value: 'FL' };
});

const settled = async (): Promise<void> => act(async () => Promise.resolve());

describe('an option is taken', () => {
  test('for one corner, and for both of an axle', async () => {
    render(
      <>
        <TakeOption
          jobId="j"
          label="Take this"
          name=": Index, FL"
          sides={[{ corner: 'FL', action: 'index' }]}
        />
        <TakeOption
          jobId="j"
          label="Do this on both"
          name=": Both cut"
          sides={[
            { corner: 'FL', action: 'on-vehicle' },
            { corner: 'FR', action: 'bench' },
          ]}
        />
      </>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Take this : Index, FL' }));
    await settled();
    fireEvent.click(screen.getByRole('button', { name: /Do this on both/ }));
    await settled();
    expect(calls).toEqual([
      ['decide', { jobId: 'j', corner: 'FL', action: 'index' }],
      [
        'decide-pair',
        {
          jobId: 'j',
          left: { corner: 'FL', action: 'on-vehicle' },
          right: { corner: 'FR', action: 'bench' },
        },
      ],
    ]);
  });
  test('a refusal is said', async () => {
    render(
      <TakeOption
        jobId="j"
        label="Take this"
        name=""
        sides={[{ corner: 'FL', action: 'index' }]}
      />,
    );
    answer = { ok: false, message: 'This cannot be done any more.', fields: {} };
    fireEvent.click(screen.getByRole('button'));
    await settled();
    expect(screen.getByRole('alert').textContent).toBe('This cannot be done any more.');
  });
});

describe('what the options rest on', () => {
  const props: DecideInputsProps = {
    jobId: 'j',
    corner: 'FL',
    units: 'mm',
    extras: ['pins'],
    withMetal: ['pads'],
    isChosen: false,
    extrasStamp: 'e',
    padFamily: 'organic',
    familyStamp: null,
    figures: {
      'score-outboard': { text: '0.1', stamp: 's' },
      'score-inboard': { text: '', stamp: null },
      'clean-up': { text: '', stamp: null },
    },
  };
  const sent = () => calls.map(([, form]) => form as Record<string, unknown>);
  test('repairs are ticked from what was found, and changed with the stamp that was seen', async () => {
    render(<DecideInputs {...props} />);
    expect(screen.getByText(/from what was found/)).toBeInTheDocument();
    expect(screen.getByLabelText<HTMLInputElement>(/Slide pins/).checked).toBe(true);
    expect(screen.getByLabelText(/Pads, one axle – with cut or new rotors/)).toBeInTheDocument();
    fireEvent.click(screen.getByLabelText(/Slide pins/));
    await settled();
    expect(sent()).toMatchObject([{ item: 'extras', value: [], seen: 'e', place: 'FL' }]);
  });
  test('a score is written when its field is left, and taken back when it is emptied', async () => {
    render(<DecideInputs {...props} />);
    const field = screen.getByLabelText(/outboard \(mm\)/);
    fireEvent.blur(field);
    expect(calls).toEqual([]);
    fireEvent.change(field, { target: { value: '0,25' } });
    fireEvent.blur(field);
    await settled();
    fireEvent.change(field, { target: { value: ' ' } });
    fireEvent.blur(field);
    await settled();
    expect(sent()).toMatchObject([
      { item: 'score-outboard', value: { text: '0,25', unit: 'mm' }, seen: 's' },
      { item: 'score-outboard', value: null, seen: 's' },
    ]);
  });
  test('what cannot be is said at the field and stays there', async () => {
    answer = { ok: false, message: '9 in cannot be an amount.', fields: {} };
    render(<DecideInputs {...props} />);
    const field = screen.getByLabelText<HTMLInputElement>(/Clean-up allowance/);
    fireEvent.change(field, { target: { value: '9 in' } });
    fireEvent.submit(field.closest('form')!);
    await settled();
    expect(screen.getByText('9 in cannot be an amount.')).toBeInTheDocument();
    expect(field.value).toBe('9 in');
  });
  test('the pads’ family is chosen from the list', async () => {
    render(<DecideInputs {...props} />);
    fireEvent.change(screen.getByLabelText(/Pads that wear/), {
      target: { value: 'low-metallic' },
    });
    await settled();
    expect(sent()).toMatchObject([{ item: 'pad-family', value: 'low-metallic' }]);
  });
});
