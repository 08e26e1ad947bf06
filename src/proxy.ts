import { NextResponse, type NextRequest } from 'next/server';
import { contentPolicy, originAndHosts, STRICT_HEADERS, turnedAway } from './server/web/gate';

const isStream = ({ nextUrl }: NextRequest): boolean => nextUrl.pathname === '/api/v1/live';

/** Stands before every request: checks where it comes from and sets the strict headers. */
export function proxy(request: NextRequest): NextResponse {
  const why = turnedAway(...originAndHosts(request));
  if (why) {
    const error = { code: 'forbidden', message: why, path: '' };
    return NextResponse.json({ error }, { status: 403, headers: STRICT_HEADERS });
  }
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const policy = contentPolicy(nonce, process.env.NODE_ENV === 'development');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  for (const [name, value] of Object.entries(STRICT_HEADERS)) response.headers.set(name, value);
  // Records of customers stay out of every cache; what a handler says of its own wins.
  if (request.nextUrl.pathname.startsWith('/api/'))
    // A stream of events is not packed either: a line goes out as it is written.
    response.headers.set(
      'cache-control',
      isStream(request) ? 'no-store, no-transform' : 'no-store',
    );
  return response;
}

/**
 * What takes large files stands at the gate itself: what passes here is held in memory, and cut off
 * at ten megabytes.
 */
export const config = {
  matcher: ['/((?!api/v1/archive$|api/v1/backup$|api/v1/road-tests/[^/]+/recording$).*)'],
};
