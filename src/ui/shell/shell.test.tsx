import { render, screen, within } from '@testing-library/react';
import { NextLink } from './NextLink';
import { NextThing } from './NextThing';
import { Trail, type TrailStage } from './Trail';

jest.mock('next/navigation', () => ({ usePathname: () => '/jobs/1/decide' }));

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
