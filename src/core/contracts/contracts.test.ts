import fc from 'fast-check';
import fs from 'node:fs';
import path from 'node:path';
import { Validator } from '@seriousme/openapi-schema-validator';
import {
  findSolver,
  FOR_SCREENS,
  jobFormSchema,
  KNOWLEDGE,
  openApiDocument,
  PROCEDURE,
  SOLVERS,
  vehicleFormSchema,
} from '.';

const gauge = { resolution: 0.001, repeatability: 0.001 };
const lap = [0, 0.01, 0.02, 0.01, 0, -0.01, -0.02, -0.01];
const thick = lap.map((value) => 27 + value / 2);

const GOOD: Record<string, Record<string, unknown>> = {
  runout: { unit: 'mm', face: 'outboard', laps: [lap], gauge, limit: 0.05 },
  thickness: { unit: 'mm', laps: [thick], gauge, limits: { discard: 26, dtv: 0.012 } },
  index: { unit: 'mm', studs: 5, mounts: [{ shift: 0, laps: [lap] }], gauge, limit: 0.05 },
  plate: {
    unit: 'mm',
    studs: 5,
    mounts: [0, 2].map((shift) => ({ shift, laps: [lap] })),
    gauge,
    limit: 0.01,
    plates: { corrections: [0.06, '0.12 mm'], referenceRadius: 140 },
    rotorRadius: 135,
  },
  machining: {
    unit: 'mm',
    outboard: lap,
    thickness: thick,
    lathe: { kind: 'bench' },
    gauge,
    limits: { discard: 26 },
  },
  diagnose: {
    findings: [
      { code: 'felt', value: 'both' },
      { code: 'runout', value: 1.8 },
      { code: 'drag' },
      { code: 'abs-kick', value: false },
    ],
    axle: 'front',
  },
};

function refused(name: string, change: Record<string, unknown>): { message: string; path: string } {
  const solved = findSolver(name)!.run({ ...GOOD[name], ...change });
  if (solved.ok) throw new Error('It was taken');
  return solved.problem;
}

test.each(SOLVERS.map((solver) => [solver.name, solver] as const))(
  '%s answers what its output schema says',
  (name, solver) => {
    const solved = solver.run(GOOD[name]);
    expect(solved.ok).toBe(true);
    if (solved.ok) expect(solver.output.safeParse(solved.result).error).toBeUndefined();
  },
);

