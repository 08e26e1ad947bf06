import { readDial, readMicrometer, type VirtualCorner } from '../bench';
import { seededRandom } from '../numeric';
import { suggestSlip, type TypedReading } from '.';

const reading = (text: string, more: Partial<TypedReading> = {}): TypedReading => ({
  text,
  unit: 'mm',
  before: [30, 20],
  samePlace: [],
  others: [0, 10, 20, 30],
  resolution: 1,
  ...more,
});

describe('a slip is offered', () => {
  test.each<[string, TypedReading, string, string]>([
    ['a decimal place too far right', reading('0.41'), 'decimal', '0.041'],
    ['a decimal comma', reading('0,41'), 'decimal', '0,041'],
    ['no decimal mark at all', reading('41'), 'decimal', '0.041'],
    [
      'the sign lost',
      reading('0.06', { before: [-58, -56], others: [-50, -54, -56, -58] }),
      'sign',
      '-0.06',
    ],
    [
      'a sign too many',
      reading('-0.06', { before: [58, 56], others: [50, 54, 56, 58] }),
      'sign',
      '0.06',
    ],
    [
      'digits changed over',
      reading('23.71', { before: [27_308, 27_310], others: [27_310, 27_308, 27_312] }),
      'digits',
      '27.31',
    ],
    [
      'micrometres in a field of mm',
      reading('41', { before: [39, 37], samePlace: [41] }),
      'decimal',
      '0.041',
    ],
    [
      'thousandths in a field of mm',
      reading('1.6', { samePlace: [40.64], others: [1, 2, 3] }),
      'unit',
      '1.6 thou',
    ],
    [
      'a micrometer digit lost',
      reading('2.731', {
        before: [27_308, 27_310],
        others: [27_310, 27_308, 27_312],
        samePlace: [],
      }),
      'decimal',
      '27.31',
    ],
    [
      'against the same place of the lap before',
      reading('0.21', { samePlace: [21], before: [], others: [] }),
      'decimal',
      '0.021',
    ],
    [
      'against all others, where none is just before',
      reading('0.35', { before: [], others: [30, 33, 37] }),
      'decimal',
      '0.035',
    ],
  ])('%s', (_, typed, kind, text) => {
    const slip = suggestSlip(typed);
    expect([slip?.kind, slip?.text]).toEqual([kind, text]);
  });

  test('and its text reads back as its value', () => {
    expect(suggestSlip(reading('0.41'))?.value).toBe(41);
  });
});

describe('nothing is offered', () => {
  test.each<[string, TypedReading]>([
    ['where the reading is near what is expected', reading('0.04')],
    ['where too little is known', reading('4', { before: [30], others: [30, 20] })],
    ['where no slip explains it', reading('0.177')],
    ['where it is no figure', reading('wrench')],
  ])('%s', (_, typed) => expect(suggestSlip(typed)).toBeNull());
});

/** Every reading of a lap with what stood before it. */
function lapReadings(values: readonly number[], unit: 'mm' | 'thou' = 'mm'): TypedReading[] {
  const per = unit === 'mm' ? 1000 : 25.4;
  const texts = values.map((value) => (value / per).toFixed(unit === 'mm' ? 3 : 1));
  return texts.map((text, i) => ({
    text,
    unit,
    before: [values[i - 1], values[i - 2]].filter((value) => value !== undefined),
    samePlace: [],
    others: values.slice(0, i),
    resolution: 1,
  }));
}

describe('on virtual corners', () => {
  const laps = Array.from({ length: 300 }, (_, seed) => {
    const random = seededRandom(seed + 1);
    const corner: VirtualCorner = {
      studs: 5,
      hub: [
        { order: 1, amplitude: 5 + 60 * random.uniform(), highSpotDeg: 360 * random.uniform() },
      ],
      rotor: [{ order: 2, amplitude: 12 * random.uniform(), highSpotDeg: 180 * random.uniform() }],
      meanThickness: 20_000 + 8000 * random.uniform(),
      thickness: [
        { order: 1, amplitude: 12 * random.uniform(), highSpotDeg: 360 * random.uniform() },
      ],
    };
    const gauge = { resolution: 1, repeatability: 1.5 };
    const run = { shift: 0, positions: 12, laps: 1, gauge };
    return [readDial(corner, run, random).laps[0]!, readMicrometer(corner, run, random)[0]!];
  }).flat();

  test('a clean lap is doubted in less than 1 % of its readings', () => {
    const all = laps.flatMap((lap) => lapReadings(lap));
    const doubted = all.filter((each) => suggestSlip(each) !== null);
    expect(all.length).toBe(7200);
    expect(doubted.length / all.length).toBeLessThan(0.01);
  });

  test('a decimal mark slipped by one place in a thickness is always seen and put right', () => {
    const thick = laps.filter((_, i) => i % 2 === 1).flatMap((lap) => lapReadings(lap).slice(3));
    const put = thick.map((each) => {
      const wrong = (Number(each.text) / 10).toFixed(4);
      return [suggestSlip({ ...each, text: wrong })?.value, Number(each.text) * 1000] as const;
    });
    const right = put.filter(
      ([value, meant]) => value !== undefined && Math.abs(value - meant) < 1,
    );
    expect(right.length / put.length).toBeGreaterThan(0.99);
  });
});
