import { render, screen } from '@testing-library/react';
import { KNOWLEDGE } from '@/core/contracts';
import { applyOverrides, countedPriors, NO_OVERRIDES, type Overrides } from '@/core/diagnosis';
import type { ShopKnowledge } from '@/server/nose/nose';
import { KnowledgeBook } from './KnowledgeBook';
import { answersOf } from './model';

function shopWith(overrides: Overrides, confirmed: Record<string, number> = {}): ShopKnowledge {
  const knowledge = applyOverrides(KNOWLEDGE, overrides);
  const priors = countedPriors(knowledge, confirmed);
  const confirmedJobs = priors.reduce((sum, each) => sum + each.confirmed, 0);
  return { knowledge, overrides, priors, confirmedJobs };
}

test('shows every cause with its counts and every finding with what it weighs', () => {
  render(<KnowledgeBook shop={shopWith(NO_OVERRIDES, { hose: 12, joint: 19 })} />);
  const row = screen.getAllByText(/Collapsed hose/)[0]!.closest('tr')!;
  expect(row.textContent).toContain('12 of 31');
  const shares = screen.getAllByRole('textbox').map((field) => field.getAttribute('aria-label'));
  for (const { name } of KNOWLEDGE.causes) {
    expect(shares).toContain(`${name}: jobs in a hundred`);
  }
  const findings = screen.getByRole('region', { name: 'Findings and what they weigh' });
  for (const { title } of KNOWLEDGE.findings) {
    expect(findings.textContent).toContain(title);
  }
  expect(findings.textContent).toContain('A pin that is stuck holds one pad on the rotor.');
  expect(screen.queryByRole('button', { name: 'Everything as shipped again' })).toBeNull();
});

test('shows what the shop has made its own, and the way back', () => {
  const own: Overrides = {
    priors: { hose: 9 },
    minutes: {},
    weights: [{ finding: 'pull', value: 'left', cause: 'hose', decibans: -2 }],
  };
  render(<KnowledgeBook shop={shopWith(own)} />);
  expect(screen.getByText(/Pull: Pulls left → Collapsed hose/)).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'As shipped again' })).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Everything as shipped again' })).toBeInTheDocument();
  const share = screen.getByLabelText(/^Collapsed hose.*: jobs in a hundred/);
  expect((share as HTMLInputElement).value).toBe('9');
});

test('every answer can be given a weight', () => {
  expect(answersOf().map(({ value }) => value)).toContain('felt both');
});
