/** Why something is refused, where a caller does more with it than show the words. */
export type RefusalCode = 'refused' | 'gone' | 'signed' | 'password';

/** What a use case answers: a value, or why not, with the field it is about. */
export type Answer<Value> =
  | { readonly ok: true; readonly value: Value }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields: FieldMessages;
      readonly code: RefusalCode;
    };

/** Messages by field, the field written like "front.limits.discard.length". */
export type FieldMessages = Readonly<Record<string, string>>;

export const accept = <Value>(value: Value): Answer<Value> => ({ ok: true, value });

export type Refusal = Extract<Answer<never>, { readonly ok: false }>;

export const refuse = (
  message: string,
  fields: FieldMessages = {},
  code: RefusalCode = 'refused',
): Refusal => ({ ok: false, message, fields, code });

interface ParseIssue {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** A parser's complaints as an answer: the first as the message, all by field. */
export function refuseParse(error: { readonly issues: readonly ParseIssue[] }): Refusal {
  const fields = Object.fromEntries(
    error.issues.toReversed().map(({ path, message }) => [path.join('.'), message]),
  );
  return refuse(error.issues[0]?.message ?? 'The input was refused.', fields);
}
