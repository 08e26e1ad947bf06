import { readFileSync } from 'node:fs';
import { findingCodes, findSolver, SOLVERS, type Problem } from '../core/contracts';
import { roadTest } from './roadtest';

const USAGE = `Usage:
zh solve <name> [file] [--lines]
  name     ${SOLVERS.map(({ name }) => name).join(' | ')}
  file     a JSON document; standard input when left out
  --lines  one document a line in, one result a line out
zh roadtest <file.csv> --tyre 215/65R16 | --rolling-diameter 0.66 [--speed 80km/h] [--map time=t,x=ax]
zh diagnose [file] | --codes
  --codes  lists every finding with its question, its answers and the causes it bears on`;

const REFUSED = 2;

interface Answer {
  readonly refused: boolean;
  readonly document: unknown;
}

const refusal = (problem: Problem): Answer => ({ refused: true, document: { error: problem } });

const badUse = (message: string): Answer =>
  refusal({ code: 'usage', message: `${message}\n${USAGE}`, path: '' });

function solveText(name: string, text: string): Answer {
  const solver = findSolver(name);
  if (!solver) return badUse(`There is no solver "${name}".`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return refusal({ code: 'invalid-json', message: `This is not JSON: ${why}`, path: '' });
  }
  const solved = solver.run(json);
  return solved.ok ? { refused: false, document: solved.result } : refusal(solved.problem);
}

function readInput(file: string | undefined): string {
  try {
    return readFileSync(file ?? 0, 'utf8');
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Error(`The input cannot be read: ${why}`);
  }
}

const write = (answer: Answer): void => {
  const stream = answer.refused ? process.stderr : process.stdout;
  stream.write(`${JSON.stringify(answer.document)}\n`);
  process.exitCode = answer.refused ? REFUSED : 0;
};

/** One document a line; a refused one gets its error in its place, and the rest go on. */
function writeLines(name: string, text: string): void {
  for (const line of text.split(/\r?\n/).filter((each) => each.trim() !== '')) {
    process.stdout.write(`${JSON.stringify(solveText(name, line).document)}\n`);
  }
}

async function runRoadTest(args: readonly string[]): Promise<void> {
  const answer = await roadTest(args);
  write(answer.ok ? { refused: false, document: answer.result } : refusal(answer.problem));
}

async function main(args: readonly string[]): Promise<void> {
  if (args[0] === 'roadtest') return runRoadTest(args.slice(1));
  if (args[0] === 'diagnose') {
    if (args[1] === '--codes') return write({ refused: false, document: findingCodes() });
    return main(['solve', ...args]);
  }
  const lines = args.includes('--lines');
  const unknown = args.find((arg) => arg.startsWith('--') && arg !== '--lines');
  const [command, name, file, ...rest] = args.filter((arg) => !arg.startsWith('--'));
  if (unknown) return write(badUse(`"${unknown}" is not known.`));
  if (command !== 'solve' || name === undefined || rest.length > 0) {
    return write(badUse('Say what to solve.'));
  }
  if (!findSolver(name)) return write(badUse(`There is no solver "${name}".`));
  let text: string;
  try {
    text = readInput(file);
  } catch (error) {
    return write(badUse(error instanceof Error ? error.message : String(error)));
  }
  if (lines) return writeLines(name, text);
  return write(solveText(name, text));
}

void main(process.argv.slice(2));
