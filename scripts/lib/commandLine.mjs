// The command line as one file, built from its sources when they changed: starting it then costs
// little more than starting Node.
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = path.dirname(path.dirname(path.dirname(fileURLToPath(import.meta.url))));
const OUT = path.join(ROOT, '.next-cli');
const SOURCES = [
  'src/cli',
  'src/core',
  'src/workers',
  'package-lock.json',
  'scripts/lib/commandLine.mjs',
];
/** Threads that a tool starts, built beside it. */
const THREADS = { zh: ['recordingThread'] };

/** When anything below a place changed last, in ms. */
function changedAt(place) {
  const stat = statSync(place);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(place, { withFileTypes: true }).reduce((latest, entry) => {
    if (/\.test\.tsx?$/.test(entry.name)) return latest;
    return Math.max(latest, changedAt(path.join(place, entry.name)));
  }, stat.mtimeMs);
}

/** The built command line, made anew only when its sources are newer. */
export async function commandLine(entry = 'zh') {
  const file = path.join(OUT, `${entry}.mjs`);
  const newest = Math.max(...SOURCES.map((place) => changedAt(path.join(ROOT, place))));
  if (existsSync(file) && statSync(file).mtimeMs >= newest) return file;
  const { build } = await import('esbuild');
  mkdirSync(OUT, { recursive: true });
  await build({
    entryPoints: [...(THREADS[entry] ?? []), entry].map((name) =>
      path.join(ROOT, `src/cli/${name}.ts`),
    ),
    outdir: OUT,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    minify: true,
    legalComments: 'none',
    logLevel: 'error',
    // What packages of the older kind ask for when they are bundled.
    banner: {
      js: "import { createRequire as zhCreateRequire } from 'node:module'; const require = zhCreateRequire(import.meta.url);",
    },
  });
  return file;
}
