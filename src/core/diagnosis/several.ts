import { isChoice, type Finding, type Knowledge, type RecordedFinding } from './types';

const SIGN = '+';

/** The answers in one recorded value: several stand together with a plus between them. */
export const answersIn = (value: string | number): string[] => String(value).split(SIGN);

/** Several answers as one value, in the order of the question. */
export const asOneValue = (finding: Finding, answers: readonly string[]): string =>
  isChoice(finding)
    ? finding.values
        .map(({ code }) => code)
        .filter((code) => answers.includes(code))
        .join(SIGN)
    : answers.join(SIGN);

/** Whether a value is an answer to a finding, or several that may stand together. */
export function isAnswer(finding: Finding, value: string): boolean {
  if (!isChoice(finding)) return false;
  const answers = answersIn(value);
  const known = answers.map((answer) => finding.values.find(({ code }) => code === answer));
  if (known.some((each) => each === undefined)) return false;
  if (answers.length === 1) return true;
  const isOnce = new Set(answers).size === answers.length;
  return finding.several === true && isOnce && known.every((each) => each?.alone !== true);
}

/**
 * What stands after an answer is given or taken back: one that stands alone takes the others away,
 * and any other takes that one away. Null where nothing stands.
 */
export function toggled(
  finding: Pick<Finding, 'several'> & {
    readonly values: readonly { readonly code: string; readonly alone?: boolean | undefined }[];
  },
  standing: string | undefined,
  answer: string,
): string | null {
  if (finding.several !== true) return standing === answer ? null : answer;
  const now = standing === undefined ? [] : answersIn(standing);
  const isAlone = (code: string): boolean =>
    finding.values.find((each) => each.code === code)?.alone === true;
  const next = now.includes(answer)
    ? now.filter((each) => each !== answer)
    : isAlone(answer)
      ? [answer]
      : [...now.filter((each) => !isAlone(each)), answer];
  const ordered = finding.values.map(({ code }) => code).filter((code) => next.includes(code));
  return ordered.length > 0 ? ordered.join(SIGN) : null;
}

/** Records with an answer each; answers that are weighed as one are put together. */
export function oneByOne(
  knowledge: Knowledge,
  records: readonly RecordedFinding[],
): RecordedFinding[] {
  return records.flatMap((record) => {
    const finding = knowledge.findings.find(({ code }) => code === record.code);
    if (!finding || !isChoice(finding)) return [record];
    const answers = (finding.together ?? []).reduce(
      (all, { of, is }) =>
        of.every((each) => all.includes(each))
          ? [...all.filter((each) => !of.includes(each)), is]
          : all,
      answersIn(record.value),
    );
    return answers.map((value) => ({ ...record, value }));
  });
}
