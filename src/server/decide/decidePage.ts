import 'server-only';
import { runoutLimit } from '../../core/assessment';
import { changesOf, groundOf, pairOptions, plateChoice, type PairOption } from '../../core/options';
import { everyPlate } from '../../core/plate';
import type { Corner } from '../../core/readings';
import {
  axlesOfJob,
  choiceAt,
  cornerOptions,
  findCheck,
  type Job,
  comparedOptions,
  judgeByOptions,
  judgeCorner,
  rotorCorners,
} from '../../core/job';
import { rotorLife } from '../records/rotorLife';
import { shopUnits } from '../shop/settings';

/** The spread of one more lap beside so many: a standard deviation falls with the root. */
const withOneMore = (laps: number): number => Math.sqrt(laps / (laps + 1));

/** A figure that was typed for the options, with the stamp of its row. */
function entered(job: Job, corner: Corner, item: 'score-outboard' | 'score-inboard' | 'clean-up') {
  const row = findCheck(job, 'decide', corner, item);
  return { text: row?.value.text ?? '', stamp: row?.stamp ?? null };
}

/** Everything that the Decide page shows of one corner. */
async function decideCorner(job: Job, corner: Corner) {
  const { record, assessment } = judgeCorner(job, corner, 'before');
  const life = await rotorLife(job, corner, choiceAt(job, corner).padFamily);
  const compared = cornerOptions(job, corner, { record, assessment }, life.rate);
  const { input, options, chosen } = compared;
  const judgement = judgeByOptions(job, corner, 'before', compared);
  // While something must be measured first, no option is recommended over it.
  const isOpen = judgement.action === null;
  const ranking = isOpen
    ? { ...compared.ranking, recommended: null, runnerUp: null }
    : compared.ranking;
  const latest = record.sets.findLast(({ kind }) => kind === 'runout');
  const spread = withOneMore(latest?.laps.length ?? 1);
  const limit = runoutLimit(record.limits).value;
  const ground = groundOf(record, assessment, input.shop, limit);
  const choice = plateChoice(ground);
  const stamp = (item: string): string | null =>
    findCheck(job, 'decide', corner, item)?.stamp ?? null;
  return {
    ...judgement,
    input,
    options,
    ranking,
    life,
    changes: isOpen
      ? []
      : changesOf(options, input.shop.prices, limit, comparedOptions({ ...input, spread }).options),
    plates: choice && ground.isSeparated && !record.isCaptive ? everyPlate(choice) : [],
    inputs: {
      jobId: job.id,
      corner,
      units: await shopUnits(),
      extras: chosen.extras,
      withMetal: chosen.withMetal,
      isChosen: chosen.isChosen,
      extrasStamp: stamp('extras'),
      padFamily: chosen.padFamily,
      familyStamp: stamp('pad-family'),
      figures: {
        'score-outboard': entered(job, corner, 'score-outboard'),
        'score-inboard': entered(job, corner, 'score-inboard'),
        'clean-up': entered(job, corner, 'clean-up'),
      },
    },
  };
}
export type DecideCorner = Awaited<ReturnType<typeof decideCorner>>;

/** The two corners of an axle with the ways to treat them alike. */
export interface DecideAxle {
  readonly corners: readonly [Corner, Corner];
  readonly pairs: readonly PairOption[];
}

/** Everything that the Decide page shows: every corner, and the axles of which both are there. */
export async function decidePage(
  job: Job,
): Promise<{ corners: readonly DecideCorner[]; axles: readonly DecideAxle[] }> {
  const corners: DecideCorner[] = [];
  for (const corner of rotorCorners(job)) corners.push(await decideCorner(job, corner));
  const axles = axlesOfJob(job).flatMap((position): DecideAxle[] => {
    const names = position === 'front' ? (['FL', 'FR'] as const) : (['RL', 'RR'] as const);
    const [left, right] = names.map((name) => corners.find(({ corner }) => corner === name));
    if (!left || !right) return [];
    const side = ({ options, input }: DecideCorner) => ({
      options,
      extras: input.extras,
      withMetal: input.withMetal,
    });
    const isReady = left.action !== null && right.action !== null;
    const pairs = isReady ? pairOptions(side(left), side(right), left.input.shop) : [];
    return [{ corners: names, pairs }];
  });
  return { corners, axles };
}
