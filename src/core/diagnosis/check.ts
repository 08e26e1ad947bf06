import { isChoice, type ChoiceFinding, type Knowledge } from './types';

/** What a cause must leave to the answers that it does not weigh. */
const LEAST_LEFT = 0.005;

const repeated = (codes: readonly string[]): string[] =>
  codes.filter((code, i) => codes.indexOf(code) !== i);

/** Where the weights of a finding for a cause promise more than all of the answers. */
function overfull({ code, values, evidence }: ChoiceFinding, cause: string): string[] {
  let weighed = 0;
  let isAll = true;
  for (const value of values) {
    const db = evidence.find((row) => row.value === value.code)?.db[cause];
    if (db === undefined) isAll = false;
    else weighed += value.usual * 10 ** (db / 10);
  }
  return !isAll && weighed > 1 - LEAST_LEFT
    ? [`${code}: the weights for ${cause} leave no room for the other answers. Lower them.`]
    : [];
}

function complainOfChoice(finding: ChoiceFinding, causes: readonly string[]): string[] {
  const { code, values, evidence } = finding;
  const total = values.reduce((sum, { usual }) => sum + usual, 0);
  const answers = values.map((value) => value.code);
  return [
    ...repeated(answers).map((each) => `${code}: answer ${each} stands twice.`),
    ...repeated(evidence.map(({ value }) => value)).map(
      (each) => `${code}: evidence for ${each} stands twice.`,
    ),
    ...evidence
      .filter(({ value }) => !answers.includes(value))
      .map(({ value }) => `${code}: evidence for ${value}, which is no answer.`),
    ...(finding.together ?? [])
      .flatMap(({ of, is }) => [...of, is])
      .filter((answer) => !answers.includes(answer))
      .map((answer) => `${code}: ${answer} is put together and is no answer.`),
    ...(Math.abs(total - 1) > 1e-9 ? [`${code}: its answers' shares sum to ${total}, not 1.`] : []),
    ...causes.flatMap((cause) => overfull(finding, cause)),
  ];
}

/** What is wrong with the knowledge, in sentences; empty when it holds together. */
export function checkKnowledge(knowledge: Knowledge): string[] {
  const causes = knowledge.causes.map(({ code }) => code);
  const named = knowledge.findings.flatMap((finding) =>
    finding.evidence.flatMap((row) => Object.keys('db' in row ? row.db : row.medians)),
  );
  const seen = knowledge.findings
    .filter(isChoice)
    .flatMap(({ evidence }) => evidence.flatMap(({ sees }) => sees ?? []));
  const split = knowledge.former.flatMap(({ now }) => now);
  const joined = knowledge.joins.flatMap(({ effect, sources }) => [effect, ...sources]);
  return [
    ...repeated(causes).map((code) => `Cause ${code} stands twice.`),
    ...repeated(knowledge.findings.map(({ code }) => code)).map(
      (code) => `Finding ${code} stands twice.`,
    ),
    ...[...new Set([...named, ...joined, ...seen, ...split])]
      .filter((code) => !causes.includes(code))
      .map((code) => `There is no cause ${code}.`),
    ...knowledge.findings.filter(isChoice).flatMap((each) => complainOfChoice(each, causes)),
  ];
}
