import { csvParseRows, dsvFormat } from 'd3-dsv';
import fc from 'fast-check';
import { writeTable } from './table';

test('figures, text and nothing, with quotes where they must be', () => {
  const text = writeTable(
    ['what', 'mm'],
    [
      ['plain', 0.05],
      ['with "quotes", and commas', 27],
      ['two\nlines', null],
    ],
  );
  expect(csvParseRows(text.trimEnd())).toEqual([
    ['what', 'mm'],
    ['plain', '0.05'],
    ['with "quotes", and commas', '27'],
    ['two\nlines', ''],
  ]);
});

test('a decimal comma puts semicolons between the columns', () => {
  expect(writeTable(['a', 'b'], [['x', 0.5]], 'comma')).toBe('a;b\nx;0,5\n');
});

test.each(['=1+1', '+49', '-2', '@here', '\tx', '\rx'])('%j is no formula', (said) => {
  const [, [cell] = []] = csvParseRows(writeTable(['said'], [[said]]).replace(/\n$/, ''));
  expect(cell).toBe(`'${said}`);
});

test('whatever is typed comes back as it was, but for the mark before a formula', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 5 }), (typed) => {
      for (const decimal of ['point', 'comma'] as const) {
        const columns = typed.map((_, i) => `c${i}`);
        const text = writeTable(columns, [typed], decimal);
        const [, row] = dsvFormat(decimal === 'comma' ? ';' : ',').parseRows(text.slice(0, -1));
        const marked = typed.map((said) => (/^[=+\-@\t\r]/.test(said) ? `'${said}` : said));
        // A row of one empty cell is an empty line.
        expect(row ?? ['']).toEqual(marked);
      }
    }),
  );
});