describe('what cannot be meant is refused at its field', () => {
  const cases: [string, Record<string, unknown>, string, RegExp][] = [
    ['diagnose', { findings: [{ code: 'x' }] }, 'findings[0].code', /no finding "x".*--codes/],
    ['diagnose', { findings: [{ code: 'felt' }] }, 'findings[0].value', /is one of: steering/],
    ['diagnose', { findings: [{ code: 'runout', value: 'a' }] }, 'findings[0].value', /a number/],
    ['diagnose', { findings: [{ code: 'runout', value: -1 }] }, 'findings[0].value', /a number/],
    ['diagnose', { findings: [{ code: 'drag' }, { code: 'drag' }] }, 'findings[1].code', /twice/],
    ['diagnose', { axle: 'middle' }, 'axle', /./],
    ['diagnose', { corner: 'FL' }, '', /Unknown key "corner"/],
    ['runout', { unit: 'cm' }, 'unit', /unit of the lengths/],
    ['runout', { extra: 1 }, '', /Unknown key "extra"/],
    ['runout', { laps: [lap.slice(0, 3)] }, 'laps[0]', /at least 4/],
    ['runout', { laps: [lap, lap.slice(1)] }, 'laps', /same number of readings/],
    ['runout', { laps: [lap.map(() => NaN)] }, 'laps[0][0]', /must be number.*NaN/],
    ['runout', { laps: [lap.map(() => Infinity)] }, 'laps[0][0]', /must be number.*Infinity/],
    ['runout', { laps: [lap.map(String)] }, 'laps[0][0]', /has no unit/],
    ['runout', { laps: [lap.map((v) => v * 1e6)] }, 'laps[0][1]', /cannot be a runout reading/],
    ['runout', { closing: [0, 0] }, 'closing', /2 closing readings for 1 laps/],
    ['runout', { angles: [0, 90, 180] }, 'angles', /./],
    ['runout', { angles: [0, 1, 2, 3, 4, 5, 6, 7] }, 'angles', /too unevenly/],
    ['runout', { angles: [0, 45, 40, 135, 180, 225, 270, 315] }, 'angles', /must rise/],
    ['runout', { studs: 2 }, 'studs', /./],
    ['runout', { limit: 0 }, 'limit', /cannot be a limit/],
    ['runout', { limit: '0.05' }, 'limit', /has no unit/],
    ['thickness', { unit: 'in' }, 'limits.discard', /Is the unit mm\?/],
    [
      'thickness',
      { limits: { discard: 26, dtv: 0.01, machineTo: 25 } },
      'limits.machineTo',
      /swapped/,
    ],
    ['thickness', { limits: { discard: 26, dtv: 0.01, nominal: 25 } }, 'limits.nominal', /swapped/],
    [
      'thickness',
      { temperature: { rotor: 2000, unit: 'C' } },
      'temperature.rotor',
      /cannot be meant/,
    ],
    ['index', { mounts: [] }, 'mounts', /at least one mounting/],
    ['index', { mounts: [{ shift: 5, laps: [lap] }] }, 'mounts[0].shift', /0 to 4/],
    ['index', { allowedShifts: [7] }, 'allowedShifts', /0 to 4/],
    ['index', { allowedShifts: [] }, 'allowedShifts', /one place only/],
    ['machining', { thickness: thick.slice(1) }, 'thickness', /same positions/],
    ['machining', { lathe: { kind: 'hand' } }, 'lathe.kind', /./],
    [
      'machining',
      { lathe: { kind: 'bench', hub: { limit: 0.02, radius: 70 } } },
      'lathe.hub',
      /both radius and rotorRadius/,
    ],
  ];
  test.each(cases)('%s %j', (name, change, path, message) => {
    const problem = refused(name, change);
    expect(problem.path).toBe(path);
    expect(problem.message).toMatch(message);
  });

  test('10⁵ positions are refused at once', () => {
    const start = performance.now();
    expect(refused('runout', { laps: [new Array(100_000).fill(0)] }).message).toMatch(/at most 72/);
    expect(performance.now() - start).toBeLessThan(2000);
  });
});

test('a change of unit changes nothing', () => {
  const inches = (values: readonly number[]): number[] => values.map((value) => value / 25.4);
  const mm = findSolver('runout')!.run(GOOD.runout);
  const inch = findSolver('runout')!.run({
    unit: 'in',
    face: 'outboard',
    laps: [inches(lap)],
    gauge: { resolution: '1um', repeatability: '1 \u00b5m' },
    limit: '0.05 mm',
  });
  if (!mm.ok || !inch.ok) throw new Error('refused');
  const round = (result: unknown): unknown =>
    JSON.parse(
      JSON.stringify(result, (_, v: unknown) =>
        typeof v === 'number' ? Math.round(v * 1e6) / 1e6 : v,
      ),
    );
  expect(round(inch.result)).toEqual(round(mm.result));
});

test('no document makes a solver throw', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.constantFrom(...SOLVERS), (json, solver) => {
      const solved = solver.run(json);
      return solved.ok || solved.problem.message.length > 0;
    }),
    { numRuns: 300 },
  );
});

test('no change of one key of a good document makes a solver throw', () => {
  const name = fc.constantFrom(...Object.keys(GOOD));
  fc.assert(
    fc.property(name, fc.nat(20), fc.jsonValue(), (solver, pick, json) => {
      const keys = Object.keys(GOOD[solver]!);
      const solved = findSolver(solver)!.run({
        ...GOOD[solver],
        [keys[pick % keys.length]!]: json,
      });
      return solved.ok || solved.problem.message.length > 0;
    }),
    { numRuns: 300 },
  );
});

