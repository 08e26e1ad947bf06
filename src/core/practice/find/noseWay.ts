import { type FindCase } from './findCase';
import { checksLeft, findState, noseAt, type FindAction, type FindState } from './findWork';

/** Repairs after which somebody who follows the nose gives up. */
const MOST_REPAIRS = 6;

/** The complaint’s questions, which are asked first. */
const askAll = (own: FindCase): FindAction[] => {
  const actions: FindAction[] = [];
  for (;;) {
    const next = checksLeft(own, findState(own, actions)).find(
      ({ stage }) => stage === 'complaint',
    );
    if (!next) return actions;
    actions.push({ kind: 'check', code: next.code });
  }
};

/** What is done next by who follows the nose: a check, or a repair and the pedal after it. */
function nextOf(own: FindCase, state: FindState): readonly FindAction[] {
  const { settled, causes, nextChecks } = noseAt(own, state);
  const left = checksLeft(own, state).map(({ code }) => code);
  const check = nextChecks.find(
    ({ code }) => left.includes(code) && !(state.danger !== null && isDriven(own, code)),
  );
  if (!settled && check) return [{ kind: 'check', code: check.code }];
  return [{ kind: 'repair', code: causes[0]!.code }, { kind: 'pedal' }];
}

const isDriven = (own: FindCase, code: string): boolean =>
  own.knowledge.findings.find((each) => each.code === code)?.stage === 'road-test';

/**
 * The way of somebody who asks the whole complaint, then does what the nose proposes until it settles
 * or proposes nothing, puts the first cause right, pumps the pedal, drives unless that is forbidden, and
 * begins anew without that cause where it did not help.
 */
export function noseWay(own: FindCase): readonly FindAction[] {
  const actions = askAll(own);
  for (;;) {
    const state = findState(own, actions);
    if (state.isShown || state.isOver || state.repairs.length >= MOST_REPAIRS) {
      return [...actions, { kind: 'back' }];
    }
    const isTried = state.repairs.length > 0 && state.drive === null && state.danger === null;
    if (isTried && state.isPumped) actions.push({ kind: 'drive' });
    else actions.push(...nextOf(own, state));
  }
}
