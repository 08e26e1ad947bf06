import type { CheckKind } from '../contracts';
import { roadConditionsOf } from './past';
import { endsRotor } from './procedure';
import { BLEEDER, PISTONS, WHEEL_OFF } from './rebuildSteps';
import type { Check } from './types';

/** What somebody is here; each may do what those before it may. */
export const ROLES = ['apprentice', 'technician', 'lead'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role may do what another one is asked for; nobody may do what an apprentice may. */
export const maySo = (role: Role | null, asked: Role): boolean =>
  ROLES.indexOf(role ?? 'apprentice') >= ROLES.indexOf(asked);

/** Why somebody may not do what a role is asked for, in words; null where it may be done. */
export function refuseRole(
  who: { readonly name: string; readonly role: Role } | null,
  asked: Role,
): string | null {
  if (maySo(who?.role ?? null, asked)) return null;
  if (who === null) return 'Say who you are first: choose your name at “Who is here”.';
  const whom = asked === 'lead' ? 'a lead' : 'a technician or a lead';
  return `${who.name} is ${who.role === 'apprentice' ? 'an apprentice' : 'a technician'} here: ${whom} does this. Ask one to choose the name.`;
}

/** Kinds of checks that anybody who is learning writes: reading, looking, measuring, noting. */
const LEARNT: readonly CheckKind[] = [
  'lifting',
  'step',
  'parts',
  'look',
  'figure',
  'method',
  'waiting',
  'prove',
];

/** Who may write a check of a kind: an apprentice looks and measures, a technician corrects. */
export const roleForCheck = (kind: CheckKind): Role =>
  LEARNT.includes(kind) ? 'apprentice' : 'technician';

/** Steps that say how far a corner is apart. */
const APART = [...WHEEL_OFF, ...BLEEDER, ...PISTONS];

const includesAll = (value: unknown, codes: readonly string[]): boolean =>
  Array.isArray(value) && codes.every((code) => value.includes(code));

/**
 * Whether writing a value over what stands takes something back that keeps a vehicle off the
 * road, or says how far it is apart: that needs a name, a reason, and a technician.
 */
export function takesBackDanger(before: Check | undefined, value: unknown): boolean {
  if (!before) return false;
  switch (before.kind) {
    case 'look': {
      const dangers = roadConditionsOf(before.item)
        .map(({ code }) => code)
        .filter((code) => before.value.includes(code));
      return dangers.length > 0 && !includesAll(value, dangers);
    }
    case 'step':
      return APART.includes(before.item) && before.value === 'done' && value !== 'done';
    case 'method':
      return value === null;
    case 'pedal':
      return before.value === 'sank' && value !== 'sank';
    case 'drum':
      return before.item === 'done' && value === null;
    case 'hydraulics':
      return ['opened', 'hose-off'].includes(before.item) && value === null;
    default:
      return false;
  }
}

/** Why a repair cannot be called put right yet, in words; null where it can. */
export const refusePutRight = (
  look: { readonly item: string; readonly found: readonly string[] } | undefined,
  isRenewed: boolean,
): string | null =>
  !look || look.found.length === 0
    ? 'Nothing was found there that could be put right: look at it first.'
    : endsRotor(look) && !isRenewed
      ? 'A rotor at the end of its life is put right by a new one only: decide it, fit it, and tick it as done.'
      : null;
