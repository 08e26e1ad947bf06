import type { MachiningResult } from '../machining';
import type { RunoutResult } from '../runout';
import type { Micrometres } from '../units';
import type { Reason, Verdict } from '../verdict';
import type { Advice, AdviceOf, LatheKind } from './advice';
import type { CornerAssessment } from './assess';
import { dtvLimit, runoutLimit, type CornerRecord, type RuledOut } from './record';

/** A cut is allowed only when it ends above machine-to with its guard band. */
const mayBeCut = (cut: MachiningResult): boolean => cut.verdict.state === 'within';

/** Whether the runout left after a cut is inside the limit; unknown counts as not. */
const cures = (cut: MachiningResult, limit: Micrometres): boolean =>
  mayBeCut(cut) && cut.remainingRunout !== null && cut.remainingRunout <= limit;

function machine(lathe: LatheKind, cut: MachiningResult): Advice {
  return {
    kind: 'machine',
    lathe,
    depthOutboard: cut.depthOutboard,
    depthInboard: cut.depthInboard,
    finished: cut.finishedThickness,
    left: cut.finishedThickness - cut.machineTo,
    remaining: cut.remainingRunout,
  };
}

/** Order-1 share of the hub as TIR at the rotor's circle, or null when it is not separated. */
export function hubTir(assessment: CornerAssessment): Micrometres | null {
  const first = assessment.index?.separation.find(({ order }) => order === 1);
  return first?.separable ? 2 * first.hub.amplitude : null;
}

/** Whether the hub's own share is known to leave no room for a new rotor. */
function isHubBeyond(record: CornerRecord, assessment: CornerAssessment): boolean {
  const hub = hubTir(assessment);
  return hub !== null && hub > runoutLimit(record.limits).value;
}

/** Why something is ruled out at a corner; empty where it is not. */
const reasonsFor = (record: CornerRecord, what: RuledOut['what']): string[] =>
  (record.ruledOut ?? []).filter((each) => each.what === what).map(({ why }) => why);

/** A cut that cures, the rotor's own lathe first where it takes less; else a new rotor. */
function cutOrReplace(record: CornerRecord, assessment: CornerAssessment): Advice {
  const { machining } = assessment;
  const limit = runoutLimit(record.limits).value;
  const hubToo = isHubBeyond(record, assessment);
  const against = reasonsFor(record, 'machining');
  if (against.length > 0) {
    return { kind: 'replace', why: 'no-cut-allowed', by: 0, hubToo, reasons: against };
  }
  if (!machining) return { kind: 'measure', what: 'thickness' };
  const cuts = (['on-vehicle', 'bench'] as const).flatMap((lathe) => {
    const cut = lathe === 'bench' ? machining.bench : machining.onVehicle;
    return cut ? [{ lathe, cut }] : [];
  });
  const [chosen] = cuts
    .filter(({ cut }) => cures(cut, limit))
    .sort((p, q) => q.cut.finishedThickness - p.cut.finishedThickness);
  if (chosen) return machine(chosen.lathe, chosen.cut);
  // Where nothing is left to cut, no further reading finds it.
  if (!machining.onVehicle && machining.bench.budget > 0)
    return { kind: 'measure', what: 'present-seat' };
  const shortfalls = cuts.map(({ cut }) => -(cut.verdict.margin ?? 0));
  const tooThin = !cuts.some(({ cut }) => mayBeCut(cut));
  return {
    kind: 'replace',
    why: tooThin ? 'too-thin-to-cut' : 'no-cut-cures',
    by: Math.min(...shortfalls),
    hubToo,
  };
}

