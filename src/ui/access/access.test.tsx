import { act, fireEvent, render, screen } from '@testing-library/react';
import { ask } from '../ask';
import { PasswordAgain, SignedOut } from '.';
import { saySignedOut } from './sure';

const sent: string[] = [];
let isGiven = false;
beforeEach(() => {
  sent.length = 0;
  isGiven = false;
  // The test’s browser has no dialogs of its own.
  HTMLDialogElement.prototype.showModal = function show() {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function close() {
    this.open = false;
    this.dispatchEvent(new Event('close'));
  };
  global.fetch = ((path: string, { method, body }: { method: string; body?: string }) => {
    sent.push(`${method} ${path}`);
    const isPassword = method === 'PUT';
    if (isPassword) isGiven = body?.includes('wet rust') ?? false;
    const ok = isGiven;
    const error = isPassword
      ? { code: 'refused', message: 'That is not right.' }
      : { code: 'password', message: 'The password is asked for.' };
    return Promise.resolve({
      ...{ ok, status: ok ? 200 : 403 },
      json: () => Promise.resolve(ok ? { value: 'done' } : { error }),
    });
  }) as unknown as typeof fetch;
});

const settle = () => act(async () => new Promise((resolve) => setTimeout(resolve, 5)));
const give = async (password: string): Promise<void> => {
  fireEvent.change(screen.getByLabelText('Password'), { target: { value: password } });
  fireEvent.submit(screen.getByLabelText('Password').closest('form')!);
  await settle();
};

test('what is grave asks for the password over the page, and goes on by itself', async () => {
  render(<PasswordAgain name="Ines" />);
  let answered: unknown = null;
  void ask('/api/v1/copies', { method: 'POST' }).then((answer) => (answered = answer));
  await settle();
  expect(screen.getByRole('dialog', { name: 'Password of Ines' })).toBeInTheDocument();
  await give('not the right one');
  expect(screen.getByText('That is not right.')).toBeInTheDocument();
  expect(answered).toBeNull();
  await give('wet rust on the lift');
  expect(answered).toEqual({ ok: true, value: 'done' });
  expect(sent).toEqual([
    'POST /api/v1/copies',
    'PUT /api/v1/session',
    'PUT /api/v1/session',
    'POST /api/v1/copies',
  ]);
});

test('left, nothing is done and it says why', async () => {
  render(<PasswordAgain name="Ines" />);
  let answered: unknown = null;
  void ask('/api/v1/copies', { method: 'POST' }).then((answer) => (answered = answer));
  await settle();
  fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
  await settle();
  expect(answered).toMatchObject({ ok: false, message: 'The password is asked for.' });
  expect(sent).toEqual(['POST /api/v1/copies']);
});

test('a screen at which nobody is signed in any more says so, with the way back to the page', () => {
  render(<SignedOut />);
  expect(screen.queryByRole('alert')).toBeNull();
  act(() => void saySignedOut());
  expect(screen.getByRole('link', { name: 'Sign in' })).toHaveAttribute(
    'href',
    `/sign-in?to=${encodeURIComponent(window.location.pathname)}`,
  );
});
