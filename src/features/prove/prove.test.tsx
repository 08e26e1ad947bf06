import { act, fireEvent, render, screen } from '@testing-library/react';
import { BeforeAfter } from './BeforeAfter';
import { FeelScale } from './FeelScale';
import { OutcomeCard } from './OutcomeCard';

test.each([
  ['cured', 'Cured'],
  ['better', 'Better'],
  ['not-cured', 'Not cured'],
  ['not-proven', 'Not proven'],
] as const)('%s stands as a word with its reasons and what is left', (state, word) => {
  render(<OutcomeCard outcome={{ state, reasons: ['FL: r.'], left: ['It was not driven.'] }} />);
  expect(screen.getByText(word)).toBeInTheDocument();
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'FL: r.',
    'It was not driven.',
  ]);
});

const sent: unknown[] = [];
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => {
    sent.push(input);
    return Promise.resolve({ ok: true, value: { stamp: 's' } });
  },
}));

test('one scale for wheel, pedal and seat', async () => {
  const feel = { wheel: 3, pedal: 0, seat: 0 };
  render(<FeelScale jobId="j" when="after" feel={feel} stamp="s" />);
  const strong = screen.getAllByRole('button', { name: 'strong' });
  expect(strong[0]!.getAttribute('aria-pressed')).toBe('true');
  await act(
    async () => void fireEvent.click(screen.getAllByRole('button', { name: 'a hint' })[1]!),
  );
  expect(sent).toMatchObject([
    { kind: 'prove', item: 'feel-after', value: { wheel: 3, pedal: 1, seat: 0 }, seen: 's' },
  ]);
});

test('before and after stand side by side, not measured is said', () => {
  const verdict = {
    ...{ state: 'beyond' as const, value: 72, limit: 50, guardBand: 2, margin: -22 },
    ...{ lapsToSettle: null, reasons: [] },
  };
  render(
    <BeforeAfter
      rows={[
        { corner: 'FL', name: 'Lateral runout', role: 'deviation', before: verdict, after: null },
        {
          ...{ corner: 'RL', name: 'Drum, largest diameter', role: 'size' },
          before: { ...verdict, value: 228_500, state: 'within' },
          after: null,
        },
      ]}
      units="mm"
    />,
  );
  const [, row, drum] = screen.getAllByRole('row');
  expect(row!.textContent).toContain('0.072');
  expect(row!.textContent).toContain('Beyond');
  expect(row!.textContent).toContain('Not measured');
  expect(drum!.textContent).toContain('228.500');
});
