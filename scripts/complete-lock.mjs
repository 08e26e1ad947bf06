// Completes package-lock.json for `npm ci`: a registry that does not serve the builds of
// other platforms makes npm leave them out of the lock and then call it out of sync.
// Run after each change of dependencies: npm run lock:complete
import { readFileSync, writeFileSync } from 'node:fs';

const FILE = new URL('../package-lock.json', import.meta.url);
const OS = [
  'darwin',
  'linux',
  'win32',
  'freebsd',
  'android',
  'openharmony',
  'netbsd',
  'openbsd',
  'sunos',
  'aix',
];
const CPU = [
  'arm64',
  'x64',
  'ia32',
  'arm',
  'riscv64',
  's390x',
  'ppc64',
  'loong64',
  'mips64el',
  'wasm32',
];

const lock = JSON.parse(readFileSync(FILE, 'utf8'));
const named = (words, name) => words.filter((word) => name.split(/[-/]/).includes(word));
let added = 0;
for (const entry of Object.values({ ...lock.packages })) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const key = `node_modules/${name}`;
    if (lock.packages[key] || !/^\d/.test(version)) continue;
    lock.packages[key] = {
      version,
      optional: true,
      os: named(OS, name),
      cpu: named(CPU, name),
    };
    added += 1;
  }
}
writeFileSync(FILE, `${JSON.stringify(lock, null, 2)}\n`);
console.log(`package-lock.json: ${added} entries added`);
