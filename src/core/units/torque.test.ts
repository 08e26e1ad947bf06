import { formatTorque, fromNewtonMetres, parseTorque, torqueUnitOf } from './index';

test.each([
  ['110', 'N·m', 110],
  ['110 Nm', 'N·m', 110],
  ['81 lb ft', 'lb·ft', 109.8212538],
  ['81 ft-lb', 'lb·ft', 109.8212538],
  ['81 lb·ft', 'lb·ft', 109.8212538],
  ['11,2 kgm', 'kgf·m', 109.83448],
  ['11.2 kgf·m', 'kgf·m', 109.83448],
] as const)('%s is read', (text, unit, newtonMetres) => {
  const parsed = parseTorque(text, 'N·m');
  expect(parsed.ok && parsed.torque.unit).toBe(unit);
  expect(parsed.ok && (parsed.torque.value as number)).toBeCloseTo(newtonMetres, 5);
});

test('a bare number takes the unit of its field, and the text stays as typed', () => {
  expect(parseTorque('80', 'lb·ft')).toMatchObject({
    torque: { unit: 'lb·ft', text: '80' },
  });
});

test.each(['', 'tight', '-5', '0', '110 bar', '9999', '1.2.3'])('"%s" is refused', (text) => {
  expect(parseTorque(text, 'N·m')).toMatchObject({ ok: false });
});

test('shown in any unit with sensible digits', () => {
  expect(formatTorque(110, 'N·m')).toBe('110 N·m');
  expect(formatTorque(8, 'N·m')).toBe('8.0 N·m');
  expect(formatTorque(110, 'lb·ft')).toBe('81 lb·ft');
  expect(formatTorque(110, 'kgf·m')).toBe('11.22 kgf·m');
  expect(fromNewtonMetres(1.3558179483314004, 'lb·ft')).toBe(1);
});

test('what is no torque unit is none', () => {
  expect(torqueUnitOf('bar')).toBeNull();
  expect(torqueUnitOf('Newton metres')).toBe('N·m');
});
