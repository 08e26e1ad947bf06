import { findSolver, SOLVERS } from '@/core/contracts';
import { problemResponse, readJson } from '@/server/web/http';

/** Solves one document; the same schemas and solvers as every other way in. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ name: string }> },
): Promise<Response> {
  const { name } = await params;
  const solver = findSolver(name);
  if (!solver) {
    const known = SOLVERS.map((each) => each.name).join(', ');
    const message = `There is no solver of that name. Known: ${known}.`;
    return problemResponse({ code: 'unknown-solver', message, path: '' }, 404);
  }
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const solved = solver.run(body.json);
  return solved.ok ? Response.json(solved.result) : problemResponse(solved.problem);
}
