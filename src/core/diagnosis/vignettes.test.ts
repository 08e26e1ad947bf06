import { KNOWLEDGE } from '../contracts/knowledge';
import { diagnose, type RecordedFinding, type WeighInput } from '.';

/** A believable job, what was found in it, and why the answer must be what it is. */
interface Vignette {
  readonly job: string;
  readonly found: Readonly<Record<string, string | number>>;
  readonly axle?: WeighInput['axle'];
  /** A cause, an effect and its source as "effect + source", or "not settled". */
  readonly expect: string;
  readonly because: string;
}

const VIGNETTES: readonly Vignette[] = [
  {
    job: 'A delivery van shakes at the wheel and the pedal from 90 km/h; rotors four months old.',
    found: {
      felt: 'both',
      when: 'braking',
      'worst-speed': 'high',
      lately: 'brakes-renewed',
      since: 'some-thousand',
      'thickness-variation': 2.6,
      runout: 0.9,
      'thin-at-high': 'yes',
    },
    axle: 'front',
    expect: 'dtv-front',
    because: 'thickness varies, thin where the face runs out, and time enough to wear it in',
  },
  {
    job: 'The same van, and the hat has never been cleaned: runout is three times the limit.',
    found: {
      felt: 'both',
      when: 'braking',
      'thickness-variation': 2,
      runout: 3,
      'hub-look': 'rust',
      'thin-at-high': 'yes',
    },
    axle: 'front',
    expect: 'dtv-front + rust-under-hat',
    because: 'rust made the runout and the runout wore the thickness: cause and effect, not rivals',
  },
  {
    job: 'A hatchback whose front rotors were renewed twice in a year and shake again.',
    found: {
      felt: 'both',
      when: 'braking',
      lately: 'renewed-again',
      runout: 1.9,
      'hub-share': 2,
      'rotor-share': 0.3,
      'hub-look': 'clean',
    },
    axle: 'front',
    expect: 'hub-runout',
    because: 'new rotors do not cure a flange, and the hub carries the runout',
  },
  {
    job: 'A shuttle bus that shakes with and without the brake after the winter tyres went on.',
    found: {
      felt: 'steering',
      when: 'both',
      lately: 'wheels-off',
      'worst-speed': 'high',
      recording: 'always-1',
      'tyre-check': 'fault',
    },
    expect: 'tyre-wheel',
    because: 'order 1 without the brake, from the day the wheels were off, and a weight is lost',
  },
  {
    job: 'A minibus pulsates since the wheels were put on with an impact gun.',
    found: {
      felt: 'both',
      when: 'braking',
      lately: 'wheels-off',
      since: 'at-once',
      'nut-check': 'uneven',
      runout: 1.4,
      'nut-pull': 0.8,
    },
    axle: 'front',
    expect: 'nut-torque',
    because: 'the nuts are uneven and the runout has one crest a stud',
  },
  {
    job: 'A pickup comes down from the vineyard every day and shakes when it is hot.',
    found: {
      felt: 'both',
      when: 'braking',
      warmth: 'hot',
      use: 'descents',
      recording: 'braking-2',
      'face-check': 'spots',
      'thickness-variation': 1.3,
    },
    axle: 'front',
    expect: 'heat-damage',
    because: 'long descents, dark spots and order 2 belong together',
  },
  {
    job: 'The mobile library stood all winter; it judders on the first stops of the day.',
    found: {
      felt: 'pedal',
      when: 'braking',
      warmth: 'first-stops',
      use: 'standing',
      noise: 'scrape',
      'face-check': 'footprint',
    },
    expect: 'standing-corrosion',
    because: 'the outline of the pads stands in rust on the faces',
  },
  {
    job: 'A van pulls left, smells after a drive, and the right wheel stays cool.',
    found: {
      felt: 'nowhere',
      pull: 'left',
      drag: 'yes',
      'spin-check': 'drags',
      'pins-check': 'stuck',
    },
    expect: 'sticking',
    because: 'a pin is stuck and the wheel drags',
  },
  {
    job: 'An old estate drags only after long braking and comes free when it cools.',
    found: {
      felt: 'nowhere',
      drag: 'yes',
      warmth: 'hot',
      'spin-check': 'drags',
      'pins-check': 'free',
      'piston-check': 'bleeder',
    },
    expect: 'hose',
    because: 'the piston goes back only with the bleeder open, so the hose holds the pressure',
  },
  {
    job: 'A hatchback with rear drums pulsates in the seat, also on the parking brake alone.',
    found: {
      felt: 'seat',
      when: 'braking',
      'worst-speed': 'low',
      'rear-only': 'pulsates',
      'drum-check': 'oval',
    },
    axle: 'rear',
    expect: 'rear-drum',
    because: 'only the rear brakes were on, and the drum is oval',
  },
  {
    job: 'A rescue estate hums, and the pedal is long after a bend.',
    found: { noise: 'hum', 'pedal-feel': 'long', 'bearing-check': 'play', 'end-play': 2.2 },
    expect: 'bearing-play',
    because: 'play is felt and measured; it knocks the pads back',
  },
  {
    job: 'A pickup whose wheel shivers at 100 km/h and clunks over kerbs; the wheels are balanced.',
    found: {
      felt: 'steering',
      noise: 'clunk',
      'tyre-check': 'good',
      'joint-check': 'worn',
      'bearing-check': 'tight',
    },
    expect: 'joint',
    because: 'the joint is slack and the usual sources are in order',
  },
  {
    job: 'The mobile library shakes in the floor under power at a rate above that of the wheels.',
    found: { felt: 'seat', when: 'without', recording: 'other', 'shaft-check': 'worn' },
    expect: 'driveline',
    because: 'no whole order of the wheel, and the shaft is worn',
  },
  {
    job: 'A hatchback kicks at the pedal in the last metres before each stop on a dry road.',
    found: { felt: 'pedal', 'worst-speed': 'low', 'abs-kick': 'yes', 'abs-check': 'drops' },
    expect: 'abs-false',
    because: 'a wheel-speed signal drops out just there',
  },
  {
    job: 'New brakes yesterday; it squeals and pulls, and a face is oily.',
    found: {
      lately: 'brakes-renewed',
      since: 'at-once',
      pull: 'right',
      noise: 'squeal',
      'face-check': 'oil',
    },
    expect: 'contaminated',
    because: 'packing oil was never washed off',
  },
  {
    job: 'New brakes yesterday; it scrapes, and one pad sits the wrong way round.',
    found: {
      lately: 'brakes-renewed',
      since: 'at-once',
      noise: 'scrape',
      'part-check': 'wrong',
      'face-check': 'clean',
    },
    expect: 'wrong-part',
    because: 'the part itself is wrong, and it began with the work',
  },
  {
    job: 'The pedal is soft after the caliper was changed and comes up when pumped.',
    found: {
      felt: 'nowhere',
      'pedal-feel': 'soft',
      lately: 'brakes-renewed',
      'pump-test': 'rises',
    },
    expect: 'air-knockback',
    because: 'a pedal that rises when pumped has air in it',
  },
  {
    job: 'New pads on old rotors; it judders when warm and the faces are patchy.',
    found: {
      felt: 'both',
      when: 'braking',
      lately: 'pads-only',
      warmth: 'hot',
      'face-check': 'film',
      runout: 0.4,
      'thickness-variation': 1,
    },
    expect: 'deposits',
    because: 'the film is seen and the rotor runs true',
  },
  {
    job: 'A used rotor was fitted; runout is high and moves with the rotor.',
    found: {
      felt: 'both',
      when: 'braking',
      lately: 'used-parts',
      runout: 2,
      'rotor-share': 2,
      'hub-share': 0.2,
      'hub-look': 'clean',
    },
    axle: 'front',
    expect: 'rotor-runout',
    because: 'the rotor carries the runout and the hub does not',
  },
  {
    job: 'A customer says that it shakes when braking, and nothing has been looked at yet.',
    found: { felt: 'both', when: 'braking' },
    expect: 'not settled',
    because: 'two answers cannot tell a rotor from a hub, rust, nuts or a film',
  },
];

