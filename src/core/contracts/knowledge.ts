import { z } from 'zod';
import {
  applyOverrides,
  checkKnowledge,
  FINDING_STAGES,
  NO_OVERRIDES,
  type Knowledge,
  type Overrides,
} from '../diagnosis';
import { PRICE_ITEMS } from '../options';
import shipped from '../diagnosis/knowledge.json';

const code = z.string().regex(/^[a-z0-9-]{1,40}$/);
const sentence = z.string().min(4).max(200);
const share = z.number().gt(0).lt(1);
const decibans = z.number().min(-20).max(20);
const minutes = z.number().min(0.1).max(240);
const prior = z.number().min(0.1).max(1000);

const causeSchema = z.strictObject({
  code,
  name: sentence,
  prior,
  axle: z.enum(['front', 'rear']).nullable(),
  means: sentence,
  repair: sentence,
  proof: sentence,
  shownBy: z.enum(['hand', 'drive']).default('drive'),
  owner: sentence,
  isOutside: z.boolean(),
  work: z.array(z.enum(PRICE_ITEMS)).max(4),
  settles: z.array(z.string().regex(/^[a-z-]+(:[a-z-]+)?$/)).default([]),
});

const base = {
  code,
  title: z.string().min(3).max(60),
  question: sentence,
  stage: z.enum(FINDING_STAGES),
  group: code,
  minutes,
  wheelOff: z.boolean(),
  perCorner: z.boolean(),
  unless: z.strictObject({ code: z.string(), value: z.string() }).optional(),
  several: z.boolean().optional(),
  together: z.array(z.strictObject({ of: z.array(code).min(2), is: code })).optional(),
  how: sentence.optional(),
};

const choiceSchema = z.strictObject({
  ...base,
  values: z
    .array(
      z.strictObject({
        code,
        label: z.string().min(1).max(60),
        usual: share,
        alone: z.boolean().optional(),
      }),
    )
    .min(2)
    .max(10),
  evidence: z.array(
    z.strictObject({
      value: code,
      why: sentence,
      sees: code.optional(),
      db: z.record(code, decibans),
    }),
  ),
});

const ratioSchema = z.strictObject({
  ...base,
  usual: z.number().positive(),
  spread: z.number().min(0.1).max(2),
  evidence: z
    .array(
      z.strictObject({
        why: sentence,
        whyLow: sentence,
        medians: z.record(code, z.number().positive()),
      }),
    )
    .length(1),
});

/** The knowledge file's schema: its shape, and that its weights hold together. */
export const knowledgeSchema: z.ZodType<Knowledge> = z
  .strictObject({
    version: z.int().positive(),
    wheelOffMinutes: z.number().min(0),
    causes: z.array(causeSchema).min(2),
    former: z.array(
      z.strictObject({ code, name: sentence, means: sentence, now: z.array(code).min(1) }),
    ),
    joins: z.array(z.strictObject({ effect: code, sources: z.array(code).min(1) })),
    findings: z.array(z.union([choiceSchema, ratioSchema])).min(1),
  })
  .superRefine((knowledge, context) => {
    for (const message of checkKnowledge(knowledge)) context.addIssue({ code: 'custom', message });
  });

/** The knowledge as it is shipped. */
export const KNOWLEDGE: Knowledge = knowledgeSchema.parse(shipped);

/** A shop's changes; refused as a whole where the weights no longer hold together. */
export const overridesSchema: z.ZodType<Overrides> = z
  .strictObject({
    priors: z.record(code, prior),
    minutes: z.record(code, minutes),
    weights: z
      .array(z.strictObject({ finding: code, value: code, cause: code, decibans }))
      .max(500),
  })
  .superRefine((overrides, context) => {
    const known = new Set(KNOWLEDGE.causes.map((cause) => cause.code));
    const unknown = [
      ...Object.keys(overrides.priors),
      ...overrides.weights.map(({ cause }) => cause),
    ].find((each) => !known.has(each));
    if (unknown) context.addIssue({ code: 'custom', message: `There is no cause ${unknown}.` });
    for (const message of checkKnowledge(applyOverrides(KNOWLEDGE, overrides))) {
      context.addIssue({ code: 'custom', message });
    }
  });

/** What a shop has changed of a cause that was split since holds for each of its parts. */
function ofFormerCauses(stored: unknown): unknown {
  const known = storedShape.safeParse(stored);
  if (!known.success) return stored;
  const nowOf = (cause: string): readonly string[] =>
    KNOWLEDGE.former.find((former) => former.code === cause)?.now ?? [cause];
  const { priors, weights } = known.data;
  return {
    ...known.data,
    priors: Object.fromEntries(
      Object.entries(priors).flatMap(([cause, value]) => {
        const now = nowOf(cause);
        return now.map((part) => [part, value / now.length]);
      }),
    ),
    weights: weights.flatMap((weight) =>
      nowOf(weight.cause).map((cause) => ({ ...weight, cause })),
    ),
  };
}

/** As much of stored overrides as naming their causes anew needs. */
const storedShape = z.looseObject({
  priors: z.record(z.string(), z.number()),
  weights: z.array(z.looseObject({ cause: z.string() })),
});

/** Overrides as stored; what cannot be read any more counts as none. */
export function readOverrides(stored: unknown): Overrides {
  const parsed = overridesSchema.safeParse(ofFormerCauses(stored));
  return parsed.success ? parsed.data : NO_OVERRIDES;
}
