import 'server-only';
import { idSchema, sheetFormSchema, sheetTakeSchema } from '../../core/contracts';
import { isUnnamed, vehicleName } from '../../core/job';
import { CALIPERS, TRAITS } from '../../core/procedure';
import {
  compareWithSheets,
  isSameValue,
  sheetKeyText,
  SHEET_CODES,
  sameName,
  sourceWhenGiven,
  sheetsChosen,
  sheetsOf,
  type Compared,
  type Comparison,
  type OwnFigure,
  type Sheet,
  type SheetChoice,
  type SheetCode,
  type SheetFigure,
  type SheetKey,
  type SheetUnits,
  type SheetValue,
} from '../../core/sheets';
import { FASTENER_CODES, FASTENERS, type FastenerCode } from '../../core/torque';
import { fieldUnit, lengthUnitOf, torqueUnit, type UnitSystem } from '../../core/units';
import type { AxlePosition } from '../../core/readings';
import type { Database } from '../../db/client';
import {
  dropSheet,
  dropSheetFigures,
  findSheet,
  findSheetsOf,
  findVehicle,
  lockOpenJobsOf,
  lockRoom,
  modelsSaying,
  pageOfSheets,
  nameTorqueFigures,
  saveSheets,
  saveTorqueFigure,
  sayToLedger,
  torqueFiguresOf,
  torqueKeyOf,
  updateSheetKey,
  updateVehicle,
  type AxleRow,
  type NewAxle,
  type NewLimit,
  type SheetLine,
  type SheetRow,
  type TorqueFigureRow,
  type VehicleFile,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { shopUnits } from './settings';
import { mergeIn } from './sheetsExchange';

const GONE = 'This vehicle is not on file any more.';
const NO_SHEET = 'This sheet is not on file any more.';

/** The units that bare figures of a form are in. */
export const unitsOfForm = (units: UnitSystem): SheetUnits => ({
  length: (role) => fieldUnit(units, role),
  torque: torqueUnit(units),
});

const words = (text: string): SheetValue => ({ text, unit: '', value: null });
const mass = (kg: number | null): SheetValue | null =>
  kg === null ? null : { text: String(kg), unit: 'kg', value: kg };

/** What an axle is built like: nothing where nobody said so. */
function builtOf(axle: AxleRow, code: SheetCode): SheetValue | null {
  if (code === 'pistons') return axle.pistons === null ? null : words(String(axle.pistons));
  if (code === 'rotorKg') return mass(axle.rotorKg);
  if (!axle.isFasteningSaid) return null;
  switch (code) {
    case 'fastening':
      return words(axle.fastening);
    case 'studs':
      return words(String(axle.studs));
    case 'places':
      // Some places and not others: no sheet says that.
      if ((axle.allowedShifts ?? []).length > 1) return null;
      return words(axle.allowedShifts ? 'as-found' : 'any');
    case 'caliper':
      return words(axle.caliper);
    case 'traits':
      return words(TRAITS.filter((trait) => axle.traits.includes(trait)).join(' ') || 'none');
    default:
      return null;
  }
}

const fastenerIn = (code: SheetCode): FastenerCode | null =>
  FASTENER_CODES.find((each) => code === `torque.${each}`) ?? null;

/** What stands on a vehicle, as a sheet would say it. */
function standingOn(vehicle: VehicleFile, torque: readonly TorqueFigureRow[]): OwnFigure {
  return (position, code) => {
    if (code === 'massKg') return mass(vehicle.massKg);
    const fastener = fastenerIn(code);
    if (fastener) {
      const own = torque.find((each) => each.axle === position && each.fastener === fastener);
      return own ? { text: own.text, unit: own.unit, value: own.valueNm } : null;
    }
    const axle = vehicle.axles.find((each) => each.position === position);
    if (!axle) return null;
    const limit = axle.limits.find(({ kind }) => kind === code);
    return limit
      ? { text: limit.text, unit: limit.unit, value: limit.valueUm }
      : builtOf(axle, code);
  };
}

interface OfVehicle extends Comparison {
  readonly count: number;
}

async function compared(
  db: Database,
  vehicle: VehicleFile,
  chosen: SheetChoice | null = null,
): Promise<OfVehicle> {
  const all = await findSheetsOf(db, vehicle);
  const sheets = chosen ? sheetsChosen(all, chosen) : sheetsOf(all, vehicle);
  const torque = await torqueFiguresOf(db, torqueKeyOf(vehicle));
  return { ...compareWithSheets(sheets, standingOn(vehicle, torque)), count: sheets.length };
}

/** A vehicle held against the sheets of its model; null where there is no such vehicle. */
export async function sheetsOfVehicle(id: string): Promise<OfVehicle | null> {
  if (!idSchema.safeParse(id).success) return null;
  const db = await database();
  const vehicle = await findVehicle(db, id);
  return vehicle ? compared(db, vehicle) : null;
}

const textOf = (taken: readonly Compared[], code: SheetCode): string | undefined =>
  taken.find((each) => each.code === code)?.sheet.text;

/** An axle with what a sheet gives it. */
function withSheet(axle: AxleRow, taken: readonly Compared[]): NewAxle {
  const { id: _, vehicleId: _vehicle, limits, ...own } = axle;
  const [fastening, studs, places, caliper, pistons, traits] = (
    ['fastening', 'studs', 'places', 'caliper', 'pistons', 'traits'] as const
  ).map((code) => textOf(taken, code));
  const rotor = taken.find(({ code }) => code === 'rotorKg')?.sheet.value;
  const fresh = taken.flatMap(({ code, sheet }): NewLimit[] => {
    const kind = code as NewLimit['kind'];
    const unit = lengthUnitOf(sheet.unit);
    return sheet.value !== null && unit !== null
      ? [
          {
            kind,
            valueUm: sheet.value,
            text: sheet.text,
            unit: sheet.unit,
            source: sourceWhenGiven(sheet.source),
          },
        ]
      : [];
  });
  return {
    ...own,
    ...(fastening && { fastening: fastening === 'bolts' ? 'bolts' : 'studs' }),
    ...(studs && { studs: Number(studs), isFasteningSaid: true }),
    ...(places && { allowedShifts: places === 'as-found' ? [0] : null }),
    ...(caliper && { caliper: CALIPERS.find((each) => each === caliper) ?? 'floating' }),
    ...(pistons && { pistons: Number(pistons) }),
    ...(traits && { traits: traits === 'none' ? [] : traits.split(' ') }),
    ...(rotor !== undefined && { rotorKg: rotor }),
    limits: [
      ...limits.map(({ id: _id, axleId: _axle, by: _by, at: _at, ...each }) => each),
      ...fresh,
    ],
  };
}

/** Writes on a vehicle what it lacks and the sheets of its model say; how many figures those were. */
export async function takeFromSheets(
  tx: Database,
  vehicleId: string,
  by: string | null,
  chosen: SheetChoice | null = null,
): Promise<number> {
  const vehicle = await findVehicle(tx, vehicleId);
  if (!vehicle) return 0;
  const { missing } = await compared(tx, vehicle, chosen);
  if (missing.length === 0) return 0;
  await sayToLedger(tx, { reason: 'from the model’s sheet' });
  const heavy = missing.find(({ code }) => code === 'massKg')?.sheet.value;
  const axles = vehicle.axles.map((axle) =>
    withSheet(
      axle,
      missing.filter((each) => each.axle === axle.position),
    ),
  );
  const { id: _, createdAt: _at, ...own } = vehicle;
  await updateVehicle(tx, vehicleId, { ...own, ...(heavy && { massKg: heavy }), axles }, by);
  for (const { axle, code, sheet } of missing) {
    const fastener = fastenerIn(code);
    if (!fastener || sheet.value === null) continue;
    const stages = FASTENERS.find((each) => each.code === fastener)?.stages ?? [1];
    await saveTorqueFigure(tx, {
      ...torqueKeyOf(vehicle),
      ...{ axle, fastener, valueNm: sheet.value, text: sheet.text, unit: sheet.unit },
      ...{ stages: [...stages], source: sourceWhenGiven(sheet.source), by },
    });
  }
  return missing.length;
}

/** What years and brakes of sheets say of one vehicle: its year only where they are of one. */
const saidBy = ({ yearFrom, yearTo, variant }: Omit<SheetChoice, 'make' | 'model'>) => ({
  variant,
  ...(yearFrom !== 0 && yearFrom === yearTo && { year: yearFrom }),
});

/**
 * Says of which model a vehicle is, where that is not said yet, and gives it what it lacks from the
 * model's sheets; nothing that stands is written over. Answers with how many figures it was given.
 */
export const takeSheet = (input: unknown, by: string | null): Promise<Answer<number>> =>
  inTransaction(async (tx) => {
    const parsed = sheetTakeSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const { vehicleId, make, model, of } = parsed.data;
    // Whoever changes the vehicle, and the jobs that are judged by it, wait meanwhile.
    await lockRoom(tx, { of: 'vehicle', id: vehicleId });
    await lockOpenJobsOf(tx, vehicleId);
    const vehicle = await findVehicle(tx, vehicleId);
    if (!vehicle) return refuse(GONE);
    if (!isUnnamed(vehicle) && !(sameName(vehicle.make, make) && sameName(vehicle.model, model))) {
      return refuse(`It is on file as ${vehicleName(vehicle)}: that is changed on its own page.`);
    }
    if (isUnnamed(vehicle)) {
      const { id: _, createdAt: _at, axles, ...own } = vehicle;
      const named = { ...own, make, model, ...(of && saidBy(of)) };
      await nameTorqueFigures(tx, vehicle, named);
      await updateVehicle(
        tx,
        vehicleId,
        { ...named, axles: axles.map((axle) => withSheet(axle, [])) },
        by,
      );
    }
    return accept(await takeFromSheets(tx, vehicleId, by, of ? { make, model, ...of } : null));
  });

/** One page of the sheets, by make and model, and whether there are more. */
export const sheetsPage = async (
  page: number,
): Promise<{ readonly sheets: readonly SheetLine[]; readonly isMore: boolean }> => {
  const found = await pageOfSheets(await database(), { size: SHEETS_A_PAGE, number: page });
  return { sheets: found.slice(0, SHEETS_A_PAGE), isMore: found.length > SHEETS_A_PAGE };
};
const SHEETS_A_PAGE = 50;

/** The models whose sheets say how a wheel of an axle is held on, by name. */
export const modelsThatSayFastening = async (axle: AxlePosition): Promise<SheetChoice[]> =>
  modelsSaying(await database(), axle, ['fastening', 'studs']);

/** One sheet; null where there is none. */
export const sheetOf = async (id: string): Promise<SheetRow | null> =>
  idSchema.safeParse(id).success ? findSheet(await database(), id) : null;

const isOf = (key: SheetKey) => (sheet: SheetKey) => sheetKeyText(sheet) === sheetKeyText(key);

/** Writes a sheet, new when `id` is null; a figure that is emptied is taken off it. Returns its id. */
export const saveSheet = (
  id: string | null,
  input: unknown,
  by: string | null,
): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const parsed = sheetFormSchema(unitsOfForm(await shopUnits())).safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const { key, figures } = parsed.data;
    const same = (await findSheetsOf(tx, key)).find(isOf(key));
    if (same && same.id !== id) {
      const message = 'There is a sheet of this model, years, axle, brakes and wheels already.';
      return refuse(message, { model: message });
    }
    const before = id === null ? null : await findSheet(tx, id);
    if (id !== null && !before) return refuse(NO_SHEET);
    const own = changed(before?.figures ?? [], figures);
    if (before) await updateSheetKey(tx, before.id, key);
    await saveSheets(tx, [{ ...key, figures: own }], by);
    const sheetId = before?.id ?? (await findSheetsOf(tx, key)).find(isOf(key))?.id;
    if (!sheetId) throw new Error('The sheet was not written');
    const gone = (before?.figures ?? []).filter(
      ({ code }) => !figures.some((each) => each.code === code),
    );
    await dropSheetFigures(
      tx,
      sheetId,
      gone.map(({ code }) => code),
    );
    return accept(sheetId);
  });

