import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { findingCodes, findSolver, SOLVERS, type Problem } from '../core/contracts';
import { isBadUse } from './badUse';
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

/** What is asked, as `parseArgs` reads it; null with what was wrong said. */
function readArguments(args: readonly string[]) {
  const flag = { type: 'boolean', default: false } as const;
  try {
    return parseArgs({
      args: [...args],
      options: { lines: flag, codes: flag },
      allowPositionals: true,
    });
  } catch (error) {
    if (!isBadUse(error)) throw error;
    write(badUse(error.message));
    return null;
  }
}

async function main(args: readonly string[]): Promise<void> {
  if (args[0] === 'roadtest') return runRoadTest(args.slice(1));
  const asked = readArguments(args[0] === 'diagnose' ? ['solve', ...args] : args);
  if (!asked) return;
  const [command, name, file, ...rest] = asked.positionals;
  if (command !== 'solve' || name === undefined || rest.length > 0) {
    return write(badUse('Say what to solve.'));
  }
  if (!findSolver(name)) return write(badUse(`There is no solver "${name}".`));
  if (asked.values.codes) {
    if (name !== 'diagnose') return write(badUse('Only diagnose has --codes.'));
    return write({ refused: false, document: findingCodes() });
  }
  let text: string;
  try {
    text = readInput(file);
  } catch (error) {
    return write(badUse(error instanceof Error ? error.message : String(error)));
  }
  if (asked.values.lines) return writeLines(name, text);
  return write(solveText(name, text));
}

void main(process.argv.slice(2));
