import fc from 'fast-check';
import {
  formatIn,
  formatLength,
  formatNumber,
  parseLength,
  toCelsius,
  wrapDegrees,
  fromMetresPerSecond,
  speedUnit,
  toMetresPerSecond,
} from '.';

const value = (text: string, unit: 'mm' | 'in' | 'thou' | 'um' | null = 'mm'): number => {
  const parsed = parseLength(text, unit);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.length.value as number;
};

describe('parseLength', () => {
  test.each([
    ['0.05', 50],
    ['0,05 mm', 50],
    ['2 thou', 50.8],
    ['.0025"', 63.5],
    ['64um', 64],
    ['64 \u00b5m', 64],
    ['64\u03bcm', 64],
    ['1 mil', 25.4],
    ['1in', 25_400],
    ['\u22120.01', -10],
    ['+3', 3000],
    ['5.', 5000],
  ])('%s', (text, expected) => {
    expect(value(text)).toBeCloseTo(expected, 9);
  });

  test.each([
    '',
    '  ',
    'abc',
    '1.2.3',
    '--1',
    '1e3',
    '1,234.5',
    '5 ft',
    '.',
    '-',
    'NaN',
    'Infinity',
  ])('refuses %p in words', (text) => {
    const parsed = parseLength(text, 'mm');
    expect(parsed.ok).toBe(false);
    expect(parsed.ok || parsed.message.length).toBeGreaterThan(10);
  });

  test('a bare number needs a unit where there is no field unit', () => {
    expect(parseLength('0.05', null).ok).toBe(false);
    expect(value('0.05mm', null)).toBe(50);
  });

  test('keeps what was typed', () => {
    const parsed = parseLength(' 0,0500 mm ', 'in');
    expect(parsed.ok && parsed.length).toEqual({ value: 50, unit: 'mm', text: '0,0500 mm' });
  });

  test('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 50 }), (text) => {
        const parsed = parseLength(text, 'mm');
        return !parsed.ok || Number.isFinite(parsed.length.value);
      }),
    );
  });
});

describe('formatting', () => {
  test('decimals follow the unit', () => {
    expect(formatLength(50, 'mm')).toBe('0.050 mm');
    expect(formatLength(50.8, 'thou')).toBe('2.0 thou');
    expect(formatLength(12.34, 'um')).toBe('12.3 \u00b5m');
  });
  test('an inch shop reads sizes in inches and deviations in thousandths', () => {
    expect(formatIn('thou', 'size', 28_000)).toBe('1.1024 in');
    expect(formatIn('thou', 'deviation', 50.8)).toBe('2.0 thou');
  });
  test('minus is a true minus, and nothing is minus zero', () => {
    expect(formatNumber(-12, 'mm')).toBe('\u22120.012');
    expect(formatNumber(-0.1, 'mm')).toBe('0.000');
  });
  test('what is shown parses back to within its last decimal', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (um) => {
        const shown = formatNumber(um, 'mm');
        return Math.abs(value(shown) - um) <= 0.5 + 1e-9;
      }),
    );
  });
});

test('temperatures and angles', () => {
  expect(toCelsius(212, 'F')).toBeCloseTo(100);
  expect(wrapDegrees(-30)).toBe(330);
  expect(wrapDegrees(360 - 1e-10)).toBe(0);
  expect(wrapDegrees(125, 120)).toBeCloseTo(5);
});

test('speed is shown in kilometres or miles an hour and comes back as it was', () => {
  expect(speedUnit('mm')).toBe('km/h');
  expect(speedUnit('thou')).toBe('mph');
  expect(fromMetresPerSecond(25, 'km/h')).toBeCloseTo(90, 12);
  expect(fromMetresPerSecond(0.44704, 'mph')).toBeCloseTo(1, 12);
  for (const unit of ['km/h', 'mph'] as const) {
    expect(toMetresPerSecond(fromMetresPerSecond(17.3, unit), unit)).toBeCloseTo(17.3, 12);
  }
});
