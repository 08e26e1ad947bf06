import { findQuickly } from '@/server/records/find';

/** Where a few letters lead: jobs and vehicles. */
export async function GET(request: Request): Promise<Response> {
  const text = new URL(request.url).searchParams.get('q') ?? '';
  return Response.json({ places: await findQuickly(text) });
}