function forRunout(record: CornerRecord, assessment: CornerAssessment): Advice {
  const { index, runout } = assessment;
  const limit = runoutLimit(record.limits).value;
  if (!index || !runout) return { kind: 'measure', what: 'runout' };
  if (index.consistent === false) return { kind: 'seat-again' };
  if (index.nextMount !== null) {
    return { kind: 'second-mounting', from: assessment.shift, to: index.nextMount };
  }
  const separated = index.separation[0]?.separable === true;
  const moves = index.best.shift !== assessment.shift;
  if (
    separated &&
    moves &&
    index.verdict.state !== 'beyond' &&
    index.verdict.state !== 'not-valid'
  ) {
    return {
      kind: 'index',
      from: assessment.shift,
      to: index.best.shift,
      tir: index.best.tir,
      before: runout.verdict.value ?? runout.tirFitted,
      limit,
      probability: index.best.probabilityWithin,
    };
  }
  const hub = hubTir(assessment);
  if (hub !== null && hub > limit) return { kind: 'hub', hubTir: hub, limit };
  return cutOrReplace(record, assessment);
}

/** The reasons of the first verdict that is not valid, or null when all are. */
const invalid = (verdicts: readonly (Verdict | undefined)[]): readonly Reason[] | null =>
  verdicts.find((verdict) => verdict?.state === 'not-valid')?.reasons ?? null;

/**
 * That a move cured a corner: read beyond its limit where it sat first, within where it sits now.
 * Null where it was within from the first, or was not moved. Source: handbook 6 (cured is cured).
 */
function keptAt(record: CornerRecord, assessment: CornerAssessment): AdviceOf<'kept'> | null {
  const { runout, firstRunout, shift } = assessment;
  const from = record.sets.find(({ kind }) => kind === 'runout')?.shift ?? shift;
  if (runout?.verdict.state !== 'within' || firstRunout?.verdict.state !== 'beyond') return null;
  if (from === shift) return null;
  const figureOf = ({ verdict, tirFitted }: typeof runout): Micrometres =>
    verdict.value ?? tirFitted;
  return {
    ...{ kind: 'kept', from, to: shift, limit: runoutLimit(record.limits).value },
    ...{ before: figureOf(firstRunout), now: figureOf(runout) },
  };
}

/** That cleaning the seat cured a corner: beyond its limit as found, within since. Source: handbook 1, 4. */
const cleanedAt = (
  { foundBeyond: before, limits }: CornerRecord,
  { verdict, tirFitted }: RunoutResult,
): AdviceOf<'cleaned'> | null =>
  before === undefined
    ? null
    : {
        kind: 'cleaned',
        before,
        now: verdict.value ?? tirFitted,
        limit: runoutLimit(limits).value,
      };

/** That a correction is proven: what was beyond its limit before it is within. Source: handbook 15. */
function provenBy(
  { proves, limits }: CornerRecord,
  runout: RunoutResult,
  variation: Verdict,
): Advice | null {
  if (!proves) return null;
  const now = runout.verdict.value ?? runout.tirFitted;
  const figures = [
    {
      what: 'runout',
      ...{ before: proves.runout, now, limit: runoutLimit(limits).value },
    },
    {
      what: 'thickness variation',
      ...{ before: proves.variation, now: variation.value, limit: dtvLimit(limits).value },
    },
  ] as const;
  return {
    kind: 'proven',
    figures: figures.flatMap(({ before, now: is, ...rest }) =>
      before === null || is === null ? [] : [{ ...rest, before, now: is }],
    ),
  };
}

/** Advice that holds whatever the thickness is: the rotor is only moved, or its seat or hub looked at. */
const MOVES: readonly Advice['kind'][] = ['second-mounting', 'seat-again', 'index', 'hub'];

/** What the runout alone asks for where no metal is in question; null where it asks for more. */
function moveOf(
  record: CornerRecord,
  assessment: CornerAssessment,
  { verdict }: RunoutResult,
): Advice | null {
  if (verdict.state === 'too-close') {
    return { kind: 'too-close', what: 'runout', laps: verdict.lapsToSettle };
  }
  if (verdict.state === 'beyond') {
    const advice = forRunout(record, assessment);
    return MOVES.includes(advice.kind) ? advice : null;
  }
  const kept = keptAt(record, assessment);
  return kept && { ...kept, isThicknessOpen: true };
}

