import { act, fireEvent, render, screen } from '@testing-library/react';
import { PairDesk } from './PairDesk';
import { ProgramBook } from './ProgramBook';
import { ScreenBook } from './ScreenBook';
import { SecretBook } from './SecretBook';
import { SignInDesk } from './SignInDesk';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));

interface Sent {
  readonly path: string;
  readonly method: string;
  readonly body: unknown;
}
const sent: Sent[] = [];
let answer: { readonly ok: boolean; readonly status?: number; readonly json: unknown };
beforeEach(() => {
  sent.length = 0;
  answer = { ok: true, json: { value: null } };
  global.fetch = ((path: string, { method, body }: { method: string; body?: string }) => {
    sent.push({ path, method, body: body ? JSON.parse(body) : null });
    return Promise.resolve({ status: 200, ...answer, json: () => Promise.resolve(answer.json) });
  }) as unknown as typeof fetch;
});

const refused = (message: string, fields: object = {}): void => {
  answer = { ok: false, status: 409, json: { error: { message, code: 'refused' }, fields } };
};
const press = (name: string | RegExp) =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name }));
    await Promise.resolve();
  });
const type = (label: string | RegExp, text: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
};

describe('a screen is paired', () => {
  test('by a code; what is wrong with the name stands at the name, the rest at the code', async () => {
    render(<PairDesk isOwnMachine={false} />);
    expect(screen.queryByText('By a lead’s password')).toBeNull();
    type('Code', '1234 5678');
    refused('Give this screen a name.', { name: 'Give this screen a name.' });
    await press('Pair by the code');
    expect(screen.getByLabelText('Name of this screen')).toHaveAttribute('aria-invalid', 'true');
    expect(screen.getByLabelText('Code')).toHaveAttribute('aria-invalid', 'false');
    type('Name of this screen', 'tablet, lift 2');
    refused('That is not right.');
    await press('Pair by the code');
    expect(screen.getByLabelText('Name of this screen')).toHaveAttribute('aria-invalid', 'false');
    expect(screen.getByText('That is not right.')).toBeInTheDocument();
    expect(sent.at(-1)).toEqual({
      ...{ path: '/api/v1/pair', method: 'POST' },
      body: { name: 'tablet, lift 2', code: '1234 5678' },
    });
  });

  test('by a lead’s password at the server’s own machine', async () => {
    render(<PairDesk isOwnMachine />);
    type('Name of this screen', 'office');
    type('Name of the lead', 'Ines');
    type('Password', 'wet rust on the lift');
    refused('That is not right.');
    await press('Pair by the password');
    expect(sent.at(-1)?.body).toEqual({
      ...{ name: 'office', lead: 'Ines', password: 'wet rust on the lift' },
    });
  });
});

test('somebody signs in by a name and the digits of a PIN, typed or pressed', async () => {
  const people = [
    { id: 'i', name: 'Ines' },
    { id: 'w', name: 'Wren' },
  ];
  render(<SignInDesk people={people} to="/jobs/x" />);
  expect(screen.queryByLabelText(/^PIN of/)).toBeNull();
  await press('Wren');
  const field = screen.getByLabelText(/^PIN of Wren/);
  expect(document.activeElement).toBe(field);
  for (const digit of '5901') await press(digit);
  await press('Back');
  expect(field).toHaveValue('590');
  refused('That is not right.');
  await press('Sign in');
  expect(sent.at(-1)).toEqual({
    ...{ path: '/api/v1/session', method: 'POST', body: { person: 'w', secret: '590' } },
  });
  expect(screen.getByText('That is not right.')).toBeInTheDocument();
  // Another name begins anew.
  await press('Ines');
  expect(screen.getByLabelText(/^PIN of Ines/)).toHaveValue('');
});

