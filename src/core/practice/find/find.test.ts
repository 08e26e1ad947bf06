import { KNOWLEDGE } from '../../contracts';
import { advisesNoDrive, weightOf } from '../../diagnosis';
import { drawCars } from '../../../../tests/support/cars';
import { trials } from '../../../../tests/support/trials';
import { seededRandom } from '../../numeric';
import {
  asRecorded,
  checksLeft,
  customerSays,
  doesCure,
  findCaseOf,
  findState,
  judgeFind,
  noseAt,
  noseWay,
  shownOf,
  stepsOf,
  type FindAction,
  type FindCase,
} from '.';
import { CASE_KINDS, isOfCorner, readCode, writeCode } from '..';

/** Two hundred cars. */
const CARS = drawCars(200, 99_991);
const check = (code: string): FindAction => ({ kind: 'check', code });
const repair = (code: string): FindAction => ({ kind: 'repair', code });
const [pedal, drive, back] = [{ kind: 'pedal' }, { kind: 'drive' }, { kind: 'back' }] as const;
const PROVEN = [pedal, drive, back];

/** A car with this fault, and with this answer to a question where one is named. */
function carWith(
  cause: string,
  answer?: { readonly code: string; readonly value: string },
): FindCase {
  const known = KNOWLEDGE.causes.find(({ code }) => code === cause)!;
  const [any] = CARS;
  const shows = any!.shows.map((each) => {
    if (each.code === answer?.code) return { ...each, value: answer.value };
    if (each.code === 'noise') return { ...each, value: 'none' };
    return each.code === 'pedal-feel' ? { ...each, value: 'firm' } : each;
  });
  return { ...any!, cause: known, shows };
}

describe('a whole car', () => {
  test('is made again by its code, and every kind of case has a code of its own', () => {
    const own = { level: 'find', subject: 'both', seed: 4711 } as const;
    const code = writeCode(own);
    expect(readCode(code)).toEqual(own);
    expect(isOfCorner(own)).toBe(false);
    expect(findCaseOf(readCode(code)!, KNOWLEDGE)).toEqual(findCaseOf(own, KNOWLEDGE));
    expect(CASE_KINDS).toContainEqual({ level: 'find', subject: 'both' });
  });

  test('has an answer in the customer’s words to every question of the complaint', () => {
    for (const { code, stage, ...rest } of KNOWLEDGE.findings) {
      if (stage !== 'complaint' || !('values' in rest)) continue;
      for (const { code: value } of rest.values) {
        expect([code, value, customerSays(code, value, false)]).not.toContain(null);
        expect(customerSays(code, value, true)).toMatch(/^I think, but I am not sure: /);
      }
    }
  });

  test('contradicts itself nowhere: what is seen with the eyes explains the complaint or is said not to', () => {
    for (const own of CARS) {
      const seen = own.shows.filter(({ code, value }) => {
        const finding = KNOWLEDGE.findings.find((each) => each.code === code)!;
        return (
          'values' in finding &&
          finding.evidence.some((row) => row.value === value && row.sees === own.cause.code)
        );
      });
      expect(shownOf(own, 'explains').value).toBe(seen.length > 0 ? 'yes' : 'no');
    }
  });
});

