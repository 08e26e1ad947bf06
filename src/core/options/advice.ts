import {
  advise,
  hubTir,
  runoutLimit,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '../assessment';
import type { MachiningResult } from '../machining';
import { actionRecord } from './actions';
import type { Option } from './types';

const CORRECTIONS: readonly Advice['kind'][] = ['index', 'hub', 'machine', 'replace'];

/** Whether an advice is a correction: the options decide which one. */
export const isCorrection = ({ kind }: Advice): boolean => CORRECTIONS.includes(kind);

function machineAdvice(option: Option, cut: MachiningResult): Advice {
  return {
    kind: 'machine',
    lathe: actionRecord(option.action).lathe ?? 'bench',
    isIndexed: actionRecord(option.action).isIndexed,
    depthOutboard: cut.depthOutboard,
    depthInboard: cut.depthInboard,
    finished: cut.finishedThickness,
    left: cut.finishedThickness - cut.machineTo,
    remaining: cut.remainingRunout,
  };
}

/** An option as the one thing to do about its corner; null for one that is no correction. */
export function adviceOf(
  option: Option,
  record: CornerRecord,
  assessment: CornerAssessment,
): Advice | null {
  const limit = runoutLimit(record.limits).value;
  const { action, runout, probability } = option;
  const before = assessment.runout?.verdict.value ?? assessment.runout?.tirFitted ?? 0;
  const { isIndexed, renewsHub, lathe } = actionRecord(action);
  const { machining } = assessment;
  const cut = lathe === 'on-vehicle' ? machining?.onVehicle : machining?.bench;
  switch (action) {
    case 'leave':
      return { kind: 'leave', probability: probability ?? 0 };
    case 'clean':
      return { kind: 'clean' };
    case 'index':
      return option.shift === null || runout === null
        ? null
        : {
            kind: 'index',
            from: assessment.shift,
            to: option.shift,
            tir: runout.tir,
            before,
            limit,
            probability: probability ?? 0,
          };
    case 'plate':
      return option.plate === null
        ? null
        : { kind: 'plate', from: assessment.shift, before, limit, ...option.plate };
    case 'on-vehicle':
    case 'bench':
    case 'bench-indexed':
      return cut ? machineAdvice(option, cut) : null;
    case 'new':
    case 'new-indexed':
    case 'hub-new':
      return {
        kind: 'replace',
        why: 'chosen',
        by: 0,
        hubToo: renewsHub,
        isIndexed,
      };
    case 'hub':
      return { kind: 'hub', hubTir: hubTir(assessment) ?? 0, limit };
  }
}

/**
 * The one thing to do about a corner: what must be measured or put right first, else the
 * option recommended. What is condemned keeps the reason that condemns it.
 */
export function adviseByOptions(
  record: CornerRecord,
  assessment: CornerAssessment,
  recommended: Option | null,
): Advice {
  const first = advise(record, assessment);
  if (!isCorrection(first) || recommended === null) return first;
  const isCondemned =
    first.kind === 'replace' && (first.why === 'below-discard' || first.why === 'condemned');
  if (isCondemned) {
    const { isIndexed, renewsHub } = actionRecord(recommended.action);
    return { ...first, isIndexed, hubToo: renewsHub };
  }
  return adviceOf(recommended, record, assessment) ?? first;
}
