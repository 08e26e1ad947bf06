import { fireEvent, render, screen, within } from '@testing-library/react';
import { KNOWLEDGE } from '@/core/contracts';
import {
  countedPriors,
  diagnose,
  nextChecks,
  NO_OVERRIDES,
  percent,
  sayFound,
  signedDecibans,
  type RecordedFinding,
} from '@/core/diagnosis';
import type { NoseView } from '@/server/nose/nose';
import { JobLead, JobNose } from './JobNose';
import { leadOf, sayPrior } from './model';
import { keyOf, Questions } from './Questions';

const answers: unknown[] = [];
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => {
    answers.push(input);
    return Promise.resolve({ ok: true, value: '' });
  },
}));

const viewOf = (findings: readonly RecordedFinding[], aside: string[] = []): NoseView => ({
  knowledge: KNOWLEDGE,
  overrides: NO_OVERRIDES,
  priors: countedPriors(KNOWLEDGE, { hose: 12 }),
  confirmedJobs: 12,
  diagnosis: diagnose(KNOWLEDGE, { findings, corners: ['FL', 'FR'] }),
  findings,
  aside,
  noDrive: null,
  putRight: [],
});

describe('words', () => {
  test('a probability never claims its ends', () => {
    expect([percent(0.001), percent(0.456), percent(0.999)]).toEqual([
      'under 1\u00a0%',
      '46\u00a0%',
      'over 99\u00a0%',
    ]);
  });

  test('decibans carry their sign, values their words', () => {
    expect([signedDecibans(-3.24), signedDecibans(4)]).toEqual(['\u22123.2', '+4.0']);
    const finding = (code: string) => KNOWLEDGE.findings.find((each) => each.code === code);
    expect(sayFound(finding('felt'), 'both')).toBe('Wheel and pedal');
    expect(sayFound(finding('runout'), 1.5)).toBe('1.50 \u00d7 its limit');
    expect(sayFound(undefined, 'x')).toBe('x');
  });

  test('a share says whether it is counted', () => {
    const counted = { code: 'hose', share: 0.2, confirmed: 12 };
    expect(sayPrior(0.2, counted, 31)).toContain('12 of your 31 closed jobs');
    expect(sayPrior(0.2, counted, 0)).toContain('workshop default');
  });

  test('not settled is said, and what is nearest', () => {
    const { lead, why } = leadOf(diagnose(KNOWLEDGE, { findings: [] }));
    expect(lead).toBe('Not settled.');
    expect(why).toContain('No cause has 75');
  });

  test('cause and effect are told together', () => {
    const findings = [
      { code: 'felt', value: 'both' },
      { code: 'when', value: 'braking' },
      { code: 'thickness-variation', value: 2 },
      { code: 'runout', value: 3 },
      { code: 'hub-look', value: 'rust' },
    ];
    const { lead } = leadOf(diagnose(KNOWLEDGE, { findings, axle: 'front' }));
    expect(lead).toMatch(/^Thickness variation.*: the effect\. Rust or dirt.*: its source\.$/);
  });
});