const recorded = (found: Vignette['found']): RecordedFinding[] =>
  Object.entries(found).map(([code, value]) => ({ code, value }));

function answer({ found, axle }: Vignette): string {
  const { causes, joined, settled } = diagnose(KNOWLEDGE, { findings: recorded(found), axle });
  if (!settled) return 'not settled';
  const [first] = causes;
  if (joined && joined.probability > first!.probability + 0.1) {
    return `${joined.effect.code} + ${joined.source.code}`;
  }
  return first!.code;
}

test('there are twenty vignettes', () => {
  expect(VIGNETTES).toHaveLength(20);
});

test.each(VIGNETTES)('$job', (vignette) => {
  // The reason stands in the title of a failure.
  expect({ answer: answer(vignette), because: vignette.because }).toEqual({
    answer: vignette.expect,
    because: vignette.because,
  });
});

test('every finding used here is in the knowledge, with that value', () => {
  for (const { code, value } of VIGNETTES.flatMap(({ found }) => recorded(found))) {
    const finding = KNOWLEDGE.findings.find((each) => each.code === code);
    expect(finding?.code).toBe(code);
    if (finding && 'values' in finding) {
      expect(finding.values.map((each) => each.code)).toContain(value);
    } else expect(typeof value).toBe('number');
  }
});
