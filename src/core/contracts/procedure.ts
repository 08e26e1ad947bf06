import { z } from 'zod';
import {
  checkProcedure,
  FATES,
  FORBIDDEN,
  GOES_WITH,
  STEP_PLACES,
  type Choices,
  type Procedure,
} from '../procedure';
import aids from '../procedure/aids.json';
import looks from '../procedure/looks.json';
import rules from '../procedure/rules.json';
import rebuild from '../procedure/rebuild.json';
import safety from '../procedure/safety.json';
import steps from '../procedure/steps.json';

const code = z.string().regex(/^[a-z0-9-]{1,40}$/);
const name = z.string().min(2).max(80);
const sentence = z.string().min(4).max(260);
const codes = z.array(code).default([]);
const when = z.array(z.string().min(2).max(60)).optional();
const hazardous = { code, hazards: codes, when };
const says = z.strictObject({ code, value: code });

const conditionSchema = z.strictObject({
  code,
  name,
  tell: sentence,
  drawing: code.optional(),
  means: sentence,
  forbids: z.array(z.strictObject({ what: z.enum(FORBIDDEN), why: sentence })).default([]),
  renew: name.optional(),
  goesWith: z.enum(GOES_WITH).optional(),
  says,
});

const effectSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('contact'), at: code, product: name }),
  z.strictObject({ kind: z.enum(['step', 'adds']), at: code }),
  z.strictObject({ kind: z.literal('fate'), at: code, fate: z.enum(FATES) }),
  z.strictObject({ kind: z.literal('option'), at: code, allows: code }),
  z.strictObject({
    kind: z.literal('figure'),
    at: z.literal('runout'),
    micrometres: z.number().positive(),
  }),
  z.strictObject({ kind: z.enum(['opened', 'text']), at: code }),
]);

const stepSchema = z.strictObject({
  ...hazardous,
  title: name,
  say: sentence,
  why: sentence,
  looks: codes,
  figures: codes,
  asks: codes,
  parts: codes,
  rules: codes,
  ladders: codes,
  contacts: codes,
  retraction: z.boolean().default(false),
  goes: z.enum(STEP_PLACES).optional(),
  required: z.boolean().default(false),
});

/** The schema of everything that Strip and Rebuild are made of, and that it is complete. */
export const procedureSchema: z.ZodType<Procedure> = z
  .strictObject({
    cautions: z.array(z.strictObject({ code, hazards: z.array(code).min(1), say: sentence })),
    lifting: z.array(z.strictObject({ ...hazardous, say: sentence, why: sentence })).min(1),
    rightParts: z.array(z.strictObject({ code, say: sentence, when })).min(1),
    steps: z.array(stepSchema).min(1),
    rebuild: z.array(stepSchema).min(1),
    hydraulics: z.array(stepSchema).min(1),
    groups: z.array(z.strictObject({ code, name, when })).min(1),
    items: z
      .array(
        z.strictObject({
          code,
          group: code,
          name,
          when,
          soundSays: says.nullable(),
          conditions: z.array(conditionSchema).min(1),
        }),
      )
      .min(1),
    figures: z.array(
      z.strictObject({
        code,
        group: code,
        name,
        of: z.enum(['pad', 'thickness', 'amount', 'endPlay', 'drum']),
      }),
    ),
    rules: z
      .array(
        z.strictObject({
          code,
          number: z.int().positive(),
          title: name,
          shipped: code,
          schools: z
            .array(
              z.strictObject({
                code,
                name,
                for: sentence,
                against: sentence,
                say: sentence,
                effects: z.array(effectSchema),
              }),
            )
            .min(2),
        }),
      )
      .min(1),
    parts: z.array(z.strictObject({ code, name, places: z.array(name), rule: code.nullable() })),
    retractions: z.array(
      z.strictObject({ ...hazardous, name, how: sentence, harms: z.array(sentence).min(1) }),
    ),
    ladders: z.array(
      z.strictObject({
        ...hazardous,
        name,
        steps: z.array(sentence).min(2),
        condemns: sentence,
      }),
    ),
    contacts: z.array(
      z.strictObject({
        ...hazardous,
        place: name,
        product: name,
        amount: z.string().min(1).max(80),
        never: sentence,
        rule: code.nullable(),
      }),
    ),
  })
  .superRefine((procedure, context) => {
    for (const message of checkProcedure(procedure)) context.addIssue({ code: 'custom', message });
  });

/** The procedure as it is shipped. */
export const PROCEDURE: Procedure = procedureSchema.parse({
  ...safety,
  ...steps,
  ...rebuild,
  ...looks,
  ...rules,
  ...aids,
});

const choicesSchema = z.record(code, code);

/** A shop's choices as stored; what cannot be read any more counts as none. */
export function readChoices(stored: unknown): Choices {
  const parsed = choicesSchema.safeParse(stored);
  return parsed.success ? parsed.data : {};
}
