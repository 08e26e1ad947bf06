/** What decides whether a request may come in at all. */
export interface RequestOrigin {
  readonly method: string;
  readonly host: string | null;
  readonly origin: string | null;
  readonly fetchSite: string | null;
  /** The scheme that the request came by, like "http". */
  readonly scheme: string;
  /** Whether it asks for data and not for a page. */
  readonly isData: boolean;
  /** The origin under which screens call us through a proxy; null where none stands before us. */
  readonly ownAddress: string | null;
}

const NOT_OURS = 'Changes must come from this server\u2019s own pages.';
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERYWHERE = ['0.0.0.0', '::', '[::]'];
const SAFE_METHODS = ['GET', 'HEAD', 'OPTIONS'];

/** The name in a Host header without its port, in lower case; null when it is not one. */
export function hostName(host: string | null): string | null {
  const match = /^(\[[0-9a-f:]+\]|[a-z0-9.-]+)(:\d{1,5})?$/i.exec(host ?? '');
  return match?.[1]?.toLowerCase() ?? null;
}

/** Names under which the server may be called: loopback, its own address, those given. */
export function allowedHosts(env: { HOST?: string; ZESTY_HOUND_HOSTS?: string }): string[] {
  const own = env.HOST && !EVERYWHERE.includes(env.HOST) ? [env.HOST] : [];
  const given = (env.ZESTY_HOUND_HOSTS ?? '').split(',').map((name) => name.trim());
  return [...LOOPBACK, ...own, ...given].filter(Boolean).map((name) => name.toLowerCase());
}

/**
 * Why a request is turned away, or null when it may come in: the Host must be one of ours
 * (a foreign name may be rebound to this address), and what changes data, or asks for it, must
 * come from a page of ours.
 */
export function turnedAway(knock: RequestOrigin, allowed: readonly string[]): string | null {
  const name = hostName(knock.host);
  if (name === null || !allowed.includes(name)) {
    return 'This server does not answer to that name. Set ZESTY_HOUND_HOSTS to allow it.';
  }
  // Data may cost much to gather: no page of another site asks for it, not even to look.
  if (knock.isData && knock.fetchSite === 'cross-site') return NOT_OURS;
  if (SAFE_METHODS.includes(knock.method)) return null;
  if (knock.fetchSite === 'cross-site') return NOT_OURS;
  if (knock.origin === null) return null;
  const ours = [`${knock.scheme}://${knock.host}`, knock.ownAddress];
  return ours.includes(knock.origin) ? null : NOT_OURS;
}

/** The origin of the address that is stated for a server behind a proxy: a proxy may hand the name on without its port. */
export function ownAddress(env: {
  readonly TRUST_PROXY?: string;
  readonly ZESTY_HOUND_ADDRESS?: string;
}): string | null {
  const { TRUST_PROXY, ZESTY_HOUND_ADDRESS: stated } = env;
  return TRUST_PROXY && stated && URL.canParse(stated) ? new URL(stated).origin : null;
}

/** A request as the gate asks about it, with the names that it may call us by. */
export const originAndHosts = (request: Request): [RequestOrigin, string[]] => [
  {
    method: request.method,
    host: request.headers.get('host'),
    origin: request.headers.get('origin'),
    fetchSite: request.headers.get('sec-fetch-site'),
    scheme: request.headers.get('x-forwarded-proto')?.split(',')[0]?.trim() ?? 'http',
    isData: new URL(request.url).pathname.startsWith('/api/'),
    ownAddress: ownAddress(process.env as { TRUST_PROXY?: string; ZESTY_HOUND_ADDRESS?: string }),
  },
  allowedHosts(process.env as { HOST?: string; ZESTY_HOUND_HOSTS?: string }),
];

/** The content policy of one page: scripts by nonce, everything else from here. */
export const contentPolicy = (nonce: string, development: boolean): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    development ? "style-src 'self' 'unsafe-inline'" : `style-src 'self' 'nonce-${nonce}'`,
    development ? '' : "style-src-attr 'none'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ]
    .filter(Boolean)
    .join('; ');

export const STRICT_HEADERS: Readonly<Record<string, string>> = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(self), geolocation=(), microphone=(), serial=(self)',
};
