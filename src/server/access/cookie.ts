import 'server-only';
import type { cookies } from 'next/headers';

/** Keeps something in a cookie that scripts cannot read and other sites never send. */
export function keepCookie(
  jar: Awaited<ReturnType<typeof cookies>>,
  name: string,
  value: string,
  maxAge: number,
): void {
  jar.set(name, value, { maxAge, httpOnly: true, secure: true, sameSite: 'strict', path: '/' });
}
