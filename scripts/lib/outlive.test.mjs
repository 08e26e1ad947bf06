import { spawn } from 'node:child_process';
import { once } from 'node:events';
import path from 'node:path';

const FILE = path.resolve('scripts/lib/outlive.mjs');

/** A program that goes on talking to whoever read it, and ends well after a while. */
const talks = (guard) => `
  ${guard ? `const { outliveReaders } = await import(${JSON.stringify(FILE)}); outliveReaders();` : ''}
  const talk = setInterval(() => { console.log('here'); console.error('and here'); }, 5);
  setTimeout(() => { clearInterval(talk); process.exitCode = 7; }, 400);
`;

async function endOf(guard) {
  const program = spawn(process.execPath, ['--input-type=module', '-e', talks(guard)], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  await once(program.stdout, 'data');
  program.stdout.destroy();
  program.stderr.destroy();
  const [code] = await once(program, 'exit');
  return code;
}

// 2026-11-30: a server whose terminal was gone told itself of it without end, at the whole of a processor.
test('who read what a program says may go: it goes on', async () => {
  expect(await endOf(false)).not.toBe(7);
  expect(await endOf(true)).toBe(7);
});