/**
 * The one thing to do about a corner, from everything measured there.
 *
 * Below discard thickness, or condemned by what was seen, the rotor is replaced, whatever
 * else; then comes what is not
 * valid, then a seat that is in doubt, then what is missing, then a discard verdict too close to call, then
 * thickness variation (which only metal or a new rotor cures), then runout (index before
 * hub before cut before new rotor). Never advises a cut that ends below machine-to with
 * its guard band. Source: handbook 5, 6, 9, 11.
 */
export function advise(record: CornerRecord, assessment: CornerAssessment): Advice {
  const { runout, thickness, thicknessVerdicts, index } = assessment;
  const discard = thicknessVerdicts?.verdicts.discard;
  if (discard?.state === 'beyond') {
    return { kind: 'replace', why: 'below-discard', by: -(discard.margin ?? 0), hubToo: false };
  }
  const condemned = reasonsFor(record, 'rotor');
  if (condemned.length > 0) {
    const hubToo = isHubBeyond(record, assessment);
    return { kind: 'replace', why: 'condemned', by: 0, hubToo, reasons: condemned };
  }
  const notValid = invalid([runout?.verdict, thickness?.dtvVerdict, index?.verdict]);
  if (notValid) return { kind: 'not-valid', reasons: notValid };
  const { seatDoubt } = assessment;
  if (seatDoubt) {
    return { kind: 'which-seat', stated: seatDoubt.stated, readsAs: seatDoubt.readsAs };
  }
  if (!runout) return { kind: 'measure', what: 'runout' };
  if (record.isComposite || record.isRunoutAsked) {
    return adviseByRunout(record, assessment, runout);
  }
  if (!thickness) return { kind: 'measure', what: 'thickness' };
  const dtv = thickness.dtvVerdict;
  if (!discard) {
    const move =
      record.isCheck && dtv.state !== 'beyond' ? moveOf(record, assessment, runout) : null;
    return move ?? { kind: 'limit-missing', what: 'discard' };
  }
  if (discard.state === 'too-close') {
    return { kind: 'too-close', what: 'thickness', laps: discard.lapsToSettle };
  }
  if (dtv.state === 'beyond') return cutOrReplace(record, assessment);
  if (runout.verdict.state === 'beyond') return forRunout(record, assessment);
  if (runout.verdict.state === 'too-close') {
    return { kind: 'too-close', what: 'runout', laps: runout.verdict.lapsToSettle };
  }
  if (dtv.state === 'too-close') {
    return { kind: 'too-close', what: 'thickness variation', laps: dtv.lapsToSettle };
  }
  return (
    provenBy(record, runout, dtv) ??
    keptAt(record, assessment) ??
    cleanedAt(record, runout) ?? { kind: 'within' }
  );
}

/** A rotor whose thickness says nothing or is not asked for: what its runout alone asks for. Source: handbook 14. */
function adviseByRunout(
  record: CornerRecord,
  assessment: CornerAssessment,
  runout: RunoutResult,
): Advice {
  const { verdict } = runout;
  if (verdict.state === 'beyond') {
    const advice = forRunout(record, assessment);
    if (!record.isRunoutAsked || MOVES.includes(advice.kind) || !assessment.index) return advice;
    return {
      ...{ kind: 'no-place', tir: assessment.index.best.tir },
      limit: runoutLimit(record.limits).value,
    };
  }
  if (verdict.state === 'too-close') {
    return { kind: 'too-close', what: 'runout', laps: verdict.lapsToSettle };
  }
  const within: AdviceOf<'within'> = { kind: 'within' };
  const good = keptAt(record, assessment) ?? cleanedAt(record, runout) ?? within;
  return { ...good, isRunoutAlone: true };
}
