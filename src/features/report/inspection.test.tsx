import { render, screen } from '@testing-library/react';
import { LookCounts } from '@/ui/verdict';
import { InspectionLines, ProcedureLines } from './InspectionReport';

const inspection = {
  corner: 'FL' as const,
  wrong: [
    { name: 'Hose', conditions: 'bulged', putRight: 'new hose', isOffRoad: true },
    { name: 'Slide pins', conditions: 'dry or rough, bent', putRight: null, isOffRoad: false },
  ],
  seen: [],
  sound: ['Vent fins', 'Studs'],
  notLooked: ['Hard lines'],
  pads: ['Inner pad is worn more'],
  renew: ['Hose', 'Slide pins'],
  leftOut: ['Pins out (done last month)'],
  inTray: [],
};

test('found wrong, sound and not looked at are three lines, and repairs are named', () => {
  render(<InspectionLines inspection={inspection} />);
  const lines = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(lines).toEqual([
    'Found wrong Hose: bulged. Put right: new hose.',
    'Found wrong Slide pins: dry or rough, bent. Not put right yet.',
    'Inner pad is worn more.',
    'To be renewed: hose, slide pins.',
    'Sound Vent fins, Studs.',
    'Not looked at Hard lines.',
    'Steps left out on purpose: Pins out (done last month).',
  ]);
});

test('a corner that nobody looked at says so and calls nothing sound', () => {
  const nothing = { ...inspection, wrong: [], sound: [], pads: [], renew: [], leftOut: [] };
  const { container } = render(<InspectionLines inspection={nothing} />);
  expect(container.textContent).toBe('Strip and inspect: Not looked at');
});

test('what was left out before lifting and the rules followed are told with their reasons', () => {
  const rules = [
    { say: 'Hub face: clean and dry.', reason: null },
    { say: 'New bolts.', reason: 'kit supplied' },
  ];
  const skipped = ['Wheels chocked (four-post lift)'];
  const { container, rerender } = render(
    <ProcedureLines procedure={{ lifting: { done: 7, skipped }, rules }} />,
  );
  expect(container.textContent).toContain(
    'Before lifting: 7 points gone through; left out: Wheels chocked (four-post lift).',
  );
  expect(container.textContent).toContain('House rules followed (2)');
  expect(container.textContent).toContain('New bolts. (this job: kit supplied.)');
  rerender(<ProcedureLines procedure={{ lifting: { done: 0, skipped: [] }, rules }} />);
  expect(container.textContent).not.toContain('Before lifting');
});

test('three counts are three figures', () => {
  const { container } = render(<LookCounts notLooked={18} sound={4} wrong={5} />);
  expect(container.textContent).toBe('Not looked at 18Sound 4Found wrong 5');
});
