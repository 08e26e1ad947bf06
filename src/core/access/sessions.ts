/** A shift, in milliseconds: nobody is signed in for longer. */
export const SHIFT_MS = 12 * 3600 * 1000;
/** Nothing was done for so long, in milliseconds: whoever was there has gone. */
export const IDLE_MS = 3600 * 1000;
/** For so long after a password, in milliseconds, what is grave is not asked about again. */
export const SURE_MS = 10 * 60 * 1000;
/** How long a pairing code lives, in milliseconds. */
export const CODE_MS = 2 * 60 * 1000;

/** Why somebody may not do what is grave yet: the password is asked for. */
export const ASK_PASSWORD = 'This is a lead’s to do: the password is asked for once more.';

/** Whether a session still holds at a moment (milliseconds since 1970). */
export const holds = (
  session: { readonly beganAt: number; readonly usedAt: number; readonly endedAt: number | null },
  now: number,
): boolean =>
  session.endedAt === null && now - session.beganAt < SHIFT_MS && now - session.usedAt < IDLE_MS;