describe('two hundred cars', () => {
  test('pull to the side of their fault, and show no danger that is none of it', () => {
    const sides = new Set<string>();
    for (const own of CARS) {
      const side = own.corner.endsWith('L') ? 'left' : 'right';
      const drags = String(shownOf(own, 'pull-coasting').value);
      if (drags !== 'no') expect(drags).toBe(side);
      const pulls = String(shownOf(own, 'pull').value);
      const isAway = ['stuck-pins', 'stuck-piston', 'stuck-pads', 'contaminated'].includes(
        own.cause.code,
      );
      if (pulls !== 'no') {
        expect(pulls === side).toBe(!isAway);
        sides.add(`${pulls} ${isAway}`);
      }
      for (const shown of own.shows) {
        const finding = KNOWLEDGE.findings.find(({ code }) => code === shown.code)!;
        if (finding.stage !== 'inspect' || advisesNoDrive([shown]) === null) continue;
        expect(weightOf(finding, shown.value, own.cause.code)).toBeGreaterThan(0);
      }
      const isOfVehicle = ['driveline', 'master-cylinder', 'air-knockback'].includes(
        own.cause.code,
      );
      expect(own.place).toBe(isOfVehicle ? null : own.corner);
    }
    expect(sides.size).toBe(4);
  });

  test('are cured by who follows the nose, and nobody is hurt', () => {
    const cars = CARS.slice(0, trials(CARS.length, 50));
    const results = cars.map((own) => {
      const way = noseWay(own);
      return judgeFind(own, way, way);
    });
    expect(results.filter(({ isHarm }) => isHarm)).toEqual([]);
    expect(results.filter(({ isRight }) => isRight).length / cars.length).toBeGreaterThanOrEqual(
      0.98,
    );
    const firstTry = results.filter(({ state }) => state.repairs.length === 1).length;
    expect(firstTry / cars.length).toBeGreaterThanOrEqual(0.9);
  });

  test('are not cured by who asks one question and renews what is usual, and every harm is seen', () => {
    const random = seededRandom(3);
    const results = CARS.map((own) => {
      const usual = KNOWLEDGE.causes
        .filter(({ axle }) => axle === null || axle === own.axle)
        .sort((p, q) => q.prior - p.prior)
        .slice(0, 4);
      const guess = usual[Math.floor(4 * random.uniform())]!.code;
      const actions = [check('felt'), drive, repair(guess), back];
      return judgeFind(own, actions, []);
    });
    expect(results.filter(({ state }) => state.isCured && !state.harm).length).toBeLessThan(100);
    // Nobody pumped the pedal: whoever was not stopped before that is stopped there.
    expect(results.every(({ isHarm }) => isHarm)).toBe(true);
    const asked = CARS.filter((own) =>
      own.shows.some(
        ({ code, value }) =>
          (code === 'pedal-feel' && ['soft', 'sinks'].includes(String(value))) ||
          (code === 'noise' && value === 'grind'),
      ),
    ).length;
    expect(results.filter(({ state }) => state.harm === 'not-asked')).toHaveLength(asked);
  });
});

