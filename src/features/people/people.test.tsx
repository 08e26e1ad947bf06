import { act, fireEvent, render, screen } from '@testing-library/react';
import { PeopleList } from './PeopleList';
import { WhoIsHere } from './WhoIsHere';

const calls: unknown[][] = [];
let answer: unknown = { ok: true, value: 'w' };
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: () => undefined }) }));
jest.mock('./requests', () => ({
  chooseWho: (...args: unknown[]) => {
    calls.push(['choose', ...args]);
    return Promise.resolve({ ok: true, value: null });
  },
}));
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ name, input }: { name: string; input: unknown }) => {
    calls.push([name, input]);
    return Promise.resolve(answer);
  },
}));
beforeEach(() => {
  calls.length = 0;
  answer = { ok: true, value: 'w' };
});

const people = [
  { id: 'i', name: 'Ines', role: 'lead', initials: 'IN' },
  { id: 't', name: 'Tobiah', role: 'technician', initials: 'TO' },
] as const;
const press = (element: HTMLElement): Promise<void> =>
  act(async () => {
    fireEvent.click(element);
    await new Promise((resolve) => setTimeout(resolve, 5));
  });

describe('who is here', () => {
  test('is chosen by one tap and taken back by another', async () => {
    const { rerender } = render(<WhoIsHere people={people} here={null} />);
    await press(screen.getByRole('button', { name: 'Tobiah' }));
    rerender(<WhoIsHere people={people} here="t" />);
    expect(screen.getByRole('button', { name: 'Tobiah' }).getAttribute('aria-pressed')).toBe(
      'true',
    );
    await press(screen.getByRole('button', { name: 'Tobiah' }));
    expect(calls).toEqual([
      ['choose', 't'],
      ['choose', ''],
    ]);
  });

  test('is a new name where nobody is on file yet; a bad one is said', async () => {
    render(<WhoIsHere people={[]} here={null} />);
    answer = { ok: false, message: 'Enter the name.', fields: {} };
    fireEvent.submit(screen.getByLabelText('Name').closest('form')!);
    expect(await screen.findByText('Enter the name.')).toBeTruthy();
    answer = { ok: true, value: 'w' };
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Wren' } });
    fireEvent.change(screen.getByLabelText('Role'), { target: { value: 'apprentice' } });
    fireEvent.submit(screen.getByLabelText('Name').closest('form')!);
    expect(await screen.findByRole('button', { name: 'Another name' })).toBeTruthy();
    expect(calls).toContainEqual(['person', { name: 'Wren', role: 'apprentice' }]);
    await press(screen.getByRole('button', { name: 'Another name' }));
    expect(screen.getByLabelText('Name')).toBeInTheDocument();
  });

  test('folds to a line that says who it is', () => {
    const { rerender } = render(<WhoIsHere people={people} here="i" isFolded />);
    expect(screen.getByText('Here: Ines')).toBeInTheDocument();
    rerender(<WhoIsHere people={people} here={null} isFolded />);
    expect(document.querySelector('summary')?.textContent).toBe('Who is here?');
  });
});

test('people are listed and let go; an empty shop says what to do', async () => {
  const { rerender } = render(<PeopleList people={people} />);
  await press(screen.getAllByText('Works here no more')[0]!);
  expect(calls).toEqual([['person-remove', { id: 'i' }]]);
  rerender(<PeopleList people={[]} />);
  expect(screen.getByText(/Nobody is on file yet/)).toBeInTheDocument();
});

test('role and initials are changed in place; a refusal is said', async () => {
  render(<PeopleList people={people} />);
  fireEvent.change(screen.getByLabelText('Role of Tobiah'), { target: { value: 'lead' } });
  await act(async () => {});
  expect(calls.at(-1)).toEqual([
    'person-change',
    { id: 't', form: { role: 'lead', initials: 'TO' } },
  ]);
  const field = screen.getByLabelText('Initials of Ines');
  fireEvent.blur(field);
  expect(calls).toHaveLength(1);
  answer = { ok: false, message: 'The initials are too long.' };
  fireEvent.change(field, { target: { value: 'INE' } });
  fireEvent.blur(field);
  await act(async () => {});
  expect(calls.at(-1)).toEqual([
    'person-change',
    { id: 'i', form: { role: 'lead', initials: 'INE' } },
  ]);
  expect(screen.getByText('The initials are too long.')).toBeInTheDocument();
});
