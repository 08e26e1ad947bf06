import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { GET } from '@/app/api/v1/readings.csv/route';
import type { Decimal } from '@/core/exchange';
import { loadJob, openJob } from '@/server/job/jobs';
import { jobsTable, rotorsTable } from '@/server/records/tables';
import { jobNumber, standUpDemo } from '../integration/demo';
import { known } from '../integration/known';

standUpDemo();

const work = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-sheets-'));
afterAll(() => fs.rmSync(work, { recursive: true, force: true }));

interface SheetCell {
  readonly type: string | undefined;
  readonly value: string | undefined;
  readonly text: string;
  readonly hasFormula: boolean;
}

/** Separator and language as a workshop's spreadsheet has them: an English and a German one. */
const IMPORT: Readonly<Record<Decimal, string>> = {
  point: 'CSV:44,34,76,1,,1033,false,true',
  comma: 'CSV:59,34,76,1,,1031,false,true',
};

/** The text of a cell: its paragraphs, a line each. */
const plain = (xml: string): string =>
  [...xml.matchAll(/<text:p>([\s\S]*?)<\/text:p>/g)]
    .map(([, paragraph = '']) => paragraph)
    .join('\n')
    .replaceAll(/<text:s[^>]*\/>/g, ' ')
    .replaceAll(/<[^>]+>/g, '')
    .replaceAll('&quot;', '"')
    .replaceAll('&apos;', "'")
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .replaceAll('&amp;', '&');

/** Opens a table in a spreadsheet program without a screen; its rows as the program has them. */
function open(text: string, decimal: Decimal): SheetCell[][] {
  const folder = fs.mkdtempSync(path.join(work, 'sheet-'));
  fs.writeFileSync(path.join(folder, 'table.csv'), text);
  execFileSync(
    'soffice',
    [
      `-env:UserInstallation=file://${path.join(work, 'profile')}`,
      ...['--headless', `--infilter=${IMPORT[decimal]}`, '--convert-to', 'fods'],
      ...['--outdir', folder, path.join(folder, 'table.csv')],
    ],
    { stdio: 'ignore', env: { ...process.env, HOME: work } },
  );
  const sheet = fs.readFileSync(path.join(folder, 'table.fods'), 'utf8');
  const rows = [...sheet.matchAll(/<table:table-row[^>]*>([\s\S]*?)<\/table:table-row>/g)];
  const read = rows.map(([, row = '']) =>
    [...row.matchAll(/<table:table-cell([^>]*?)(?:\/>|>([\s\S]*?)<\/table:table-cell>)/g)].flatMap(
      ([, attributes = '', inner = '']) => {
        const times = Number(/number-columns-repeated="(\d+)"/.exec(attributes)?.[1] ?? 1);
        const cell = {
          type: /office:value-type="(\w+)"/.exec(attributes)?.[1],
          value: /office:value="([^"]*)"/.exec(attributes)?.[1],
          text: plain(inner),
          hasFormula: attributes.includes('table:formula'),
        };
        return Array.from({ length: Math.min(times, 20) }, () => cell);
      },
    ),
  );
  // The rest of a sheet, which is empty, is one row more.
  return read.filter((row) => row.some(({ type }) => type !== undefined));
}

const NASTY = '=1+2; "quoted", 5,5 mm\nand a second line – größer';

beforeAll(async () => {
  const { vehicle } = (await loadJob(await jobNumber(104)))!;
  known(
    await openJob({
      vehicleId: vehicle.id,
      complaint: NASTY,
      odometerKm: '88000',
      corners: ['FL'],
    }),
  );
});

test.each<Decimal>(['point', 'comma'])('jobs open right with a %s', async (decimal) => {
  const [head = [], ...rows] = open((await jobsTable(decimal)).text, decimal);
  const column = (name: string): number => head.findIndex(({ text }) => text === name);
  const nasty = rows.find((row) => row[column('complaint')]?.text.includes('quoted'));
  expect(nasty?.[column('complaint')]?.text.replaceAll('\n', ' ')).toBe(
    `'${NASTY.replaceAll('\n', ' ')}`,
  );
  expect(nasty?.[column('odometer_km')]).toMatchObject({ type: 'float', value: '88000' });
  expect(rows.filter((row) => row[0]?.type === 'float')).toHaveLength(17);
  expect(rows.flat().some(({ hasFormula }) => hasFormula)).toBe(false);
});

test.each<Decimal>(['point', 'comma'])(
  'rotors and readings open right with a %s',
  async (decimal) => {
    const rotors = open((await rotorsTable(decimal)).text, decimal);
    const thinnest = rotors[0]?.findIndex(({ text }) => text === 'thinnest_before_mm') ?? -1;
    const thicknesses = rotors.slice(1).map((row) => row[thinnest]);
    expect(thicknesses.length).toBeGreaterThan(3);
    for (const cell of thicknesses.filter((each) => each?.text !== '')) {
      expect(cell?.type).toBe('float');
      expect(Number(cell?.value)).toBeGreaterThan(5);
      expect(Number(cell?.value)).toBeLessThan(40);
    }
    const sent = GET(new Request(`http://127.0.0.1/api/v1/readings.csv?decimal=${decimal}`));
    const text = await sent.text();
    const rows = open(text, decimal);
    const at = rows[0]?.findIndex((cell) => cell.text === 'value_mm') ?? -1;
    const figures = rows.slice(1).map((row) => row[at]);
    expect(figures.length).toBe(text.trimEnd().split('\n').length - 1);
    expect(figures.every((cell) => cell?.type === 'float')).toBe(true);
    expect(figures.some((cell) => Math.abs(Number(cell?.value)) < 0.05)).toBe(true);
  },
);