describe('what is done at a car', () => {
  test('takes minutes and money; the wheel comes off once, and is on again after a repair', () => {
    const own = carWith('stuck-pins');
    const first = findState(own, [check('pins-check')]);
    const both = findState(own, [check('pins-check'), check('boot-check')]);
    expect(first.minutes).toBe(5 + KNOWLEDGE.wheelOffMinutes);
    expect(both.minutes - first.minutes).toBe(1);
    const done = findState(own, [check('pins-check'), repair('stuck-pins')]);
    expect(done).toMatchObject({ isCured: true, isPumped: false, isWheelOff: false });
    expect(done.money).toBeGreaterThan(0);
  });

  test('is proven by driving, with the pedal pumped first', () => {
    const own = carWith('stuck-pins');
    expect(judgeFind(own, [repair('stuck-pins'), drive])).toMatchObject({ isHarm: true });
    expect(judgeFind(own, [repair('stuck-pins'), back]).sentence).toMatch(
      /pedal that nobody pumped/,
    );
    expect(judgeFind(own, [repair('stuck-pins'), pedal, back])).toMatchObject({
      isRight: true,
      sentence: expect.stringMatching(/nobody drove or read it to see/),
    });
    expect(judgeFind(own, [repair('stuck-pins'), ...PROVEN])).toMatchObject({
      isRight: true,
      state: { isShown: true },
    });
  });

  test('is harm where it must not be driven, known or not asked', () => {
    const own = carWith('hub-runout', { code: 'noise', value: 'grind' });
    expect(judgeFind(own, [check('pedal-feel'), drive]).sentence).toMatch(/Ask how the pedal is/);
    expect(judgeFind(own, [check('noise'), check('pedal-feel'), check('recording')])).toMatchObject(
      {
        isHarm: true,
        state: { harm: 'danger', danger: 'metal is on metal' },
      },
    );
    // It is not given back either, asked or not, unless its fault is put right.
    expect(judgeFind(own, [check('noise'), back])).toMatchObject({
      isHarm: true,
      state: { harm: 'back-danger' },
      sentence: expect.stringMatching(/^It went back though it must not be driven/),
    });
    expect(judgeFind(own, [back])).toMatchObject({ isHarm: true });
    // Once its fault is put right nothing grinds any more.
    const cured = [check('noise'), repair('hub-runout'), ...PROVEN];
    expect(judgeFind(own, cured)).toMatchObject({ isRight: true });
  });

  test('tells what was for nothing, and which look would have told', () => {
    const own = carWith('rust-under-hat', { code: 'hub-look', value: 'rust' });
    const vain = judgeFind(own, [repair('hub-runout'), ...PROVEN]);
    expect(vain).toMatchObject({ isRight: false, said: { code: 'hub-runout' } });
    expect(vain.sentence).toMatch(/^It is not cured: it was rust or dirt .* would have told\.$/);
    expect(vain.cost).toBeGreaterThan(vain.state.money);
    const late = judgeFind(own, [
      ...[repair('hub-runout'), pedal, drive],
      ...[repair('rust-under-hat'), pedal, drive, back],
    ]);
    expect(late).toMatchObject({ isRight: true });
    expect(late.sentence).toMatch(/^Cured, and one repair was for nothing/);
    expect(judgeFind(own, [back]).sentence).toMatch(/^Nothing was put right/);
  });

  test('is worth what it moves the true cause', () => {
    const own = carWith('rust-under-hat', { code: 'hub-look', value: 'rust' });
    const steps = stepsOf(own, [check('hub-look'), repair('rust-under-hat'), ...PROVEN]);
    expect(steps[0]!.after).toBeGreaterThan(steps[0]!.before);
    expect(steps[1]!.after).toBe(steps[1]!.before);
  });

  test('asks nothing that an answer leaves nothing to ask of, and each thing once', () => {
    const own = carWith('hub-runout', { code: 'lately', value: 'nothing' });
    const left = checksLeft(own, findState(own, [check('lately'), check('felt')])).map(
      ({ code }) => code,
    );
    for (const gone of ['lately', 'felt', 'since', 'bedded', 'box-check', 'explains']) {
      expect(left).not.toContain(gone);
    }
  });

  test('the nose costs its minutes once, and names no repair that did not help', () => {
    const own = carWith('stuck-pins');
    const once = findState(own, [{ kind: 'nose', how: 'once' }]);
    expect(once).toMatchObject({ nose: 'once', minutes: 10 });
    expect(findState(own, [{ kind: 'nose', how: 'once' }, check('felt')]).nose).toBe('off');
    expect(findState(own, [{ kind: 'nose', how: 'on' }, check('felt')]).nose).toBe('on');
    const tried = findState(own, [repair('hub-runout'), pedal, drive]);
    expect(tried).toMatchObject({ drive: 'there', isCured: false });
    const causes = noseAt(own, tried).causes.map(({ code }) => code);
    expect(causes).not.toContain('hub-runout');
    // A worn bearing is put right by the same part.
    const of = (code: string) => KNOWLEDGE.causes.find((each) => each.code === code)!;
    expect(doesCure(of('hub-runout'), of('bearing-play'))).toBe(true);
    expect(doesCure(of('hub-runout'), of('stuck-pins'))).toBe(false);
  });

  test('a figure is weighed as it is read', () => {
    const finding = KNOWLEDGE.findings.find(({ code }) => code === 'runout')!;
    const shown = { code: 'runout', value: 1.4321, isDoubted: false };
    expect(asRecorded(finding, shown).value).toBe(1.4);
    expect(asRecorded(finding, { ...shown, value: 0.01 }).value).toBe(0.1);
  });
});
