import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const FILES = readdirSync('src', { recursive: true, encoding: 'utf8' }).map((file) =>
  path.join('src', file),
);
const SCREENS = FILES.filter((file) => file.endsWith('.tsx') && !file.endsWith('.test.tsx'));
const SHEETS = FILES.filter((file) => file.endsWith('.module.css'));
const read = (file: string): string => readFileSync(file, 'utf8');
const without = (css: string): string =>
  css.replace(/\/\*[\s\S]*?\*\//g, '').replace(/:global\([^)]*\)/g, '');
const classesOf = (css: string): Set<string> =>
  new Set([...without(css).matchAll(/\.([a-zA-Z][\w-]*)(?=[^{}]*\{)/g)].map(([, name]) => name!));

/** What each screen takes from each sheet of styles: sheet to names. */
function taken(): Map<string, Set<string>> {
  const all = new Map<string, Set<string>>();
  for (const file of SCREENS) {
    const text = read(file);
    const body = text.replace(/^import .*$/gm, '');
    for (const [, name, from] of text.matchAll(/import (\w+) from '([^']+\.module\.css)'/g)) {
      const sheet = from!.startsWith('@/')
        ? `src/${from!.slice(2)}`
        : path.join(path.dirname(file), from!);
      const names = all.get(sheet) ?? new Set();
      for (const [, dot, at] of body.matchAll(
        new RegExp(`\\b${name}(?:\\.(\\w+)|\\[([^\\]]+)\\])`, 'g'),
      )) {
        names.add(dot ?? `[${at}]`);
      }
      all.set(sheet, names);
    }
  }
  return all;
}

test('styles of every page are few; what is a feature’s own stands beside it', () => {
  const shared = read('src/ui/theme.css');
  expect(shared.split('\n').length).toBeLessThanOrEqual(400);
  const screens = SCREENS.map(read).join('\n');
  const unused = [...new Set([...shared.matchAll(/\.(zh-[\w-]+)/g)].map(([, name]) => name!))];
  expect(
    unused.filter((name) => !new RegExp(`(?<![\\w-])${name}(?![\\w-])`).test(screens)),
  ).toEqual([]);
});

test('every class that a screen takes from a sheet is there, and none is there for nobody', () => {
  const used = taken();
  const faults: string[] = [];
  for (const sheet of SHEETS) {
    const names = used.get(sheet) ?? new Set<string>();
    const there = classesOf(read(sheet));
    // A name that is computed may be any of them.
    const isComputed = [...names].some((name) => name.startsWith('['));
    for (const name of names) {
      if (!name.startsWith('[') && !there.has(name)) faults.push(`${sheet}: no .${name}`);
    }
    for (const name of there) {
      if (!isComputed && !names.has(name)) faults.push(`${sheet}: .${name} for nobody`);
    }
  }
  expect(faults).toEqual([]);
  expect([...used.keys()].filter((sheet) => !existsSync(sheet))).toEqual([]);
});

test('a button is the house’s component, not a class written out', () => {
  const raw = SCREENS.filter((file) => /['"`\s]btn[\s'"`]/.test(read(file)));
  expect(raw).toEqual(['src/ui/Link.tsx']);
});
