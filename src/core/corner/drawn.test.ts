import { trials } from '../../../tests/support/trials';
import { PROCEDURE } from '../contracts';
import { contextOf, fits, lookItems, TRAITS, type AxleTraits } from '../procedure';
import { calledFor, DRAWN, drawnCorner, SHAPES, type CalledFor } from '.';

const KINDS = ['parts', 'fasteners', 'contacts', 'looks', 'steps'] as const;

/** Every combination of traits that an axle may have. */
function* axles(): Generator<AxleTraits> {
  for (const caliper of ['floating', 'fixed', 'drum'] as const) {
    for (const position of ['front', 'rear'] as const) {
      for (const fastening of ['studs', 'bolts'] as const) {
        for (let bits = 0; bits < 2 ** TRAITS.length; bits += 1) {
          const traits = TRAITS.filter((_, i) => bits & (1 << i));
          yield { caliper, position, fastening, traits, isBrakeByWire: bits % 2 === 1 };
        }
      }
    }
  }
}

const calledAt = (axle: AxleTraits) => {
  const context = contextOf(axle, []);
  // Work on the hydraulics adds fasteners of its own.
  const opened = { ...context, traits: new Set([...context.traits, 'opened', 'hose-off', 'cut']) };
  const looks = lookItems(PROCEDURE, opened).map(({ code }) => code);
  return { opened, called: calledFor(PROCEDURE, opened, looks) };
};

const drawnFor = (axle: AxleTraits) => {
  const { opened, called } = calledAt(axle);
  return { called, parts: drawnCorner(opened, called) };
};

test('everything that a corner’s traits call for has one place in the drawing, for every combination', () => {
  const missing = new Set<string>();
  const twice = new Set<string>();
  let combinations = 0;
  const seen = new Set<string>();
  for (const axle of axles()) {
    combinations += 1;
    // A stride that is odd goes through every pair of traits, and through all of them in a drill.
    if (combinations % trials(1, 5) > 0) continue;
    const { opened, called } = calledAt(axle);
    // The drawing is made of what is called for and of the parts that are there: the same once is enough.
    const there = DRAWN.map(({ when }) => Number(fits(opened, when))).join('');
    const made = [there, ...KINDS.map((kind) => called[kind].join(' '))].join('|');
    if (seen.has(made)) continue;
    seen.add(made);
    const parts = drawnCorner(opened, called);
    for (const kind of KINDS) {
      const placed = new Set<string>();
      for (const part of parts) {
        for (const code of part[kind]) {
          if (placed.has(code)) twice.add(`${kind} ${code}`);
          placed.add(code);
        }
      }
      const wanted = new Set(called[kind]);
      for (const code of wanted) if (!placed.has(code)) missing.add(`${kind} ${code}`);
      for (const code of placed) if (!wanted.has(code)) missing.add(`not called: ${kind} ${code}`);
    }
    // A part that comes off, is drawn up or touched leads somewhere, by its own step or another's.
    for (const part of parts) {
      // The bleeder is opened on the page of the hydraulics, unless the house opens it to push back.
      const isWorkedOn = part.parts.length + part.contacts.length > 0 && part.code !== 'bleeder';
      const leads = [...part.steps, ...part.leads];
      if (isWorkedOn && leads.length === 0) missing.add(`leads nowhere: ${part.code}`);
    }
    const codes = parts.map(({ code }) => code);
    if (new Set(codes).size !== codes.length) twice.add(codes.join(' '));
  }
  expect(combinations).toBe(12 * 2 ** TRAITS.length);
  expect(seen.size).toBeGreaterThan(trials(1000, 500));
  expect([...missing]).toEqual([]);
  expect([...twice]).toEqual([]);
});

const placeOf = (axle: Partial<AxleTraits>, kind: keyof CalledFor, code: string) => {
  const own = { caliper: 'floating', position: 'front', fastening: 'studs', traits: [] } as const;
  const { parts } = drawnFor({ ...own, isBrakeByWire: false, ...axle });
  return parts.find((part) => (part[kind] as readonly string[]).includes(code))?.code;
};

test('what could stand at two parts stands at the first, and where its part is missing at another', () => {
  expect(placeOf({}, 'looks', 'hardware')).toBe('clips');
  expect(placeOf({ caliper: 'fixed' }, 'looks', 'hardware')).toBe('spring');
  expect(placeOf({ caliper: 'fixed' }, 'looks', 'abutments')).toBe('caliper');
  expect(placeOf({}, 'contacts', 'rotor-screw')).toBeUndefined();
  expect(placeOf({ traits: ['retaining-screw'] }, 'contacts', 'rotor-screw')).toBe('rotor-screw');
  expect(placeOf({ caliper: 'drum' }, 'parts', 'rotor')).toBeUndefined();
});

test('front and rear differ as they do', () => {
  const codes = (position: 'front' | 'rear') =>
    drawnFor({
      ...{ caliper: 'floating', fastening: 'studs', traits: [], isBrakeByWire: false },
      position,
    }).parts.map(({ code }) => code);
  expect(codes('front')).toContain('knuckle');
  expect(codes('rear')).toContain('axle');
  expect(codes('rear')).not.toContain('knuckle');
});

test('every shape is used', () => {
  expect(SHAPES.filter((shape) => !DRAWN.some((part) => part.shape === shape))).toEqual([]);
});
