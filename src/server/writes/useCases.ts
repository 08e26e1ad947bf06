import 'server-only';
import { z } from 'zod';
import { ASK_PASSWORD } from '../../core/access';
import { addLapSchema, CHECK_KINDS, idSchema } from '../../core/contracts';
import { refuseRole, roleForCheck, type Role } from '../../core/job';
import { listPeople, type PersonRow } from '../../db/repositories';
import { refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { decide, decidePair, undecide } from '../decide/decisions';
import { recordCheck } from '../job/checks';
import { changeComplaint, openJob } from '../job/jobs';
import { removeGauge, writeGauge } from '../measure/gauges';
import { importSets } from '../measure/exchange';
import {
  addLap,
  beginSet,
  noteDetails,
  saveReading,
  saveSweep,
  setAside,
  takeBack,
} from '../measure/sets';
import { changeKnowledge, recordFinding, weighFinding } from '../nose/nose';
import { leaveNose } from '../practice/car';
import { dropTask, keepCase, setTask } from '../practice/practice';
import { beginCheck, plateCheck, sayFastening, sayLimit } from '../quick/quickCheck';
import { endRecheck, setRecheck } from '../prove/rechecks';
import { saveProgramme } from '../rebuild/bedding';
import { keepBleedOrder, keepTorqueFigure } from '../rebuild/torque';
import { keepRoadTest, keepTyre, takeRoadTestBack } from '../roadtest/roadTests';
import { keepOwner } from '../shop/owners';
import { makeSheets, removeSheet, saveSheet, takeSheet } from '../shop/sheets';
import { bringSheets } from '../shop/sheetsExchange';
import { addPerson, changePerson, removePerson } from '../shop/people';
import { chooseRule } from '../shop/rules';
import { choosePositions, chooseTorque, chooseUnits } from '../shop/settings';
import { saveShop } from '../shop/shop';
import { saveVehicle } from '../shop/vehicles';
import { addToRecord, answerTakenBack, signOff } from '../signoff/signOff';
import { allSound, copyPlan, takeSoundBack } from '../strip/looks';
import { keepPhoto, takePhotoBack } from '../strip/photos';
import { changePart, dropPart, putBack, takeOffPart } from '../strip/tray';

/** What a use case is asked with, beside its input. */
export interface Asked {
  readonly who: PersonRow | null;
  /** What the same device was answered with when it last wrote at this place. */
  readonly last: unknown;
  /** Whether a lead gave the password a moment ago; undefined where nobody signs in. */
  readonly isSure?: boolean;
}

/** A use case as a device may ask for it. */
export type UseCase = (input: unknown, asked: Asked) => Promise<Answer<unknown>>;

/** A use case and who may ask for it. */
interface Guarded {
  readonly may: Role | ((input: unknown) => Role);
  readonly run: UseCase;
}

const apprentice = (run: UseCase): Guarded => ({ may: 'apprentice', run });
const technician = (run: UseCase): Guarded => ({ may: 'technician', run });
const lead = (run: UseCase): Guarded => ({ may: 'lead', run });

const nameOf = ({ who }: Asked): string | null => who?.name ?? null;

/** A use case whose input is parsed by a schema first. */
const parsedBy =
  <Schema extends z.ZodType>(
    schema: Schema,
    run: (input: z.output<Schema>, asked: Asked) => Promise<Answer<unknown>>,
  ): UseCase =>
  async (input, asked) => {
    const parsed = schema.safeParse(input);
    return parsed.success ? run(parsed.data, asked) : refuseParse(parsed.error);
  };

const checkKind = z.looseObject({ kind: z.enum(CHECK_KINDS) });
const lastText = z.object({ text: z.string().nullable() });
const lastStamp = z.object({ stamp: z.string().nullable() });
const corner = z.strictObject({ jobId: idSchema, corner: z.string() });
const form = z.strictObject({ id: idSchema.nullable(), form: z.unknown() });
const ofJob = z.strictObject({ jobId: idSchema, form: z.unknown() });
const onlyId = z.strictObject({ id: idSchema });
const oneOfJob = z.strictObject({ jobId: idSchema, id: idSchema });

/** Who may write a check: by its kind, read before the rest is. */
const roleOfCheck = (input: unknown): Role => {
  const kind = checkKind.safeParse(input).data?.kind;
  return kind ? roleForCheck(kind) : 'apprentice';
};

/** Everything that can be written, by name: whatever comes in comes by one of these. */
const USE_CASES = {
  job: apprentice(openJob),
  'check-begin': apprentice((input, { who }) => beginCheck(input, who)),
  'check-plate': apprentice((input, { who }) => plateCheck(input, who)),
  owner: technician(keepOwner),
  fastening: apprentice(sayFastening),
  limit: apprentice((input, { who }) => sayLimit(input, who)),
  complaint: apprentice(parsedBy(ofJob, ({ jobId, form: typed }) => changeComplaint(jobId, typed))),
  finding: apprentice((input, { who }) => recordFinding(input, who)),
  'finding-aside': apprentice(weighFinding),
  'road-test': apprentice(keepRoadTest),
  'road-test-back': technician(parsedBy(oneOfJob, ({ jobId, id }) => takeRoadTestBack(jobId, id))),
  tyre: apprentice(parsedBy(ofJob, ({ jobId, form: typed }) => keepTyre(jobId, typed))),
  check: {
    may: roleOfCheck,
    run: (input, asked) =>
      recordCheck(input, asked.who, lastStamp.safeParse(asked.last).data?.stamp),
  },
  'looks-sound': apprentice(
    parsedBy(corner, ({ jobId, corner: place }, asked) => allSound(jobId, place, nameOf(asked))),
  ),
  'looks-back': apprentice(
    parsedBy(z.strictObject({ jobId: idSchema, stamps: z.unknown() }), ({ jobId, stamps }) =>
      takeSoundBack(jobId, stamps),
    ),
  ),
  'plan-copy': apprentice(
    parsedBy(corner, ({ jobId, corner: place }, asked) => copyPlan(jobId, place, nameOf(asked))),
  ),
  'part-off': apprentice((input, asked) => takeOffPart(input, nameOf(asked))),
  'part-change': apprentice(changePart),
  'part-drop': technician(parsedBy(onlyId, ({ id }) => dropPart(id))),
  'part-back': apprentice(
    parsedBy(z.strictObject({ id: idSchema, isBack: z.boolean() }), ({ id, isBack }, asked) =>
      putBack(id, isBack, nameOf(asked)),
    ),
  ),
  photo: apprentice(
    parsedBy(
      z.strictObject({
        jobId: z.unknown(),
        corner: z.unknown(),
        partId: z.unknown(),
        caption: z.unknown(),
        picture: z.base64(),
        thumb: z.base64(),
      }),
      ({ picture, thumb, ...photo }, asked) =>
        keepPhoto(
          photo,
          new Uint8Array(Buffer.from(picture, 'base64')),
          new Uint8Array(Buffer.from(thumb, 'base64')),
          nameOf(asked),
        ),
    ),
  ),
  'photo-back': technician(parsedBy(oneOfJob, ({ jobId, id }) => takePhotoBack(jobId, id))),
  'set-begin': apprentice(beginSet),
  'set-lap': apprentice(parsedBy(addLapSchema, ({ setId, has }) => addLap(setId, has))),
  'set-sweep': apprentice(saveSweep),
  'set-aside': technician((input, { who }) => setAside(input, who)),
  'set-take-back': technician(
    parsedBy(z.strictObject({ setId: idSchema }), ({ setId }) => takeBack(setId)),
  ),
  'set-details': apprentice(noteDetails),
  'sets-import': apprentice(importSets),
  reading: apprentice((input, { last }) => saveReading(input, lastText.safeParse(last).data?.text)),
  decide: technician(decide),
  'decide-pair': technician(decidePair),
  undecide: technician(undecide),
  'torque-figure': technician((input, { who }) => keepTorqueFigure(input, who)),
  'bleed-order': technician(keepBleedOrder),
  programme: technician(
    parsedBy(
      z.strictObject({ school: z.string(), programme: z.unknown() }),
      ({ school, programme }) => saveProgramme(school, programme),
    ),
  ),
  recheck: technician((input, { who }) => setRecheck(input, who)),
  'recheck-end': technician(
    parsedBy(z.strictObject({ id: idSchema, isDone: z.boolean() }), ({ id, isDone }, { who }) =>
      endRecheck(id, isDone, who),
    ),
  ),
  'sign-off': lead((input, { who }) => signOff(input, who)),
  'taken-back': lead((input, { who }) => answerTakenBack(input, who)),
  addition: technician((input, { who }) => addToRecord(input, who)),
  vehicle: {
    // A new one is put on file by whoever takes it in.
    may: (input) => (form.safeParse(input).data?.id === null ? 'apprentice' : 'technician'),
    run: parsedBy(form, ({ id, form: typed }, asked) => saveVehicle(id, typed, nameOf(asked))),
  },
  sheet: lead(parsedBy(form, ({ id, form: typed }, asked) => saveSheet(id, typed, nameOf(asked)))),
  'sheet-drop': lead(parsedBy(onlyId, ({ id }) => removeSheet(id))),
  'sheets-in': lead((input, asked) => bringSheets(input, nameOf(asked))),
  'sheet-from': lead(parsedBy(onlyId, ({ id }, asked) => makeSheets(id, nameOf(asked)))),
  'sheet-take': technician((input, asked) => takeSheet(input, nameOf(asked))),
  gauge: technician(writeGauge),
  'gauge-retire': technician(parsedBy(onlyId, ({ id }) => removeGauge(id))),
  person: lead(addPerson),
  'person-change': lead(parsedBy(form, ({ id, form: typed }) => changePerson(id ?? '', typed))),
  'person-remove': lead(parsedBy(onlyId, ({ id }) => removePerson(id))),
  prices: lead(saveShop),
  rule: lead(
    parsedBy(
      z.strictObject({ rule: z.string(), choice: z.string().nullable() }),
      ({ rule, choice }) => chooseRule(rule, choice),
    ),
  ),
  knowledge: lead(changeKnowledge),
  'practice-case': apprentice((input, { who }) => keepCase(input, who)),
  'practice-task': lead((input, { who }) => setTask(input, who)),
  'practice-task-back': lead(parsedBy(onlyId, ({ id }, { who }) => dropTask(id, who))),
  'practice-nose': apprentice(leaveNose),
  units: apprentice(chooseUnits),
  'torque-unit': apprentice(chooseTorque),
  positions: technician(choosePositions),
} as const satisfies Readonly<Record<string, Guarded>>;

export type UseCaseName = keyof typeof USE_CASES;

/** The names of everything that can be written. */
export const USE_CASE_NAMES = Object.keys(USE_CASES) as readonly UseCaseName[];

/**
 * Where nobody who is here is a lead, whoever comes first may put people on file: somebody has to
 * be the first.
 */
const isFirstPerson = async (name: string): Promise<boolean> =>
  name === 'person' && !(await listPeople(await database())).some(({ role }) => role === 'lead');

/** Who may ask a use case with an input: that role, and those above it. */
export function roleFor(name: UseCaseName, input: unknown): Role {
  const own: Guarded = USE_CASES[name];
  return typeof own.may === 'string' ? own.may : own.may(input);
}

/** Asks a use case by its name, where who asks for it may: what is not named here nobody may. */
export async function askUseCase(
  name: string,
  input: unknown,
  asked: Asked,
): Promise<Answer<unknown>> {
  const known = USE_CASE_NAMES.find((each) => each === name);
  if (!known) return refuse('This program does not know what that is. Load the page again.');
  const own: Guarded = USE_CASES[known];
  const may = roleFor(known, input);
  const why = refuseRole(asked.who, may);
  const isFirst = asked.isSure === undefined && (await isFirstPerson(name));
  if (why !== null && !isFirst) return refuse(why);
  if (may === 'lead' && asked.isSure === false) return refuse(ASK_PASSWORD, {}, 'password');
  return own.run(input, asked);
}