test('screens are listed, one more is paired by a code that runs out, and a key is taken away', async () => {
  jest.useFakeTimers();
  const own = { pairedBy: 'Ines', seen: '5 seconds ago', revokedBy: null, revokedAt: null };
  render(
    <ScreenBook
      screens={[
        { id: 'a', name: 'office', ...own },
        { id: 'b', name: 'old tablet', ...own, revokedAt: new Date(), revokedBy: 'Ines' },
      ]}
      own="a"
      tries={['9 wrong tries in a row for Wren']}
    />,
  );
  expect(screen.getByRole('alert').textContent).toContain('for Wren');
  expect(screen.getByText('Key taken away by Ines')).toBeInTheDocument();
  const until = new Date(Date.now() + 120_000).toISOString();
  const code = { code: '12345678', until, address: 'https://192.0.2.1/pair', picture: 'data:,' };
  answer = { ok: true, json: { value: code } };
  await press('Pair another screen');
  expect(screen.getByText('1234 5678')).toBeInTheDocument();
  expect(screen.getByRole('timer').textContent).toBe('120 s left, once.');
  act(() => jest.advanceTimersByTime(121_000));
  expect(screen.getByText(/has run out/)).toBeInTheDocument();
  refused('This screen is not paired any more.');
  await press(/^Take its key away/);
  expect(sent.at(-1)).toMatchObject({ path: '/api/v1/devices/a', method: 'DELETE' });
  expect(screen.getByText('This screen is not paired any more.')).toBeInTheDocument();
  jest.useRealTimers();
});

test('a PIN is kept, or what is wrong with it said; a password is a lead’s alone', async () => {
  const has = { hasPin: false, hasPassword: false };
  render(
    <SecretBook
      people={[
        { id: 'i', name: 'Ines', isLead: true, ...has, hasPassword: true },
        { id: 'w', name: 'Wren', isLead: false, ...has },
      ]}
    />,
  );
  expect(screen.getByText('Ines: no PIN yet, password')).toBeInTheDocument();
  expect(screen.getByText('Wren: no PIN yet')).toBeInTheDocument();
  expect(screen.getAllByLabelText(/^Password/)).toHaveLength(1);
  const [, wren] = screen.getAllByLabelText(/^PIN/);
  fireEvent.change(wren!, { target: { value: '123456' } });
  refused('This PIN is guessed first.', { pin: 'This PIN is guessed first.' });
  await press(/Keep.*PIN.*Wren/);
  expect(screen.getByText('This PIN is guessed first.')).toBeInTheDocument();
  fireEvent.change(wren!, { target: { value: '590128' } });
  answer = { ok: true, json: { value: null } };
  await press(/Keep.*PIN.*Wren/);
  expect(sent.at(-1)?.body).toEqual({ person: 'w', pin: '590128' });
  expect(wren).toHaveValue('');
  expect(screen.getByText('Kept.')).toBeInTheDocument();
});

test('a key for another program is shown once, and taken away', async () => {
  const program = { role: 'monitor', until: 'until 1 Jan 2027', used: 'never', isOver: false };
  render(
    <ProgramBook
      programs={[
        { id: 'p', name: 'wall', ...program },
        { id: 'q', name: 'gone', ...program, isOver: true },
      ]}
    />,
  );
  type('Days', 'many');
  refused('Say for how many days.', { days: 'Say for how many days.' });
  await press('Make a key');
  expect(screen.getByLabelText('Days')).toHaveAttribute('aria-invalid', 'true');
  type('For which program', 'office');
  type('Days', '30');
  answer = { ok: true, json: { value: { id: 'n', key: 'zh_once' } } };
  await press('Make a key');
  expect(screen.getByText('zh_once')).toBeInTheDocument();
  expect(sent.at(-1)?.body).toEqual({ name: 'office', role: 'monitor', days: '30' });
  expect(screen.getAllByRole('button', { name: /^Take its key away/ })).toHaveLength(1);
  await press(/^Take its key away/);
  expect(sent.at(-1)).toMatchObject({ path: '/api/v1/programs/p', method: 'DELETE' });
});
