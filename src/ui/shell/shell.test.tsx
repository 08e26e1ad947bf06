import { fireEvent, render, screen, within } from '@testing-library/react';
import { NextLink } from './NextLink';
import { NextThing } from './NextThing';
import { Shortcuts } from './Shortcuts';
import { Trail, type TrailStage } from './Trail';

const push = jest.fn();
jest.mock('next/navigation', () => ({
  usePathname: () => '/jobs/1/decide',
  useRouter: () => ({ push }),
}));
beforeEach(() => {
  push.mockClear();
  localStorage.clear();
});

const stages: TrailStage[] = [
  { key: 'measure', corner: 'FL', state: 'done' },
  { key: 'decide', corner: null, state: 'open' },
  { key: 'prove', corner: null, state: 'left-out' },
];

test('the trail says of each stage how far it is, and where you are', () => {
  render(<Trail jobId="1" stages={stages} />);
  const links = within(screen.getByRole('navigation')).getAllByRole('link');
  expect(links.map((link) => link.textContent)).toEqual([
    'Measure, done',
    'Decide, open',
    'Prove, left out',
  ]);
  expect(links.map((link) => link.getAttribute('aria-current'))).toEqual([null, 'step', null]);
});

test('a print is solid, open or dashed', () => {
  const { container } = render(<Trail jobId="1" stages={stages} />);
  const prints = [...container.querySelectorAll('svg path')];
  expect(prints.map((print) => print.getAttribute('fill'))).toEqual([
    'currentColor',
    'none',
    'none',
  ]);
  expect(prints[2]!.getAttribute('stroke-dasharray')).not.toBeNull();
  expect(prints[1]!.getAttribute('stroke-dasharray')).toBeNull();
});

test('the next thing is said in one sentence with its reason', () => {
  render(
    <NextThing todo="Measure again." why="Too close to call.">
      <button>Do it</button>
    </NextThing>,
  );
  const status = screen.getByRole('status');
  expect(status.querySelector('strong')?.textContent).toBe('Measure again.');
  expect(status.textContent).toContain('Too close to call.');
});

test('the link to the next thing takes the focus when it appears', () => {
  render(<NextLink href="/next">Go on</NextLink>);
  expect(document.activeElement).toBe(screen.getByRole('link', { name: 'Go on' }));
});

describe('keys of one letter', () => {
  const press = (...keys: string[]): void =>
    keys.forEach((key) => fireEvent.keyDown(document.body, { key }));
  const paths = (): unknown[] => push.mock.calls.map(([path]: unknown[]) => path);

  test('g and a letter lead to a stage, whichever stages there are; a figure leads nowhere', () => {
    const { rerender } = render(
      <>
        <Trail jobId="1" stages={stages} />
        <Shortcuts />
      </>,
    );
    press('g', 'p', '1', '2', '9');
    rerender(
      <>
        <Trail jobId="1" stages={stages.slice(2)} />
        <Shortcuts />
      </>,
    );
    press('g', 'p', 'g', 'm', 'g', 'w', 'n');
    expect(paths()).toEqual(['/jobs/1/prove', '/jobs/1/prove', '/workshop', '/jobs/new']);
  });

  test('they are turned off at a device, and on again', () => {
    render(<Shortcuts />);
    const box = screen.getByRole('checkbox', { name: /Keys of one letter/, hidden: true });
    fireEvent.click(box);
    expect(box).not.toBeChecked();
    press('n', 'g', 'j');
    expect(push).not.toHaveBeenCalled();
    fireEvent.click(box);
    press('n');
    expect(paths()).toEqual(['/jobs/new']);
  });

  test('another letter is chosen at a device; one that is taken, or a figure, is refused', () => {
    render(<Shortcuts />);
    const field = screen.getByRole('textbox', { name: 'Key for new job', hidden: true });
    fireEvent.change(field, { target: { value: 'q' } });
    expect(screen.getByRole('alert', { hidden: true })).toHaveTextContent(/taken: quick check/);
    fireEvent.change(field, { target: { value: '5' } });
    expect(screen.getByRole('alert', { hidden: true })).toHaveTextContent(/readings/);
    fireEvent.change(field, { target: { value: 'j' } });
    press('n');
    expect(push).not.toHaveBeenCalled();
    press('j', 'J');
    expect(paths()).toEqual(['/jobs/new', '/jobs/new']);
  });

  test('what is typed into a field is no key', () => {
    render(
      <>
        <input aria-label="field" />
        <Shortcuts />
      </>,
    );
    fireEvent.keyDown(screen.getByRole('textbox', { name: 'field' }), { key: 'n' });
    expect(push).not.toHaveBeenCalled();
  });
});
