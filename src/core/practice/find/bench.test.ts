import { recordingFinding } from '../../assessment';
import { KNOWLEDGE } from '../../contracts';
import { readLogText, solveRoadTest } from '../../roadtest';
import { drawCars } from '../../../../tests/support/cars';
import { trials } from '../../../../tests/support/trials';
import {
  driveOf,
  carParts,
  checkAtPart,
  checksLeft,
  findState,
  laterOf,
  partsSeen,
  readMinutes,
  shownOf,
  truthShares,
  type FindAction,
  type FindCase,
} from '.';
import { seededRandom } from '../../numeric';
import { carCorner } from './carCorner';
import { judgeFind } from './judgeFind';
import { cornerAfter } from './repaired';

const CARS = drawCars(120, 77_773);
const shares = (own: FindCase, ...codes: string[]): number[] =>
  codes.map((code) => Number(shownOf(own, code).value));

test('a car’s gauges and its findings tell one corner', () => {
  for (const own of CARS) {
    const truth = truthShares(own.bench);
    expect(shares(own, 'runout', 'hub-share', 'rotor-share', 'thickness-variation')).toEqual([
      truth.runout,
      truth.hub,
      truth.rotor,
      truth.variation,
    ]);
    const tilt = own.bench.faults.dirt ?? own.bench.faults.nuts;
    expect(tilt !== undefined).toBe(['rust-under-hat', 'nut-torque'].includes(own.cause.code));
    // Hub, rotor and tilt together make no more than the sum of them, with what the nuts and the saddle add.
    const [pull = 0] = shares(own, 'nut-pull');
    const most = truth.hub + truth.rotor + (2 * (tilt?.amplitude ?? 0)) / 50 + pull;
    expect(truth.runout).toBeLessThanOrEqual(most + 0.06);
  }
});

test('runout is as it was drawn where hub and rotor allow it; dirt and nuts make up the rest', () => {
  const own = {
    runout: 1.6,
    hub: 1.2,
    rotor: 0.6,
    variation: 0.3,
    nutPull: 0,
    isThinAtHigh: false,
  };
  expect(truthShares(carCorner(own, null, seededRandom(1))).runout).toBeCloseTo(1.6, 1);
  for (const tilt of ['dirt', 'nuts'] as const) {
    const made = carCorner({ ...own, hub: 0.2, rotor: 0.3 }, tilt, seededRandom(2));
    expect(truthShares(made).runout).toBeGreaterThan(1.45);
    expect(truthShares({ ...made, faults: {} }).runout).toBeLessThan(0.6);
  }
});

test('variation is worn in by the runout that is there, where that could have', () => {
  const own = { runout: 2, hub: 1.8, rotor: 0.2, variation: 1.2, nutPull: 0, isThinAtHigh: false };
  const worn = carCorner(own, null, seededRandom(3));
  expect(worn.wornKm).toBeGreaterThan(3000);
  expect(worn.wornKm).toBeLessThan(20_000);
  expect(truthShares(worn).variation).toBeCloseTo(1.2, 1);
  // Runout of 50 µm never reaches a pad so far; more variation took longer.
  expect(carCorner({ ...own, runout: 1, hub: 0.8 }, null, seededRandom(3)).wornKm).toBeNull();
  const more = carCorner({ ...own, variation: 1.8 }, null, seededRandom(3));
  expect(more.wornKm).toBeGreaterThan(worn.wornKm!);
  for (const car of CARS) {
    if (car.bench.wornKm === null) continue;
    expect(shownOf(car, 'thin-at-high').value).toBe('yes');
    const since = String(shownOf(car, 'since').value);
    expect(since === 'longer').toBe(car.bench.wornKm >= 10_000);
  }
});

test('what a recording of a car reads is what the car has', () => {
  for (const own of CARS.slice(0, trials(CARS.length, 15))) {
    const { csv, diameter } = driveOf(own);
    const result = solveRoadTest({ recording: readLogText(csv), diameter });
    expect([own.code, recordingFinding(result)?.value]).toEqual([
      own.code,
      shownOf(own, 'recording').value,
    ]);
  }
});

describe('what is read at a car', () => {
  const [own] = CARS as [FindCase];
  const read = (...codes: readonly string[]): FindAction => ({
    kind: 'read',
    found: codes.map((code) => ({ code, value: shownOf(own, code).value })),
  });
  const minutesOf = (code: string): number =>
    KNOWLEDGE.findings.find((each) => each.code === code)!.minutes;

  test('is weighed as read, takes its minutes once, and the wheel off', () => {
    const state = findState(own, [read('runout', 'nut-pull')]);
    expect(state.found.map(({ code }) => code)).toEqual(['runout', 'nut-pull']);
    // What the same lap tells beside it takes no minutes of its own.
    expect(state.minutes).toBe(KNOWLEDGE.wheelOffMinutes + minutesOf('runout'));
    expect(state.isWheelOff).toBe(true);
    const again = findState(own, [
      read('runout'),
      { kind: 'read', found: [{ code: 'runout', value: 3.33 }] },
    ]);
    expect(again.found).toEqual([{ code: 'runout', value: 3.33 }]);
    expect(again.minutes).toBe(state.minutes);
    const shared = [
      { code: 'hub-share', value: 1 },
      { code: 'rotor-share', value: 0.2 },
    ];
    expect(readMinutes(own, state, shared)).toBe(minutesOf('hub-share'));
  });
});