describe('the OpenAPI document', () => {
  const document = openApiDocument('1.0.0') as { paths: Record<string, object> };

  test('is one, by a validator that knows nothing of this program', async () => {
    const answer = await new Validator().validate(structuredClone(document));
    expect(answer.errors ?? []).toEqual([]);
    expect(answer.valid).toBe(true);
    // And one that is wrong is not.
    const wrong = await new Validator().validate({ ...document, info: {} });
    expect(wrong.valid).toBe(false);
  });

  test('tells of every route there is, but those of screens and people', () => {
    const routes = fs
      .readdirSync('src/app/api', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('route.ts'))
      .map((file) => `/api/${path.dirname(file).replace(/\[(\w+)\]/g, '{$1}')}`);
    const solvers = SOLVERS.map(({ name }) => `/api/v1/solve/${name}`);
    const expected = routes.filter((route) => route !== '/api/v1/solve/{name}');
    expect([...Object.keys(document.paths), ...FOR_SCREENS].sort()).toEqual(
      [...expected, ...solvers].sort(),
    );
    expect(Object.keys(document.paths)).toEqual(expect.arrayContaining(solvers));
    expect(JSON.stringify(document)).toContain('"additionalProperties":false');
  });
});

describe('forms', () => {
  const figure = { length: '', source: 'maker' };
  const axle = {
    fastening: 'studs',
    studs: '5',
    places: 'any',
    limits: {
      nominal: figure,
      machineTo: figure,
      discard: { length: '26', source: 'stamped' },
      runout: figure,
      dtv: figure,
      radius: figure,
    },
  };
  const vehicle = { plate: 'sk-1', make: 'Pellick', model: 'Tern', front: axle, rear: axle };

  test('an empty figure is not a zero', () => {
    const parsed = vehicleFormSchema('mm').parse(vehicle);
    expect(parsed.front.limits.nominal.length).toBeNull();
    expect(parsed.front.limits.discard.length).toMatchObject({ value: 26_000, unit: 'mm' });
  });
  test('a bare figure takes the shop’s unit, and a slip is named', () => {
    const parsed = vehicleFormSchema('thou').safeParse(vehicle);
    const issue = parsed.error?.issues.find(
      ({ path }) => path.join('.') === 'front.limits.discard.length',
    );
    expect(issue?.message).toMatch(/26 in cannot be a rotor thickness.*Is the unit mm/);
  });
  test('limits out of order are said to be swapped', () => {
    const limits = { ...axle.limits, machineTo: { length: '25', source: 'maker' } };
    const parsed = vehicleFormSchema('mm').safeParse({ ...vehicle, rear: { ...axle, limits } });
    expect(parsed.error?.issues[0]).toMatchObject({
      path: ['rear', 'limits', 'machineTo', 'length'],
      message: expect.stringMatching(/swapped/),
    });
  });
  test('a job needs a vehicle and a corner; its complaint may be asked later', () => {
    const empty = { vehicleId: '', complaint: '  ', odometerKm: 'far', corners: [] };
    const fields = jobFormSchema.safeParse(empty).error?.issues.map(({ path }) => path[0]);
    expect(fields).toEqual(['odometerKm', 'corners', 'vehicleId']);
  });
});

test('what a repair puts right with it is something that is looked at', () => {
  const known = PROCEDURE.items.flatMap(({ code, conditions }) => [
    code,
    ...conditions.map((condition) => `${code}:${condition.code}`),
  ]);
  expect(KNOWLEDGE.causes.flatMap(({ settles }) => settles)).not.toEqual([]);
  for (const { settles } of KNOWLEDGE.causes)
    expect(known).toEqual(expect.arrayContaining(settles));
});
