import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { PROCEDURE } from '@/core/contracts';
import { rulesInForce } from '@/core/procedure';
import { RuleBook } from './RuleBook';

const sent: [string, unknown][] = [];
let answer: unknown = { ok: true, value: 'kept' };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ name, input }: { name: string; input: unknown }) => {
    sent.push([name, input]);
    return Promise.resolve(answer);
  },
}));
beforeEach(() => {
  sent.length = 0;
  answer = { ok: true, value: 'kept' };
});

const card = (code: string): HTMLElement => document.getElementById(code)!;
/** The test browser submits no form by a press: the form itself is sent. */
const submit = (button: HTMLElement): Promise<void> =>
  act(async () => {
    fireEvent.submit(button.closest('form')!);
    await new Promise((resolve) => setTimeout(resolve, 5));
  });

test('every rule stands with its ways, what speaks for and against, and whose choice it is', () => {
  render(<RuleBook rules={rulesInForce(PROCEDURE, { bolts: 'oiled' })} job={null} />);
  expect(screen.getAllByRole('group').length).toBe(PROCEDURE.rules.length);
  const bolts = within(card('bolts'));
  expect(bolts.getByText(/the shop’s choice/)).toBeInTheDocument();
  expect(bolts.getAllByText(/^For:|For: /).length).toBe(5);
  expect(bolts.getByRole<HTMLInputElement>('radio', { name: /Clean and oiled/ }).checked).toBe(
    true,
  );
  expect(within(card('pads')).getByText(/workshop default/)).toBeInTheDocument();
});

test('the shop chooses a way, and goes back to the default', async () => {
  render(<RuleBook rules={rulesInForce(PROCEDURE, { bolts: 'oiled' })} job={null} />);
  const bolts = within(card('bolts'));
  fireEvent.click(bolts.getByRole('radio', { name: /New bolts/ }));
  await submit(bolts.getByRole('button', { name: 'The shop does it this way' }));
  expect(sent).toEqual([['rule', { rule: 'bolts', choice: 'new' }]]);
  expect(bolts.getByText('Kept for the shop.')).toBeInTheDocument();
  await submit(bolts.getByRole('button', { name: 'Back to the workshop default' }));
  expect(sent[1]).toEqual(['rule', { rule: 'bolts', choice: null }]);
  expect(within(card('pads')).queryByRole('button', { name: /Back to/ })).toBeNull();
});

test('a job goes another way with its reason and the stamp that was seen', async () => {
  const own = [{ rule: 'hub-face', school: 'film', reason: 'sea air' }];
  render(
    <RuleBook
      rules={rulesInForce(PROCEDURE, {}, own)}
      job={{ id: 'j', stamps: { 'hub-face': 'seen' } }}
    />,
  );
  const hub = within(card('hub-face'));
  expect(hub.getByText(/this job’s own way: sea air/)).toBeInTheDocument();
  answer = { ok: false, message: 'Say why, in a few words.', fields: {} };
  fireEvent.change(hub.getByLabelText('Why another way: Hub face'), { target: { value: '' } });
  await submit(hub.getByRole('button', { name: 'This way for this job' }));
  expect(sent[0]).toEqual([
    'check',
    {
      ...{ jobId: 'j', kind: 'rule', place: '', item: 'hub-face' },
      ...{ seen: 'seen', value: 'film', note: null },
    },
  ]);
  expect(hub.getByText('Say why, in a few words.').className).toContain('zh-error');
  await submit(hub.getByRole('button', { name: 'Back to the shop’s way' }));
  expect(sent[1]?.[1]).toMatchObject({ value: null });
});