describe('what is read after a repair', () => {
  /** The corner as gauges tell it. */
  const readOf = (own: FindCase, repairs: FindCase['cause'][]) => {
    const { runout, variation } = truthShares(cornerAfter(own, repairs));
    return [
      { code: 'runout', value: runout },
      { code: 'thickness-variation', value: variation },
    ];
  };
  const isBeyond = (own: FindCase, repairs: FindCase['cause'][]): boolean =>
    readOf(own, repairs).some(({ value }) => value > 1);
  const atCorner = CARS.filter((own) => isBeyond(own, []));

  test('the right one brings within what was beyond with it, on every car', () => {
    expect(atCorner.length).toBeGreaterThan(20);
    const still = atCorner.filter((own) => isBeyond(own, [own.cause]));
    // Runout that has nothing to do with the fault stays.
    expect(still.map(({ cause }) => cause.code).filter((code) => code !== 'air-knockback')).toEqual(
      [],
    );
  });
  test('one that does nothing at the rotor changes nothing there', () => {
    const fluid = KNOWLEDGE.causes.find(({ code }) => code === 'air-knockback')!;
    for (const own of atCorner.filter(({ cause }) => cause !== fluid)) {
      expect(readOf(own, [fluid])).toEqual(readOf(own, []));
    }
  });
  test('shows the fault gone where it was beyond, takes its minutes anew, and the nose still weighs what was found', () => {
    const own = atCorner.find(({ cause }) => cause.code === 'hub-runout')!;
    const wrong = KNOWLEDGE.causes.find(({ code }) => code === 'heat-damage')!;
    const repair = ({ code }: FindCase['cause']): FindAction => ({ kind: 'repair', code });
    const before: FindAction = { kind: 'read', found: [readOf(own, [])[0]!] };
    const vain: FindAction[] = [before, repair(wrong)];
    const again = (...repairs: FindCase['cause'][]): FindAction => ({
      kind: 'reread',
      found: [readOf(own, repairs)[0]!],
    });
    const inVain = findState(own, [...vain, again(wrong)]);
    expect(inVain).toMatchObject({ isShown: false, found: before.found });
    expect(inVain.readAfter).toHaveLength(1);
    const right = [...vain, again(wrong), repair(own.cause)];
    expect(findState(own, right).readAfter).toEqual([]);
    const shown = findState(own, [...right, again(wrong, own.cause)]);
    expect(shown).toMatchObject({ isShown: true, isPumped: false, drive: null });
    expect(shown.minutes - findState(own, right).minutes).toBe(
      KNOWLEDGE.wheelOffMinutes + KNOWLEDGE.findings.find(({ code }) => code === 'runout')!.minutes,
    );
    const end: FindAction[] = [...right, again(wrong, own.cause), { kind: 'pedal' }];
    const { isRight, sentence } = judgeFind(own, [...end, { kind: 'back' }]);
    expect(isRight).toBe(true);
    expect(sentence).toMatch(/one repair was for nothing/);
  });
});

test('a fault that is put right leaves what else is there: a new rotor on a hub that runs out comes back', () => {
  const bench = carCorner(
    { runout: 2, hub: 1.9, rotor: 0.3, variation: 1.5, nutPull: 0, isThinAtHigh: true },
    null,
    seededRandom(4),
  );
  const known = (code: string) => KNOWLEDGE.causes.find((each) => each.code === code)!;
  const car = (cause: string): FindCase => ({ ...CARS[0]!, bench, cause: known(cause) });
  expect(laterOf(car('dtv-front'), { repairs: [] })).toMatchObject({ km: 0, why: 'variation' });
  const renewed = laterOf(car('heat-damage'), { repairs: [known('heat-damage')] });
  expect(renewed).toMatchObject({ why: 'variation' });
  expect(renewed!.km).toBeGreaterThan(2000);
  expect(laterOf(car('hub-runout'), { repairs: [known('hub-runout')] })).toBeNull();
});

test('a part of the drawing leads to its check, and shows what was seen at it', () => {
  const [own] = CARS as [FindCase];
  const car: FindCase = {
    ...own,
    shows: own.shows.map((each) =>
      each.code === 'pins-check' ? { ...each, value: 'stuck' } : each,
    ),
  };
  const drawn = carParts(car);
  const pin = drawn.parts.find(({ looks }) => looks.includes('pins'))!;
  const before = findState(car, []);
  expect(partsSeen(drawn, before)[pin.code]).toEqual({ kind: 'open', word: 'not looked at' });
  expect(checkAtPart(pin, drawn, checksLeft(car, before))?.code).toBe('pins-check');
  const after = findState(car, [{ kind: 'check', code: 'pins-check' }]);
  expect(partsSeen(drawn, after)[pin.code]).toMatchObject({ word: 'Stuck' });
  expect(checkAtPart(pin, drawn, checksLeft(car, after))?.code).not.toBe('pins-check');
});
