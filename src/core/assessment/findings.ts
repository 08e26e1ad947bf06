import type { RecordedFinding } from '../diagnosis';
import { thinToHigh } from '../quality';
import { concludeRoadTest, type RoadTestResult } from '../roadtest';
import { WORKSHOP_DEFAULTS, type Verdict } from '../verdict';
import type { CornerAssessment } from './assess';
import { runoutLimit, type CornerRecord } from './record';

/** The figure of a verdict as a share of its limit; null where it may not be used. */
const shareOf = (verdict: Verdict | undefined): number | null =>
  !verdict || verdict.value === null || verdict.state === 'not-valid'
    ? null
    : verdict.value / verdict.limit;

/** Whether the thin place lies at the high or low spot of the runout; null if not known. */
function thinAtHigh({ firstRunout, thickness, shift }: CornerAssessment, at: number | null) {
  if (!firstRunout || !thickness || at !== shift) return null;
  const places = thinToHigh(firstRunout, thickness);
  return places && places.at !== null;
}

/** Hub's and rotor's share of order 1 where the mountings tell them apart. */
function sharesOf(assessment: CornerAssessment, limit: number): [string, number | null][] {
  const first = assessment.index?.separation.find(({ order }) => order === 1);
  if (!first?.separable || assessment.index?.consistent === false) return [];
  return [
    ['hub-share', (2 * first.hub.amplitude) / limit],
    ['rotor-share', (2 * first.rotor.amplitude) / limit],
  ];
}

/**
 * What a corner's readings say to the weighing of causes: figures as shares of their limits,
 * as the rotor was found. Readings that are not valid say nothing. Source: handbook 12.
 */
export function measuredFindings(
  record: CornerRecord,
  assessment: CornerAssessment,
): RecordedFinding[] {
  const { firstRunout, thickness } = assessment;
  const limit = runoutLimit(record.limits).value;
  const runout = shareOf(firstRunout?.verdict);
  const nutPull = firstRunout?.orders.find(({ order }) => order === record.studs && order > 3);
  const endPlay = record.sets.find(({ kind }) => kind === 'runout');
  const shares: [string, number | null][] = [
    ['runout', runout],
    ['thickness-variation', shareOf(thickness?.dtvVerdict)],
    ...sharesOf(assessment, limit),
    ['nut-pull', runout !== null && nutPull ? nutPull.peakToPeak / limit : null],
    [
      'end-play',
      endPlay?.kind === 'runout' && endPlay.endPlay !== undefined
        ? endPlay.endPlay / WORKSHOP_DEFAULTS.endPlay
        : null,
    ],
  ];
  const found: RecordedFinding[] = shares.flatMap(([code, value]) =>
    value === null ? [] : [{ code, value, corner: record.corner }],
  );
  const thicknessShift = record.sets.findLast(({ kind }) => kind === 'thickness')?.shift ?? null;
  const isThere = runout === null ? null : thinAtHigh(assessment, thicknessShift);
  if (isThere !== null) {
    found.push({ code: 'thin-at-high', value: isThere ? 'yes' : 'no', corner: record.corner });
  }
  return found;
}

/** The answer of the finding "recording" that a road test gives; null where it cannot say. */
export function recordingFinding(
  result: Pick<RoadTestResult, 'strongest' | 'brakingToCoasting' | 'windows'>,
): RecordedFinding | null {
  const wasBraked = result.windows.some(({ kind }) => kind === 'braking');
  const say = (value: string): RecordedFinding => ({ code: 'recording', value });
  switch (concludeRoadTest(result, wasBraked)) {
    case 'nothing':
      return wasBraked ? say('nothing') : null;
    case 'driveline':
      return say('other');
    case 'not-braked':
      return null;
    case 'brakes':
      return say(`braking-${result.strongest?.order}`);
    case 'tyres':
      return say('always-1');
  }
}
