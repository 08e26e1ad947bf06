import { sayDrawnUp } from '.';

test.each([
  ['bracket-bolts', 105, 0, 'N·m', '105 N·m'],
  ['bracket-bolts', 105, 30, 'N·m', '105 N·m + 30°'],
  ['pin-bolts', 32, 0, 'lb·ft', '24 lb·ft'],
  // Left at its seating torque a bearing runs hot: the bare figure is never said.
  ['bearing-nut', 30, 0, 'N·m', 'seat, back off'],
] as const)('%s, %d N·m and %d° in few words', (code, torque, angle, unit, said) => {
  expect(sayDrawnUp(code, torque, angle, unit)).toBe(said);
  // There is room for sixteen letters beside a part: no figure is cut off.
  expect(said.length).toBeLessThanOrEqual(16);
});
