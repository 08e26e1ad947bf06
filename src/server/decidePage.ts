import 'server-only';
import { assessCorner, runoutLimit } from '../core/assessment';
import {
  changesOf,
  compareOptions,
  groundOf,
  pairOptions,
  plateChoice,
  type PairOption,
} from '../core/options';
import { everyPlate } from '../core/plate';
import { readFigure } from '../core/procedure';
import type { Corner } from '../core/readings';
import type { JobFile } from '../db/repositories';
import { judgeCorner } from './judge';
import { choiceAt, cornerOptions } from './options';
import { axlesOfJob, findCheck } from './procedure';
import { cornerRecord } from './record';
import { rotorLife } from './rotorLife';
import { shopUnits } from './settings';

/** The spread of one more lap beside so many: a standard deviation falls with the root. */
const withOneMore = (laps: number): number => Math.sqrt(laps / (laps + 1));

/** A figure that was typed for the options, with the stamp of its row. */
function entered(file: JobFile, corner: Corner, item: string) {
  const row = findCheck(file, 'decide', corner, item);
  return { text: readFigure(row?.value)?.text ?? '', stamp: row?.stamp ?? null };
}

/** Everything that the Decide page shows of one corner. */
async function decideCorner(file: JobFile, corner: Corner) {
  const record = cornerRecord(file, corner, 'before');
  const assessment = assessCorner(record);
  const life = await rotorLife(file, corner, choiceAt(file, corner).padFamily);
  const compared = cornerOptions(file, corner, { record, assessment }, life.rate);
  const { input, options, chosen } = compared;
  const judgement = judgeCorner(file, corner, 'before', compared);
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
    findCheck(file, 'decide', corner, item)?.stamp ?? null;
  return {
    ...judgement,
    input,
    options,
    ranking,
    life,
    changes: isOpen
      ? []
      : changesOf(options, input.shop.prices, limit, compareOptions({ ...input, spread })),
    plates: choice && ground.isSeparated && !record.isCaptive ? everyPlate(choice) : [],
    inputs: {
      jobId: file.job.id,
      corner,
      units: await shopUnits(),
      extras: chosen.extras,
      withMetal: chosen.withMetal,
      isChosen: chosen.isChosen,
      extrasStamp: stamp('extras'),
      padFamily: chosen.padFamily,
      familyStamp: stamp('pad-family'),
      figures: {
        'score-outboard': entered(file, corner, 'score-outboard'),
        'score-inboard': entered(file, corner, 'score-inboard'),
        'clean-up': entered(file, corner, 'clean-up'),
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
  file: JobFile,
): Promise<{ corners: readonly DecideCorner[]; axles: readonly DecideAxle[] }> {
  const corners: DecideCorner[] = [];
  for (const corner of file.corners) corners.push(await decideCorner(file, corner));
  const axles = axlesOfJob(file).flatMap((position): DecideAxle[] => {
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