describe('the panel', () => {
  const findings: RecordedFinding[] = [
    { code: 'drag', value: 'yes' },
    { code: 'pins-check', value: 'stuck', corner: 'FL' },
    { code: 'spin-check', value: 'drags', corner: 'FL' },
  ];

  test('says the lead with its place, and every term with its weight and reason', () => {
    const view = viewOf(findings);
    render(<JobLead view={view} />);
    expect(screen.getByRole('status').textContent).toContain('Stuck slide pins, front left.');
    render(<JobNose jobId="j" corners={['FL', 'FR']} view={view} />);
    const cause = screen
      .getByText(/The caliper cannot float/, { selector: '.terms p' })
      .closest('details')!;
    expect(cause.textContent).toContain('A pin that is stuck holds one pad on the rotor.');
    expect(within(cause).getAllByRole('button', { hidden: true }).length).toBeGreaterThan(1);
  });

  test('says what is not added, and why', () => {
    const hose = viewOf([
      { code: 'hose-check', value: 'cracked', corner: 'FL' },
      { code: 'hose-age', value: 'old', corner: 'FL' },
    ]);
    render(<JobNose jobId="j" corners={['FL']} view={hose} />);
    expect(screen.getAllByText(/Not added: a stronger finding of its kind is/)).not.toHaveLength(0);
  });

  test('what is set aside can be weighed again; what is measured is not taken back by hand', () => {
    const view = viewOf([...findings, { code: 'runout', value: 2, corner: 'FL' }], ['drag']);
    render(<JobNose jobId="j" corners={['FL']} view={view} />);
    expect(screen.getByRole('button', { name: 'Weigh it again' })).toBeInTheDocument();
    const found = screen.getByText('Everything found').closest('details')!;
    expect(within(found).getAllByText(/Take back/)).toHaveLength(3);
  });

  // 2026-11-30: the check led to the bench, where nothing took its answer.
  test('what drawing the nuts up anew changed is told by a button, proposed or not', () => {
    const read: RecordedFinding = { code: 'runout', value: 2, corner: 'FL' };
    const title = 'Runout before and after the nuts were drawn up anew';
    const { rerender } = render(<JobNose jobId="j" corners={['FL']} view={viewOf([])} />);
    expect(screen.queryByText(title)).toBeNull();
    rerender(<JobNose jobId="j" corners={['FL']} view={viewOf([read])} />);
    const check = screen.getByText(title).closest('details')!;
    const buttons = within(check).getAllByRole('button', { hidden: true });
    expect(buttons.map((each) => each.textContent)).toEqual(['Little', 'Most of it went']);
    // What the bench reads has no button.
    const checks = nextChecks(KNOWLEDGE, { findings: [read], corners: ['FL'] }, 40);
    const cleaning = checks.filter(({ code }) => code === 'cleaning');
    const view = viewOf([read]);
    rerender(
      <JobNose
        jobId="j"
        corners={['FL']}
        view={{ ...view, diagnosis: { ...view.diagnosis, nextChecks: cleaning } }}
      />,
    );
    expect(screen.getByRole('link', { name: 'Go to measuring', hidden: true })).toBeInTheDocument();
  });

  test('a check is offered at the corner that is not looked at yet', () => {
    const pins = nextChecks(
      KNOWLEDGE,
      {
        findings: [
          { code: 'drag', value: 'yes' },
          { code: 'pins-check', value: 'free', corner: 'FL' },
        ],
        corners: ['FL', 'FR'],
      },
      40,
    ).filter(({ code }) => code === 'pins-check');
    const view = viewOf([{ code: 'pins-check', value: 'free', corner: 'FL' }]);
    const diagnosis = { ...view.diagnosis, nextChecks: pins };
    render(<JobNose jobId="j" corners={['FL', 'FR']} view={{ ...view, diagnosis }} />);
    expect(screen.getByLabelText<HTMLSelectElement>('Found at').value).toBe('FR');
  });

  test('each outcome of the first check says what it would change', () => {
    render(<JobNose jobId="j" corners={['FL']} view={viewOf([])} />);
    const first = document.querySelector('.outcome')!;
    expect(first.textContent).toMatch(/%/);
  });
});

describe('questions', () => {
  const questions = [
    {
      code: 'one',
      question: 'One?',
      values: [
        { code: 'a', label: 'A' },
        { code: 'b', label: 'B' },
      ],
    },
    { code: 'two', question: 'Two?', values: [{ code: 'c', label: 'C' }] },
  ];

  test('a key is an answer, a step, or nothing', () => {
    expect(keyOf('2', 3)).toEqual({ answer: 1 });
    expect(keyOf('4', 3)).toBeNull();
    expect(keyOf('0', 3)).toEqual({ step: 1 });
    expect(keyOf('Backspace', 3)).toEqual({ step: -1 });
    expect(keyOf('x', 3)).toBeNull();
  });

  test('a key answers the question in focus and goes to the next', () => {
    answers.length = 0;
    render(<Questions jobId="j" questions={questions} answers={{}} />);
    const group = screen.getByRole('group', { name: 'One?' });
    expect(document.activeElement).toBe(group);
    fireEvent.keyDown(group, { key: '2' });
    expect(answers).toEqual([{ jobId: 'j', code: 'one', corner: null, value: 'b' }]);
    expect(document.activeElement).toBe(screen.getByRole('group', { name: 'Two?' }));
  });

  test('an answer pressed again is taken back', () => {
    answers.length = 0;
    render(<Questions jobId="j" questions={questions} answers={{ one: 'a' }} />);
    fireEvent.click(screen.getByRole('button', { name: /A$/ }));
    expect(answers).toEqual([{ jobId: 'j', code: 'one', corner: null, value: null }]);
  });
});
