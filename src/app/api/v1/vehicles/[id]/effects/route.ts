import { effectsOfVehicle } from '@/server/shop/vehicles';
import { answerResponse, problemResponse, readJson } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Says which verdicts of open jobs a change of a vehicle would change; nothing is written. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  return answerResponse(await effectsOfVehicle((await params).id, body.json));
}
