import 'server-only';
import { z } from 'zod';
import { addLapSchema, idSchema } from '../../core/contracts';
import type { PersonRow } from '../../db/repositories';
import { refuse, refuseParse, type Answer } from '../answer';
import { decide, decidePair, undecide } from '../decide/decisions';
import { recordCheck } from '../job/checks';
import { changeComplaint, openJob } from '../job/jobs';
import { removeGauge, writeGauge } from '../measure/gauges';
import { importSets } from '../measure/exchange';
import { addLap, beginSet, noteDetails, saveReading, setAside, takeBack } from '../measure/sets';
import { changeKnowledge, recordFinding, weighFinding } from '../nose/nose';
import { endRecheck, setRecheck } from '../prove/rechecks';
import { saveProgramme } from '../rebuild/bedding';
import { keepBleedOrder, keepTorqueFigure } from '../rebuild/torque';
import { keepRoadTest, keepTyre, takeRoadTestBack } from '../roadtest/roadTests';
import { addPerson, changePerson, removePerson } from '../shop/people';
import { chooseRule } from '../shop/rules';
import { choosePositions, chooseTorque, chooseUnits } from '../shop/settings';
import { saveShop } from '../shop/shop';
import { saveVehicle } from '../shop/vehicles';
import { addToRecord, signOff } from '../signoff/signOff';
import { allSound, copyPlan, takeSoundBack } from '../strip/looks';
import { keepPhoto, takePhotoBack } from '../strip/photos';
import { changePart, dropPart, putBack, takeOffPart } from '../strip/tray';

/** What a use case is asked with, beside its input. */
export interface Asked {
  readonly who: PersonRow | null;
  /** What the same device was answered with when it last wrote at this place. */
  readonly last: unknown;
}

/** A use case as a device may ask for it. */
export type UseCase = (input: unknown, asked: Asked) => Promise<Answer<unknown>>;

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

const lastText = z.object({ text: z.string().nullable() });
const lastStamp = z.object({ stamp: z.string().nullable() });
const corner = z.strictObject({ jobId: idSchema, corner: z.string() });
const form = z.strictObject({ id: idSchema.nullable(), form: z.unknown() });
const ofJob = z.strictObject({ jobId: idSchema, form: z.unknown() });
const onlyId = z.strictObject({ id: idSchema });
const oneOfJob = z.strictObject({ jobId: idSchema, id: idSchema });

/** Everything that can be written, by name: whatever comes in comes by one of these. */
const USE_CASES = {
  job: openJob,
  complaint: parsedBy(ofJob, ({ jobId, form: typed }) => changeComplaint(jobId, typed)),
  finding: recordFinding,
  'finding-aside': weighFinding,
  'road-test': keepRoadTest,
  'road-test-back': parsedBy(oneOfJob, ({ jobId, id }) => takeRoadTestBack(jobId, id)),
  tyre: parsedBy(ofJob, ({ jobId, form: typed }) => keepTyre(jobId, typed)),
  check: (input, asked) =>
    recordCheck(input, nameOf(asked), lastStamp.safeParse(asked.last).data?.stamp),
  'looks-sound': parsedBy(corner, ({ jobId, corner: place }, asked) =>
    allSound(jobId, place, nameOf(asked)),
  ),
  'looks-back': parsedBy(
    z.strictObject({ jobId: idSchema, stamps: z.unknown() }),
    ({ jobId, stamps }) => takeSoundBack(jobId, stamps),
  ),
  'plan-copy': parsedBy(corner, ({ jobId, corner: place }, asked) =>
    copyPlan(jobId, place, nameOf(asked)),
  ),
  'part-off': (input, asked) => takeOffPart(input, nameOf(asked)),
  'part-change': changePart,
  'part-drop': parsedBy(onlyId, ({ id }) => dropPart(id)),
  'part-back': parsedBy(
    z.strictObject({ id: idSchema, isBack: z.boolean() }),
    ({ id, isBack }, asked) => putBack(id, isBack, nameOf(asked)),
  ),
  photo: parsedBy(
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
  'photo-back': parsedBy(oneOfJob, ({ jobId, id }) => takePhotoBack(jobId, id)),
  'set-begin': beginSet,
  'set-lap': parsedBy(addLapSchema, ({ setId, has }) => addLap(setId, has)),
  'set-aside': setAside,
  'set-take-back': parsedBy(z.strictObject({ setId: idSchema }), ({ setId }) => takeBack(setId)),
  'set-details': noteDetails,
  'sets-import': importSets,
  reading: (input, { last }) => saveReading(input, lastText.safeParse(last).data?.text),
  decide,
  'decide-pair': decidePair,
  undecide,
  'torque-figure': (input, { who }) => keepTorqueFigure(input, who),
  'bleed-order': keepBleedOrder,
  programme: parsedBy(
    z.strictObject({ school: z.string(), programme: z.unknown() }),
    ({ school, programme }) => saveProgramme(school, programme),
  ),
  recheck: (input, { who }) => setRecheck(input, who),
  'recheck-end': parsedBy(
    z.strictObject({ id: idSchema, isDone: z.boolean() }),
    ({ id, isDone }, { who }) => endRecheck(id, isDone, who),
  ),
  'sign-off': (input, { who }) => signOff(input, who),
  addition: (input, { who }) => addToRecord(input, who),
  vehicle: parsedBy(form, ({ id, form: typed }, asked) => saveVehicle(id, typed, nameOf(asked))),
  gauge: writeGauge,
  'gauge-retire': parsedBy(onlyId, ({ id }) => removeGauge(id)),
  person: addPerson,
  'person-change': parsedBy(form, ({ id, form: typed }) => changePerson(id ?? '', typed)),
  'person-remove': parsedBy(onlyId, ({ id }) => removePerson(id)),
  prices: saveShop,
  rule: parsedBy(
    z.strictObject({ rule: z.string(), choice: z.string().nullable() }),
    ({ rule, choice }) => chooseRule(rule, choice),
  ),
  knowledge: changeKnowledge,
  units: chooseUnits,
  'torque-unit': chooseTorque,
  positions: choosePositions,
} as const satisfies Readonly<Record<string, UseCase>>;

export type UseCaseName = keyof typeof USE_CASES;

/** The names of everything that can be written. */
export const USE_CASE_NAMES = Object.keys(USE_CASES) as readonly UseCaseName[];

/** Asks a use case by its name. */
export function askUseCase(name: string, input: unknown, asked: Asked): Promise<Answer<unknown>> {
  const own: UseCase | undefined = Object.hasOwn(USE_CASES, name)
    ? USE_CASES[name as UseCaseName]
    : undefined;
  return own
    ? own(input, asked)
    : Promise.resolve(refuse('This program does not know what that is. Load the page again.'));
}
