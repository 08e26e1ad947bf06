import { z } from 'zod';
import { MAX_POSITIONS, MIN_POSITIONS, readTyped, type LengthKind } from '../../readings';
import type { LengthUnit, TypedLength } from '../../units';

/** A line of text that must be filled in, trimmed, with a message that names it. */
export const filledLine = (name: string, longest: number): z.ZodType<string, string> =>
  z
    .string()
    .trim()
    .min(1, `Enter the ${name}.`)
    .max(longest, `The ${name} can have at most ${longest} characters.`);

/** A length that may be left empty: null then. The message says what to do. */
export const typedLength = (
  kind: LengthKind,
  unit: LengthUnit,
): z.ZodType<TypedLength | null, string> =>
  z
    .string()
    .max(60, 'That is too long for one figure.')
    .transform((text, context) => {
      if (text.trim() === '') return null;
      const parsed = readTyped(text, unit, kind);
      if (parsed.ok) return parsed.length;
      context.addIssue({ code: 'custom', message: parsed.message });
      return z.NEVER;
    });

export const unitSystemSchema = z.enum(['mm', 'thou']);

/** Positions of a new set; null for what is recommended. */
export const positionsSchema = z
  .int(`Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`)
  .min(MIN_POSITIONS, `Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`)
  .max(MAX_POSITIONS, `Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`)
  .nullable();

export const idSchema = z.uuid('This is not the address of a record.');
