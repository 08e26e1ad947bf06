import { z } from 'zod';
import { LIMIT_SOURCES } from '../../assessment';
import { CALIPERS, TRAITS } from '../../procedure';
import { rollingDiameter } from '../../roadtest';
import { isModelYear, LIMIT_FIELDS, wrongBuild, wrongOrder, type LimitField } from '../../sheets';
import { threadDiameter } from '../../torque';
import { fieldUnit, type UnitSystem } from '../../units';
import { filledLine, typedLength } from './common';

export { LIMIT_FIELDS, type LimitField };

const sourceSchema = z.enum(LIMIT_SOURCES);

/** One figure: text as typed, and where it comes from. */
const figure = (field: (typeof LIMIT_FIELDS)[number], units: UnitSystem) =>
  z.strictObject({
    length: typedLength(field.of, fieldUnit(units, field.role)),
    source: sourceSchema,
  });

/** A mass in kg between bounds, or empty. */
const massSchema = (low: number, high: number, name: string) =>
  z
    .string()
    .trim()
    .max(10)
    .default('')
    .transform((text) => (text === '' ? null : Number(text.replace(',', '.'))))
    .refine(
      (mass) => mass === null || (mass >= low && mass <= high),
      `Write the mass of ${name} in kg, ${low} to ${high}, or leave it empty.`,
    );

/** A thread like M12x1.5 or 1/2-20, or empty. */
const threadSchema = z
  .string()
  .trim()
  .max(20)
  .default('')
  .transform((text) => (text === '' ? null : text))
  .refine(
    (text) => text === null || threadDiameter(text) !== null,
    'Write the thread like M12x1.5 or 1/2-20, or leave it empty.',
  );

const axleSchema = (units: UnitSystem) => {
  const [nominal, machineTo, discard, runout, dtv, radius, piston, ...ofDrum] = LIMIT_FIELDS;
  const [drumNominal, drumMachineTo, drumDiscard, drumRound] = ofDrum;
  const none = { length: null, source: 'maker' as const };
  return z
    .strictObject({
      fastening: z.enum(['studs', 'bolts']),
      studs: z.coerce.number<string | number>().int().min(3, 'At least 3.').max(10, 'At most 10.'),
      /**
       * "any": a plain slip-on rotor; "as-found": a screw or pin allows one place only; "some":
       * the places that `shifts` names.
       */
      places: z.enum(['any', 'as-found', 'some']),
      /** Stud spacings from the mark, in the order they come under the probe, beside 0. */
      shifts: z
        .array(z.coerce.number<string | number>().int().min(0).max(9))
        .default([])
        .transform((shifts) => [...new Set([0, ...shifts])].sort((p, q) => p - q)),
      /** Thread of its wheel nuts or bolts, or empty. */
      thread: threadSchema,
      caliper: z.enum(CALIPERS).default('floating'),
      /** Pistons of one caliper, or empty. */
      pistons: z
        .enum(['', '1', '2', '3', '4', '6', '8'])
        .default('')
        .transform((count) => (count === '' ? null : Number(count))),
      traits: z.array(z.enum(TRAITS)).default([]),
      /** Mass of one rotor in kg, or empty. */
      rotorKg: massSchema(1, 60, 'a rotor'),
      limits: z.strictObject({
        nominal: figure(nominal, units),
        machineTo: figure(machineTo, units),
        discard: figure(discard, units),
        runout: figure(runout, units),
        dtv: figure(dtv, units),
        radius: figure(radius, units),
        piston: figure(piston, units).default(none),
        drumNominal: figure(drumNominal, units).default(none),
        drumMachineTo: figure(drumMachineTo, units).default(none),
        drumDiscard: figure(drumDiscard, units).default(none),
        drumRound: figure(drumRound, units).default(none),
      }),
    })
    .superRefine(({ limits, traits, caliper, places, shifts, studs }, context) => {
      if (places === 'some' && shifts.length < 2) {
        const message = 'Tick where else it goes on, or choose “in one place only”.';
        context.addIssue({ code: 'custom', message, path: ['places'] });
      }
      if (places === 'some' && shifts.some((shift) => shift >= studs)) {
        const message = `With ${studs} there are places 0 to ${studs - 1}.`;
        context.addIssue({ code: 'custom', message, path: ['places'] });
      }
      for (const { what, message } of wrongBuild({ traits, places, caliper })) {
        context.addIssue({ code: 'custom', message, path: [what] });
      }
      for (const { kind, message } of wrongOrder((each) => limits[each].length?.value)) {
        context.addIssue({ code: 'custom', message, path: ['limits', kind, 'length'] });
      }
    });
};

/** A tyre code, or empty. */
export const tyreSchema = z
  .string()
  .trim()
  .max(20)
  .refine(
    (text) => text === '' || rollingDiameter(text) !== null,
    'Write the tyre like 215/65R16, or leave it empty.',
  )
  .transform((text) => (text === '' ? null : text.toUpperCase()));

/** Turns of the propshaft in one turn of the wheels, or empty. */
export const finalDriveSchema = z
  .string()
  .trim()
  .max(10)
  .transform((text) => (text === '' ? null : Number(text.replace(',', '.'))))
  .refine(
    (ratio) => ratio === null || (ratio >= 1.5 && ratio <= 8),
    'Write the ratio like 3.73, or leave it empty.',
  );

/** A vehicle as the form sends it; lengths are read in the shop's units. */
export const vehicleFormSchema = (units: UnitSystem) =>
  z.strictObject({
    plate: filledLine('plate', 20),
    make: z.string().trim().max(60, 'At most 60 characters.').default(''),
    model: z.string().trim().max(60, 'At most 60 characters.').default(''),
    tyre: tyreSchema.default(null),
    finalDrive: finalDriveSchema.default(null),
    brakeByWire: z.boolean().default(false),
    /** Model year, driven wheels, brake variant: torque figures are kept by them. */
    year: z
      .string()
      .trim()
      .default('')
      .transform((text) => (text === '' ? null : Number(text)))
      .refine(
        (year) => year === null || isModelYear(year),
        'Write the year like 2019, or leave it empty.',
      ),
    drive: z
      .enum(['', 'front', 'rear', 'all'])
      .default('')
      .transform((drive) => (drive === '' ? null : drive)),
    variant: z.string().trim().max(60, 'At most 60 characters.').default(''),
    wheel: z
      .enum(['', 'steel', 'alloy'])
      .default('')
      .transform((wheel) => (wheel === '' ? null : wheel)),
    massKg: massSchema(300, 40_000, 'the vehicle'),
    front: axleSchema(units),
    rear: axleSchema(units),
    /** Why figures are changed that an open job is judged by. */
    why: z.string().trim().max(300, 'At most 300 characters.').default(''),
  });

export type VehicleForm = z.input<ReturnType<typeof vehicleFormSchema>>;
export type VehicleData = z.output<ReturnType<typeof vehicleFormSchema>>;
export type AxleForm = VehicleForm['front'];
export type AxleData = VehicleData['front'];

/** Who brings a vehicle and how they are reached; both empty erases what stands. */
export const ownerFormSchema = z.strictObject({
  vehicleId: z.uuid(),
  name: z.string().trim().max(80, 'At most 80 characters.'),
  reach: z.string().trim().max(120, 'At most 120 characters.'),
});
export type OwnerForm = z.input<typeof ownerFormSchema>;
