import { planSheets } from '@/server/shop/sheetsExchange';
import { answerResponse, problemResponse, readJson } from '@/server/web/http';

/** Says what a spreadsheet of model sheets would bring; nothing is written. */
export async function POST(request: Request): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  return answerResponse(await planSheets(body.json));
}
