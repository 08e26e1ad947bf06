import { z } from 'zod';
import { implausible, type LengthKind } from '../readings';
import {
  lengthUnitOf,
  parseLength,
  toMicrometres,
  type LengthUnit,
  type Micrometres,
} from '../units';
import { RefusedInput, writePath } from './problem';

export const unitSchema = z
  .enum(['um', '\u00b5m', 'mm', 'thou', 'mil', 'in'], {
    error: 'Give the unit of the lengths: "um", "mm", "thou", "mil" or "in"',
  })
  .describe('The unit of every length given as a bare number.');

/** A length: a number in the document's unit, or a string with its own. */
export const lengthSchema = z
  .union([z.number(), z.string().max(40)], {
    error: 'A length is a number in `unit`, or a string with its own unit like "0.05 mm"',
  })
  .describe('A number in `unit`, or a string with its own unit, e.g. "0.05 mm".');

export type RawLength = z.infer<typeof lengthSchema>;
export type RawUnit = z.infer<typeof unitSchema>;

type Path = readonly (string | number)[];

function refuse(path: Path, code: string, message: string): never {
  const at = writePath(path);
  throw new RefusedInput({ code, message: `${at}: ${message}`, path: at });
}

/** Reads lengths of one document into micrometres; refuses what cannot be meant. */
export class LengthReader {
  private readonly unit: LengthUnit;

  constructor(unit: RawUnit) {
    this.unit = lengthUnitOf(unit) ?? 'um';
  }

  /** One length in micrometres. Throws RefusedInput that names the field. */
  one(raw: RawLength, kind: LengthKind, path: Path): Micrometres {
    const { value, shown, unit } = this.read(raw, path);
    const message = implausible(shown, value, unit, kind);
    return message === null ? value : refuse(path, 'out-of-range', message);
  }

  /** The same for a key that may be left out. */
  maybe(raw: RawLength | undefined, kind: LengthKind, path: Path): Micrometres | undefined {
    return raw === undefined ? undefined : this.one(raw, kind, path);
  }

  /** A list of lengths. */
  list(raws: readonly RawLength[], kind: LengthKind, path: Path): Micrometres[] {
    return raws.map((raw, i) => this.one(raw, kind, [...path, i]));
  }

  private read(
    raw: RawLength,
    path: Path,
  ): { value: Micrometres; shown: string; unit: LengthUnit } {
    if (typeof raw === 'number') {
      return {
        value: toMicrometres(raw, this.unit),
        shown: `${raw} ${this.unit}`,
        unit: this.unit,
      };
    }
    const parsed = parseLength(raw, null);
    if (!parsed.ok) return refuse(path, 'not-a-length', parsed.message);
    const { value, unit, text } = parsed.length;
    return { value, shown: text, unit };
  }
}
