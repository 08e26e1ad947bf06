import { z } from 'zod';
import { DRUM_WORK } from '../../drum';
import { EXTRAS, PART_ITEMS } from '../../options';
import { FIGURE_KINDS } from '../../procedure';
import { AXLE_POSITIONS, CORNERS, LENGTH_KINDS } from '../../readings';
import { FASTENER_CODES } from '../../torque';
import { WATER, WHEEL_CODES, WHEEL_ITEMS } from '../../wheels';
import { PAD_FAMILIES } from '../../wear';
import { KNOWLEDGE } from '../knowledge';
import { PROCEDURE } from '../procedure';
import { define, type CheckDefinition } from './define';
import {
  approvalSchema,
  BLEED_METHODS,
  done,
  doneOrNot,
  drivenSchema,
  earlierSchema,
  feelSchema,
  guaranteeSchema,
  partSchema,
  planSchema,
  sentSchema,
  starSchema,
  storedFigure,
  storedTorque,
  storedWheelFigures,
  typedFigure,
  typedTorque,
  typedWheelFigures,
  waitingSchema,
} from './values';

const codesOf = (list: readonly { readonly code: string }[]): [string, ...string[]] => {
  const [first = '', ...rest] = list.map(({ code }) => code);
  return [first, ...rest];
};

const WHOLE_JOB = [''] as const;
const isNamed = true;

const figureTyped = (item: string) =>
  typedFigure(FIGURE_KINDS[PROCEDURE.figures.find(({ code }) => code === item)?.of ?? 'amount']);

const wheelTyped = (item: string) =>
  typedWheelFigures(WHEEL_ITEMS.find(({ code }) => code === item) ?? WATER);

const lookTyped = (item: string) => {
  const conditions = PROCEDURE.items.find(({ code }) => code === item)?.conditions ?? [];
  return z
    .array(z.enum(codesOf(conditions)))
    .max(20)
    .transform((found) =>
      conditions.map(({ code }) => code).filter((code) => found.includes(code)),
    );
};

const ruleTyped = (item: string) =>
  z.enum(codesOf(PROCEDURE.rules.find(({ code }) => code === item)?.schools ?? []));

export type { CheckDefinition };

/**
 * Everything that is ticked, looked at, measured or written down beside the readings: the one
 * list from which forms, storage, the job’s types and its rules come.
 */
