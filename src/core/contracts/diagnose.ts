import { z } from 'zod';
import {
  diagnose,
  EXPLAINS,
  isAnswer,
  isChoice,
  type Finding,
  type RecordedFinding,
} from '../diagnosis';
import { KNOWLEDGE } from './knowledge';
import { RefusedInput } from './problem';
import { defineSolver } from './solver';

const input = z.strictObject({
  findings: z
    .array(
      z.strictObject({
        code: z.string(),
        value: z.union([z.string(), z.number(), z.boolean()]).optional(),
      }),
    )
    .max(200),
  axle: z.enum(['front', 'rear']).optional(),
});

const output = z.object({
  causes: z.array(
    z.object({
      code: z.string(),
      name: z.string(),
      probability: z.number(),
      terms: z.array(z.object({ finding: z.string(), decibans: z.number(), reason: z.string() })),
    }),
  ),
  /** An effect and the source that wore it in, with the probability of the pair; null for none. */
  joined: z.object({ effect: z.string(), source: z.string(), probability: z.number() }).nullable(),
  settled: z.boolean(),
  nextChecks: z.array(
    z.object({
      code: z.string(),
      bits: z.number(),
      minutes: z.number(),
      wheelOff: z.boolean(),
      changes: z.array(z.string()),
    }),
  ),
});

const refuse = (message: string, path: string): never => {
  throw new RefusedInput({ code: 'finding', message, path });
};

const LARGEST_RATIO = 1000;

/** A value as it must stand for a finding; of two answers the telling one may be left out. */
function readValue(
  finding: Finding,
  value: string | number | boolean | undefined,
  path: string,
): string | number {
  if (!isChoice(finding)) {
    const ratio = typeof value === 'number' ? value : NaN;
    if (ratio >= 0 && ratio <= LARGEST_RATIO) return ratio;
    return refuse(`${finding.code} needs a number: ${finding.question.toLowerCase()}.`, path);
  }
  const [usual, telling, ...rest] = finding.values.toSorted((p, q) => q.usual - p.usual);
  if (value === undefined && telling && rest.length === 0) return telling.code;
  if (typeof value === 'boolean' && telling && usual && rest.length === 0) {
    return value ? telling.code : usual.code;
  }
  if (isAnswer(finding, String(value))) return String(value);
  const codes = finding.values.map(({ code }) => code).join(', ');
  const many = finding.several ? ', or several with a + between them' : '';
  return refuse(`${finding.code} is one of: ${codes}${many}.`, path);
}

/** Reads findings against the knowledge; refuses unknown codes and values in words. */
function readFindings(raw: z.output<typeof input>['findings']): RecordedFinding[] {
  const read = raw.map(({ code, value }, i) => {
    const finding = KNOWLEDGE.findings.find((each) => each.code === code);
    if (!finding) {
      return refuse(
        `There is no finding "${code.slice(0, 40)}". zh diagnose --codes lists them.`,
        `findings[${i}].code`,
      );
    }
    if (!finding.several && raw.findIndex((each) => each.code === code) !== i) {
      return refuse(`${code} stands twice.`, `findings[${i}].code`);
    }
    return { code, value: readValue(finding, value, `findings[${i}].value`) };
  });
  // Answers of one question that are given one by one stand together.
  return [...new Set(read.map(({ code }) => code))].map((code) => {
    const values = read.filter((each) => each.code === code).map(({ value }) => value);
    const [only] = values;
    if (values.length === 1 && only !== undefined) return { code, value: only };
    const value = values.join('+');
    const finding = KNOWLEDGE.findings.find((each) => each.code === code)!;
    if (isAnswer(finding, value)) return { code, value };
    const last = raw.findLastIndex((each) => each.code === code);
    return refuse(
      `${code}: ${values.join(' and ')} do not stand together.`,
      `findings[${last}].value`,
    );
  });
}

/** Contract `diagnose`: what the findings point to and what to check next (handbook 12). */
export const diagnoseSolver = defineSolver({
  name: 'diagnose',
  summary: 'Causes in order of probability with their reasons, and the checks worth doing next.',
  input,
  output,
  solve: (raw) => {
    const { causes, joined, settled, nextChecks } = diagnose(KNOWLEDGE, {
      findings: readFindings(raw.findings),
      axle: raw.axle,
    });
    return {
      causes: causes.map(({ code, name, probability, terms }) => ({
        code,
        name,
        probability,
        terms: terms
          .filter(({ counted }) => counted)
          .map(({ finding, decibans, reason }) => ({ finding, decibans, reason })),
      })),
      joined: joined && {
        effect: joined.effect.code,
        source: joined.source.code,
        probability: joined.probability,
      },
      settled,
      nextChecks: nextChecks.map(({ code, bits, minutes, wheelOff, changes }) => ({
        code,
        bits,
        minutes,
        wheelOff,
        changes: [...changes],
      })),
    };
  },
});

const causesOf = ({ evidence }: Finding): string[] =>
  evidence.flatMap((row) => Object.keys('db' in row ? row.db : row.medians));

/** The causes that can be seen: whether what was seen explains the complaint bears on them. */
const SEEN_CAUSES = KNOWLEDGE.findings
  .filter(isChoice)
  .flatMap(({ evidence }) => evidence.flatMap(({ sees }) => sees ?? []));

/** Every finding with its question, its answers and the causes it bears on. */
export const findingCodes = (): {
  code: string;
  question: string;
  values: string[] | string;
  causes: string[];
}[] =>
  KNOWLEDGE.findings.map((finding) => ({
    code: finding.code,
    question: finding.question,
    values: isChoice(finding)
      ? finding.values.map(({ code }) => code)
      : 'a number: 1 is at the limit',
    causes: [...new Set(finding.code === EXPLAINS ? SEEN_CAUSES : causesOf(finding))],
  }));
