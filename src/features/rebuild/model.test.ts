import { figureOf, pullAmiss, readPull, sayTime, stageName, starState } from './model';

test('a wheel is counted through its three stages', () => {
  expect(starState(5, 0)).toMatchObject({ next: { nut: 0, stage: 0 }, of: 15, stage: 0 });
  expect(starState(5, 4).inStage).toEqual([0, 2, 4, 1]);
  expect(starState(5, 5)).toMatchObject({ next: { nut: 0, stage: 1 }, inStage: [], stage: 1 });
  expect(starState(5, 15)).toMatchObject({ next: null, stage: 2 });
});

test('stages are named with their figure where there is one', () => {
  expect(stageName(0, 120, 'N·m')).toBe('40 %, 48 N·m');
  expect(stageName(0, null, 'N·m')).toBe('40 %');
  expect(stageName(2, 120, 'lb·ft')).toBe('check at full torque, 89 lb·ft');
});

test('a wrench that types: a figure, nothing, or something that is none', () => {
  expect(readPull('120', 'N·m')).toEqual({ ok: true, nm: 120 });
  expect(readPull('', 'N·m')).toEqual({ ok: true, nm: null });
  expect(readPull('tight', 'N·m')).toMatchObject({ ok: false });
});

test('a pull far from the figure is pointed out, but not while only snug', () => {
  expect(pullAmiss(120, 120, 1)).toBeNull();
  expect(pullAmiss(90, 120, 0)).toBeNull();
  expect(pullAmiss(null, 120, 2)).toBeNull();
  expect(pullAmiss(90, 120, 2)).toMatch(/25 % under/);
  expect(pullAmiss(150, 120, 1)).toMatch(/25 % over/);
});

test('figures take a comma and keep their bounds', () => {
  expect(figureOf('6,5', 1, 60)).toBe(6.5);
  expect(figureOf('-5', -40, 55)).toBe(-5);
  expect(figureOf('70', 1, 60)).toBeNull();
  expect(figureOf('', 1, 60)).toBeNull();
  expect(figureOf('1e3', 1, 6000)).toBeNull();
});

test('a time counts down to nothing', () => {
  expect([59.2, 60, 0, -3].map(sayTime)).toEqual(['1:00', '1:00', '0:00', '0:00']);
});
