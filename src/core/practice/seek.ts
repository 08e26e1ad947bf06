import type { Knowledge } from '../diagnosis';
import { SOURCES } from './apartCase';
import { worksOf } from './benchWork';
import { caseOf, isOfCorner } from './case';
import { SEEDS, writeCode, type CaseCode, type CaseKind } from './code';
import { bestOf } from './decideCase';
import { findCaseOf } from './find';
import { WAYS } from './ways';

/** Nothing is wrong at the bench of a case. */
export const NOTHING_WRONG = 'none';
/** What can be true of a case of a kind: faults of its bench, sources of runout, ways, or causes, by their codes. */
export function truthsOf(kind: CaseKind, knowledge: Knowledge): readonly string[] {
  switch (kind.level) {
    case 'read':
      return [NOTHING_WRONG, ...worksOf(kind).map(({ fault }) => fault)];
    case 'apart':
      return SOURCES;
    case 'decide':
      return WAYS;
    case 'find':
      return knowledge.causes.map(({ code }) => code);
  }
}

/** What is true of a case. */
export function truthsIn(own: CaseCode, knowledge: Knowledge): readonly string[] {
  if (!isOfCorner(own)) return [findCaseOf(own, knowledge).cause.code];
  const made = caseOf(own);
  switch (made.level) {
    case 'read': {
      const wrong = Object.keys(made.faults);
      return wrong.length === 0 ? [NOTHING_WRONG] : wrong;
    }
    case 'apart':
      return made.source === null ? [] : [made.source];
    case 'decide':
      return made.decision === null ? [] : [bestOf(made.decision.ways).way];
  }
}

/**
 * The codes of a kind from a number between 0 and 1 on, in order, each with whether something is true of it:
 * whoever looks for such a case makes one after the other and stops when they please.
 */
export function* seekCode(
  kind: CaseKind,
  truth: string,
  knowledge: Knowledge,
  random: number,
): Generator<{ readonly code: string; readonly isSuch: boolean }, never> {
  for (let i = Math.floor(random * SEEDS); ; i += 1) {
    // Neighbouring codes are as different as any two.
    const own = { ...kind, seed: i % SEEDS };
    yield { code: writeCode(own), isSuch: truthsIn(own, knowledge).includes(truth) };
  }
}