/** The figures that say otherwise than those that stand: who entered the others stays. */
const changed = (before: readonly SheetFigure[], after: readonly SheetFigure[]): SheetFigure[] =>
  after.filter((figure) => {
    const own = before.find(({ code }) => code === figure.code);
    return !own || !isSameValue(own, figure) || own.source !== figure.source;
  });

/** Takes a sheet off file; vehicles keep what they were given. */
export const removeSheet = (id: string): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    if (!(await findSheet(tx, id))) return refuse(NO_SHEET);
    await dropSheet(tx, id);
    return accept(id);
  });

/** The sources that a build stands under: nobody says where a stud count is from. */
const AS_BUILT = 'other';

/** What stands under a fastener that goes by what the wheels are made of. */
const OF_WHEEL: SheetCode = 'torque.wheel-nuts';

/**
 * What a vehicle says, as sheets of its model: of its own year, brakes and both axles; the torque of
 * its wheels on a sheet of their own where it is known what they are made of.
 */
function sheetsFrom(vehicle: VehicleFile, torque: readonly TorqueFigureRow[]): Sheet[] {
  const own = standingOn(vehicle, torque);
  const { make, model, variant, wheel } = vehicle;
  return vehicle.axles.flatMap((axle) => {
    const figures = SHEET_CODES.flatMap((code): SheetFigure[] => {
      const value = own(axle.position, code);
      if (value === null || (code === 'massKg' && axle.position === 'rear')) return [];
      const fastener = fastenerIn(code);
      const source =
        axle.limits.find(({ kind }) => kind === code)?.source ??
        torque.find((each) => each.axle === axle.position && each.fastener === fastener)?.source ??
        AS_BUILT;
      return [{ ...value, code, source }];
    });
    const key = {
      ...{ make, model, variant, axle: axle.position },
      ...{ yearFrom: vehicle.year ?? 0, yearTo: vehicle.year ?? 0 },
    };
    const isOfWheel = ({ code }: SheetFigure): boolean => wheel !== null && code === OF_WHEEL;
    return [
      { ...key, wheel: '' as const, figures: figures.filter((each) => !isOfWheel(each)) },
      ...(wheel ? [{ ...key, wheel, figures: figures.filter(isOfWheel) }] : []),
    ].filter((sheet) => sheet.figures.length > 0);
  });
}

/**
 * Makes sheets of a vehicle's figures, or gives its model's sheets what they lack; what they say
 * otherwise stays. Answers with how many figures were added.
 */
export const makeSheets = (vehicleId: string, by: string | null): Promise<Answer<number>> =>
  inTransaction(async (tx) => {
    const vehicle = await findVehicle(tx, vehicleId);
    if (!vehicle) return refuse(GONE);
    if (isUnnamed(vehicle)) return refuse('Write its make and model first.');
    const torque = await torqueFiguresOf(tx, torqueKeyOf(vehicle));
    return accept(await mergeIn(tx, sheetsFrom(vehicle, torque), { take: [], by }));
  });