export const CHECKS = [
  define({
    kind: 'lifting',
    places: WHOLE_JOB,
    items: codesOf(PROCEDURE.lifting),
    value: z.enum(['done', 'skipped']),
    reasonFor: 'skipped',
    isNamed,
  }),
  define({
    kind: 'step',
    places: CORNERS,
    items: codesOf(PROCEDURE.steps),
    value: doneOrNot,
    reasonFor: 'left-out',
  }),
  define({
    kind: 'parts',
    places: AXLE_POSITIONS,
    items: ['none', ...codesOf(PROCEDURE.rightParts)],
    value: z.enum(['right', 'wrong', 'missing']),
  }),
  define({
    kind: 'look',
    places: CORNERS,
    items: codesOf(PROCEDURE.items),
    value: z.array(z.string()),
    typed: lookTyped,
  }),
  define({
    kind: 'figure',
    places: CORNERS,
    items: codesOf(PROCEDURE.figures),
    value: storedFigure,
    typed: figureTyped,
  }),
  define({
    kind: 'figure',
    places: CORNERS,
    items: WHEEL_CODES,
    value: storedWheelFigures,
    typed: wheelTyped,
  }),
  define({
    kind: 'figure',
    places: WHOLE_JOB,
    items: [WATER.code],
    value: storedWheelFigures,
    typed: () => typedWheelFigures(WATER),
  }),
  define({
    kind: 'method',
    places: CORNERS,
    items: ['retraction'],
    value: z.enum(codesOf(PROCEDURE.retractions)),
  }),
  define({
    kind: 'rule',
    places: WHOLE_JOB,
    items: codesOf(PROCEDURE.rules),
    value: z.string(),
    typed: ruleTyped,
    reasonFor: 'always',
    isNamed,
  }),
  define({
    kind: 'waiting',
    places: WHOLE_JOB,
    items: ['waiting'],
    value: waitingSchema,
    isNamed,
  }),
  define({
    kind: 'fixed',
    places: CORNERS,
    items: codesOf(PROCEDURE.items),
    value: z.literal('fixed'),
    reasonFor: 'always',
    isNamed,
  }),
  define({
    kind: 'decide',
    places: CORNERS,
    items: ['extras'],
    value: z.array(z.enum(EXTRAS)).max(EXTRAS.length),
  }),
  define({
    kind: 'decide',
    places: CORNERS,
    items: ['pad-family'],
    value: z.enum(PAD_FAMILIES),
  }),
  define({
    kind: 'decide',
    places: CORNERS,
    items: ['score-outboard', 'score-inboard', 'clean-up'],
    value: storedFigure,
    typed: () => typedFigure(LENGTH_KINDS.amount),
  }),
  define({
    kind: 'decide',
    places: CORNERS,
    items: ['earlier'],
    value: earlierSchema,
    isOwn: true,
  }),
  define({
    kind: 'estimate',
    places: WHOLE_JOB,
    items: ['approval'],
    value: approvalSchema,
    isNamed,
  }),
  define({ kind: 'estimate', places: WHOLE_JOB, items: ['asked'], value: done, isNamed }),
  define({
    kind: 'part',
    places: WHOLE_JOB,
    items: PART_ITEMS,
    value: partSchema,
  }),
  define({
    kind: 'promise',
    places: WHOLE_JOB,
    items: ['guarantee'],
    value: guaranteeSchema,
    isNamed,
  }),
  define({
    kind: 'repair',
    places: [...WHOLE_JOB, ...CORNERS],
    items: codesOf(KNOWLEDGE.causes),
    value: z.enum(['here', 'referred']),
    reasonFor: 'referred',
    isNamed,
  }),
  define({
    kind: 'repaired',
    places: [...WHOLE_JOB, ...CORNERS],
    items: codesOf(KNOWLEDGE.causes),
    value: done,
    reasonFor: 'always',
    isNamed,
  }),
  define({
    kind: 'drum',
    places: CORNERS,
    items: ['decided'],
    value: z.strictObject({ work: z.enum(DRUM_WORK), shoes: z.boolean() }),
    isNamed,
  }),
  define({ kind: 'drum', places: CORNERS, items: ['done'], value: done, isNamed }),
  define({
    kind: 'correct',
    places: CORNERS,
    items: ['done', 'maker-allows', 'threads', 'washed', 'identity'],
    value: done,
    isNamed,
  }),
  define({
    kind: 'correct',
    places: CORNERS,
    items: ['finished', 'returned'],
    value: storedFigure,
    typed: () => typedFigure(LENGTH_KINDS.thickness),
    isNamed,
  }),
  define({ kind: 'correct', places: CORNERS, items: ['sent'], value: sentSchema, isNamed }),
  define({
    kind: 'rebuild',
    places: CORNERS,
    items: codesOf(PROCEDURE.rebuild),
    value: doneOrNot,
    reasonFor: 'left-out',
  }),
  define({
    kind: 'torque',
    places: CORNERS,
    items: FASTENER_CODES,
    value: storedTorque,
    typed: () => typedTorque,
    isNamed,
  }),
  define({ kind: 'torque', places: CORNERS, items: ['star'], value: starSchema, isNamed }),
  define({ kind: 'torque', places: CORNERS, items: ['vehicle-down'], value: done, isNamed }),
  define({
    kind: 'hydraulics',
    places: WHOLE_JOB,
    items: ['none-opened', 'opened', 'hose-off'],
    value: done,
    isNamed,
  }),
  define({
    kind: 'hydraulics',
    places: WHOLE_JOB,
    items: ['method'],
    value: z.enum(BLEED_METHODS),
    isNamed,
  }),
  define({
    kind: 'hydraulics',
    places: CORNERS,
    items: ['bled'],
    value: doneOrNot,
    reasonFor: 'left-out',
    isNamed,
  }),
  define({
    kind: 'hydraulics',
    places: WHOLE_JOB,
    items: codesOf(PROCEDURE.hydraulics),
    value: doneOrNot,
    reasonFor: 'left-out',
    isNamed,
  }),
  define({
    kind: 'pedal',
    places: WHOLE_JOB,
    items: ['none-moved', 'firm', 'hold', 'level', 'moved', 'first-stop'],
    value: done,
    isNamed,
  }),
  define({
    kind: 'pedal',
    places: WHOLE_JOB,
    items: ['held'],
    value: z.enum(['held', 'sank']),
    isNamed,
  }),
  define({
    kind: 'pedal',
    places: CORNERS,
    items: ['turns'],
    value: z.enum(['free', 'drags']),
    isNamed,
  }),
  define({
    kind: 'prove',
    places: [...WHOLE_JOB, ...CORNERS],
    items: codesOf(KNOWLEDGE.causes),
    value: z.enum(['shown', 'not-shown']),
    reasonFor: 'always',
    isNamed,
  }),
  define({ kind: 'bedding', places: WHOLE_JOB, items: ['plan'], value: planSchema }),
  define({ kind: 'bedding', places: WHOLE_JOB, items: ['driven'], value: drivenSchema }),
  define({ kind: 'bedding', places: WHOLE_JOB, items: ['told'], value: done }),
  define({
    kind: 'prove',
    places: WHOLE_JOB,
    items: ['feel-before', 'feel-after'],
    value: feelSchema,
  }),
  define({
    kind: 'decide',
    places: CORNERS,
    items: ['causes'],
    value: z
      .array(z.enum(codesOf([...KNOWLEDGE.causes, ...KNOWLEDGE.former])))
      .max(6, 'At most six causes at a corner.'),
    isNamed,
  }),
] as const;

