import { vehicleFormSchema } from '@/core/contracts';
import { SOURCE_CHOICES } from '@/core/assessment';
import { vehicleForm } from './model';

const limit = (kind: string, text: string, unit: string) => ({
  kind,
  text,
  unit,
  source: 'stamped' as const,
});
const stored = {
  plate: 'SK-1',
  make: 'Pellick',
  model: 'Tern',
  axles: [
    {
      position: 'front' as const,
      fastening: 'bolts' as const,
      studs: 4,
      allowedShifts: [0],
      caliper: 'floating' as const,
      pistons: 1,
      traits: ['wear-sensor'],
      limits: [limit('discard', '1.0236', 'in'), limit('runout', '2 thou', 'thou')],
    },
  ],
};

test('a new vehicle has an empty form with the usual hub', () => {
  const form = vehicleForm(null);
  expect(form).toMatchObject({ plate: '', front: { studs: 5, fastening: 'studs', places: 'any' } });
  expect(Object.values(form.rear.limits).every(({ length }) => length === '')).toBe(true);
});

test('a figure comes back with the unit it was typed in', () => {
  const { front } = vehicleForm(stored);
  expect(front).toMatchObject({ fastening: 'bolts', studs: 4, places: 'as-found' });
  expect(front.limits.discard).toEqual({ length: '1.0236 in', source: 'stamped' });
  expect(front.limits.runout.length).toBe('2 thou');
});

test('what is shown reads back to the same value in either system', () => {
  const form = vehicleForm(stored);
  for (const units of ['mm', 'thou'] as const) {
    const parsed = vehicleFormSchema(units).parse(form);
    expect(parsed.front.limits.discard.length?.value).toBeCloseTo(1.0236 * 25_400, 6);
    expect(parsed.front.limits.runout.length?.value).toBeCloseTo(50.8, 9);
    expect(parsed.front.limits.nominal.length).toBeNull();
  }
});

test('every source has a short word and its whole name', () => {
  expect(SOURCE_CHOICES.map(({ value }) => value)).toEqual([
    'maker',
    'stamped',
    'workshop',
    'other',
  ]);
  for (const { label, title } of SOURCE_CHOICES) expect(title.length).toBeGreaterThan(label.length);
});
