import {
  isChoice,
  percent,
  SETTLED,
  type CountedPrior,
  type Diagnosis,
  type Finding,
  type Knowledge,
  type WeighedCause,
} from '@/core/diagnosis';
import { CORNER_NAME, CORNERS } from '@/core/readings';

/** A corner or axle in words, or nothing. */
export function sayPlace(place: WeighedCause['place']): string {
  const corner = CORNERS.find((each) => each === place);
  if (corner) return CORNER_NAME[corner];
  return place === null ? '' : `${place} axle`;
}

export const findingOf = (knowledge: Knowledge, code: string): Finding | undefined =>
  knowledge.findings.find((finding) => finding.code === code);

/** Where a cause's share before any finding comes from. */
export function sayPrior(prior: number, counted: CountedPrior | undefined, jobs: number): string {
  const share = `Before any finding ${percent(prior)}`;
  if (!counted || jobs === 0) return `${share}, workshop default.`;
  return `${share}: ${counted.confirmed} of your ${jobs} closed jobs, with the workshop default.`;
}

/** What the nose says in one line: where work is done the rest unfolds. */
export function noseLine({
  diagnosis,
  putRight,
}: {
  readonly diagnosis: Diagnosis;
  readonly putRight: readonly string[];
}): string {
  if (putRight.length > 0) return `put right, ${putRight.join('; ')}`;
  const { lead } = leadOf(diagnosis);
  const [first] = diagnosis.causes;
  if (!first || diagnosis.settled || diagnosis.seen.length > 0) return lead;
  return `not settled, nearest ${first.name.toLowerCase()}, ${percent(first.probability)}`;
}

/** What the nose says first: how sure, of what, and where. */
export function leadOf({ causes, joined, settled, seen }: Diagnosis): {
  readonly lead: string;
  readonly why: string;
  /** What is done about it and what proves it; nothing while it is not settled. */
  readonly leadsTo?: string;
} {
  const [first] = causes;
  if (!first) return { lead: 'No scent yet.', why: '' };
  const place = sayPlace(first.place);
  const named = `${first.name}${place && !first.name.includes(place.split(' ')[0]!) ? `, ${place}` : ''}`;
  const [sight] = seen;
  if (!settled && sight) {
    return {
      lead: `Seen: ${seen.map(({ name }) => name).join('; ')}.`,
      why: `It is put right, whatever else is found. Say whether it explains the complaint: until then ${percent(sight.probability)}, and not settled.`,
      leadsTo: leadsTo(sight),
    };
  }
  if (!settled) {
    return {
      lead: 'Not settled.',
      why: `Nearest: ${named}, ${percent(first.probability)}. ${first.probability < SETTLED ? `No cause has ${percent(SETTLED)}` : 'A complaint alone settles nothing'}; the next check says most.`,
    };
  }
  if (joined && joined.probability > first.probability + 0.05) {
    return {
      lead: `${joined.effect.name}: the effect. ${joined.source.name}: its source.`,
      why: `Together ${percent(joined.probability)}. Runout wears thickness variation in, so both are put right.`,
      leadsTo: leadsTo(joined.source),
    };
  }
  return {
    lead: `${named}.`,
    why: `${percent(first.probability)} sure. ${first.means}`,
    leadsTo: leadsTo(first),
  };
}

const leadsTo = ({ repair, proof, isOutside }: WeighedCause): string =>
  `${isOutside ? 'Outside the brakes: done here, or told and referred. ' : ''}What is done: ${repair} What proves it: ${proof}`;

/** The questions of a stage that are answered by choosing. */
export const questionsOf = (
  knowledge: Knowledge,
  stage: Finding['stage'],
): {
  code: string;
  question: string;
  values: { code: string; label: string; alone?: boolean | undefined }[];
  unless: Finding['unless'];
  several: boolean;
}[] =>
  knowledge.findings
    .filter(isChoice)
    .filter((finding) => finding.stage === stage)
    .map(({ code, question, values, unless, several = false }) => ({
      code,
      question,
      unless,
      several,
      values: values.map(({ code: own, label, alone }) => ({ code: own, label, alone })),
    }));
