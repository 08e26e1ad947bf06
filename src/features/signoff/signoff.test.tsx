import { act, fireEvent, render, screen } from '@testing-library/react';
import { ClosedRecord } from './ClosedRecord';
import { Rechecks } from './Rechecks';
import { SignOff } from './SignOff';

const sent: unknown[] = [];
let answers: unknown[] = [];
const answer = (form: unknown): Promise<unknown> => {
  sent.push(form);
  return Promise.resolve(answers.shift() ?? { ok: true, value: 'j' });
};
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => answer(input),
}));
beforeEach(() => {
  sent.length = 0;
  answers = [];
});
const press = async (name: RegExp | string): Promise<void> => {
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name }));
    await Promise.resolve();
  });
};

const CAUSES = [{ code: 'hose', name: 'Collapsed hose' }];
const lead = { name: 'Ines', isLead: true };
const at = (say: string) => ({ say, href: '/there' });

describe('the sign-off', () => {
  const props = { jobId: 'j', blocks: [], open: [], causes: CAUSES, confirmed: null, who: lead };

  test('cannot be pressed while something stands in the way, and lists it with its place', () => {
    render(<SignOff {...props} blocks={[at('The caliper of FL is off its rotor.')]} />);
    expect(screen.getByText(/The caliper of FL/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'Go there' }).getAttribute('href')).toBe('/there');
    expect(
      screen.getByRole<HTMLButtonElement>('button', { name: 'Sign off as Ines' }).disabled,
    ).toBe(true);
  });

  test('a technician is told to ask a lead', () => {
    render(<SignOff {...props} who={{ name: 'Wren', isLead: false }} />);
    expect(screen.getByText(/Wren is not a lead/)).toBeInTheDocument();
  });

  test('goes with the cause and the reason for what is open; what the server refuses stands at its field', async () => {
    const message = 'Say why it is signed off with what is open.';
    answers = [{ ok: false, message, fields: { reason: message } }];
    render(<SignOff {...props} open={[at('It was not driven again.')]} />);
    fireEvent.change(screen.getByLabelText('Confirmed cause'), { target: { value: 'hose' } });
    await press('Sign off as Ines');
    expect(screen.getByText(message)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/^Why it is signed/), { target: { value: 'snow' } });
    await press('Sign off as Ines');
    expect(sent[1]).toEqual({ jobId: 'j', cause: 'hose', reason: 'snow' });
  });
});

test('a closed record says by whom, with what open, and takes additions', async () => {
  const signed = {
    by: 'Ines',
    at: '25 November',
    open: ['It was not driven again.'],
    reason: 'snow',
    isElsewhere: false,
  };
  const additions = [{ id: 'a', text: 'Owner called.', by: 'Tobiah', at: '26 Nov' }];
  const { rerender } = render(<ClosedRecord jobId="j" signed={signed} additions={additions} />);
  expect(screen.getByText(/Signed off by Ines/)).toBeInTheDocument();
  expect(screen.getByText(/It was not driven again\. Why: snow/)).toBeInTheDocument();
  expect(screen.getByText(/Owner called\./)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText('Add to the record'), { target: { value: 'Quiet.' } });
  await press('Add');
  expect(sent).toEqual([{ jobId: 'j', text: 'Quiet.' }]);
  const elsewhere = { ...signed, isElsewhere: true };
  rerender(<ClosedRecord jobId="j" signed={elsewhere} additions={additions} />);
  expect(screen.getByText(/Signed off elsewhere by Ines/)).toBeInTheDocument();
});

test('a recheck is set by distance or date, and settled', async () => {
  const rechecks = [{ id: 'r', what: 'wheel-nuts' as const, due: 'at 89115 km', done: null }];
  render(<Rechecks jobId="j" rechecks={rechecks} hasOdometer />);
  fireEvent.change(screen.getByLabelText('What'), { target: { value: 'thickness' } });
  fireEvent.change(screen.getByLabelText('Or by'), { target: { value: '2027-03-01' } });
  await press('Set the recheck');
  expect(sent[0]).toEqual({ jobId: 'j', what: 'thickness', afterKm: 5000, on: '2027-03-01' });
  await press('Done');
  expect(sent[1]).toEqual({ id: 'r', isDone: true });
});
