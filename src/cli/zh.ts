import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { findingCodes, findSolver, SOLVERS, type Problem } from '../core/contracts';
import { isBadUse } from './badUse';
import { roadTest } from './roadtest';

/** How each command is used. */
const HELP = {
  solve: `zh solve <name> [file] [--lines]
  name     ${SOLVERS.map(({ name }) => name).join(' | ')}
  file     a JSON document; standard input when left out
  --lines  one document a line in, one result a line out`,
  roadtest: `zh roadtest <file.csv> --tyre 215/65R16 | --rolling-diameter 0.66 [--speed 80km/h] [--map time=t,x=ax]
  --tyre              the tyre's code, from which its rolling diameter follows
  --rolling-diameter  in metres, where it is known
  --speed             where the file has no speed column
  --map               names of the columns, where they are not recognised`,
  diagnose: `zh diagnose [file] | --codes
  file     {"findings": [{"code", "value"?}], "axle"?}; standard input when left out. Of a question with
           several answers each is given by itself, or all with a + between them
  --codes  lists every finding with its question, its answers and the causes it bears on`,
} as const;
type Command = keyof typeof HELP;

const USAGE = `Usage:
${Object.values(HELP).join('\n')}
zh [command] --help   this, or how one command is used`;

const isCommand = (text: string | undefined): text is Command =>
  text !== undefined && Object.keys(HELP).includes(text);

/** What is printed on --help: of one command, of one solver, or of all. */
function helpOn(args: readonly string[]): string {
  const [command, name] = args.filter((each) => !each.startsWith('-'));
  if (!isCommand(command)) return USAGE;
  const solver = command === 'solve' && name !== undefined ? findSolver(name) : undefined;
  return solver ? `${HELP.solve}\n\n${solver.name}: ${solver.summary}` : HELP[command];
}

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
  if (args.some((each) => each === '--help' || each === '-h')) {
    process.stdout.write(`${helpOn(args)}\n`);
    return;
  }
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