type Definitions = (typeof CHECKS)[number];
type EntryOf<Definition> =
  Definition extends CheckDefinition<infer Kind, infer Place, infer Item, infer Value>
    ? Item extends unknown
      ? {
          readonly kind: Kind;
          readonly place: Place;
          readonly item: Item;
          readonly value: Value;
        }
      : never
    : never;

/** What one check says: its kind, place and item, with the value that belongs to them. */
export type CheckEntry = EntryOf<Definitions>;
export type CheckKind = CheckEntry['kind'];

export const CHECK_KINDS = [...new Set(CHECKS.map(({ kind }) => kind))] as [
  CheckKind,
  ...CheckKind[],
];

/** The definition of a check by its kind, place and item; undefined where there is none. */
export const definitionOf = (
  kind: string,
  place: string,
  item: string,
): CheckDefinition | undefined =>
  (CHECKS as readonly CheckDefinition[]).find(
    (each) => each.kind === kind && each.places.includes(place) && each.items.includes(item),
  );

/** Definitions by kind, place and item: a job has hundreds of checks to read. */
const known = new Map<string, CheckDefinition | undefined>();

/** A check as stored, parsed by its definition; null where this version cannot read it. */
export function readCheckEntry(
  kind: string,
  place: string,
  item: string,
  value: unknown,
): CheckEntry | null {
  const key = `${kind} ${place} ${item}`;
  if (!known.has(key)) known.set(key, definitionOf(kind, place, item));
  const parsed = known.get(key)?.value.safeParse(value);
  // The registry ties kind, place and item to the value that was parsed just now.
  return parsed?.success ? ({ kind, place, item, value: parsed.data } as CheckEntry) : null;
}
