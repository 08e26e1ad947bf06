import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { findCaseOf, judgeFind, noseWay, readCode } from '@/core/practice';
import { KNOWLEDGE } from '@/core/contracts';
import { keepCase, lookAtCase, practiceOfShop } from '@/server/practice/practice';
import { closeDatabase, database } from '@/server/database';
import { findPersonByName, type PersonRow } from '@/db/repositories';
import { addPerson, removePerson } from '@/server/shop/people';
import { numbered, sendWrites } from '../support/writes';
import { known } from './known';
import { useRecords } from './demo';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-practice-'));
const ids = { lead: '', wren: '', oto: '' };

beforeAll(async () => {
  await useRecords(folder);
  ids.lead = known(await addPerson({ name: 'Ines', role: 'lead' }));
  ids.wren = known(await addPerson({ name: 'Wren', role: 'apprentice' }));
  ids.oto = known(await addPerson({ name: 'Oto', role: 'technician' }));
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

const person = async (name: string): Promise<PersonRow> =>
  (await findPersonByName(await database(), name))!;
const send = async (name: string, input: object, by: string | null) =>
  (await sendWrites([numbered(name, input, by === null ? {} : { by })]))[0]!;

/** A car as its page hands it in: worked by who follows the nose. */
function endedCar(code: string, more: object = {}) {
  const own = findCaseOf(readCode(code)!, KNOWLEDGE);
  const actions = noseWay(own);
  const { isRight, isHarm, minutes, best } = judgeFind(own, actions);
  const outcome = {
    ...{ code, at: Date.now(), who: 'somebody', isRight, isHarm, minutes, best },
    ...{ missed: [], errorUm: null, cause: own.cause.code, saidCause: own.cause.code },
    ...more,
  };
  const steps = actions.map((input, i) => ({ id: String(i), name: 'practice-find', input }));
  return {
    ...{ id: crypto.randomUUID(), code },
    steps: [...steps, { id: 'done', name: 'practice-done', input: outcome }],
  };
}

test('a case is kept under the name of who worked it, once, and by nobody else’s', async () => {
  const ended = endedCar('FB-00007');
  expect(await send('practice-case', ended, null)).toMatchObject({
    state: 'refused',
    message: expect.stringMatching(/^Say who you are first/) as string,
  });
  expect(await send('practice-case', ended, ids.wren)).toMatchObject({ state: 'done' });
  expect(await send('practice-case', ended, ids.wren)).toMatchObject({ state: 'done' });
  const wren = await person('Wren');
  const { own, shop } = await practiceOfShop(wren);
  expect(own).toEqual([
    expect.objectContaining({ id: ended.id, code: 'FB-00007', who: 'Wren', isRight: true }),
  ]);
  expect(shop).toBeNull();
  // Who it is of sees it, and a lead; others do not.
  expect(await lookAtCase(ended.id, wren)).toMatchObject({ person: 'Wren', steps: ended.steps });
  expect(await lookAtCase(ended.id, await person('Ines'))).toMatchObject({ person: 'Wren' });
  expect(await lookAtCase(ended.id, await person('Oto'))).toBeNull();
  expect(await lookAtCase(ended.id, null)).toBeNull();
  expect(await lookAtCase('nonsense', wren)).toBeNull();
});

test('another program of the shop practises nothing: its key is refused in words, not in trouble', async () => {
  const program: PersonRow = {
    ...{ id: crypto.randomUUID(), name: 'Scales (program)', role: 'lead' },
    ...{ initials: '', isHere: true },
  };
  expect(await keepCase(endedCar('FB-00007'), program)).toMatchObject({ ok: false });
  expect((await practiceOfShop(program)).own).toEqual([]);
});

test('what is no case is refused at its field', async () => {
  const refused = async (input: object) => {
    const answer = await send('practice-case', input, ids.wren);
    expect(answer.state).toBe('refused');
    return 'fields' in answer ? Object.keys(answer.fields) : [];
  };
  expect(await refused({ ...endedCar('FB-00007'), code: 'no code' })).toContain('code');
  expect(await refused(endedCar('FB-00007', { at: 1e30 }))).toContain('steps');
  // One that nobody ended, and one whose end is of another case.
  const { steps, ...begun } = endedCar('FB-00007');
  expect(await refused({ ...begun, steps: steps.slice(0, -1) })).toContain('steps');
  expect(await refused({ ...begun, code: 'FB-00009', steps })).toContain('steps');
  expect(await refused({ ...endedCar('FB-00007'), steps: 'all of them' })).toContain('steps');
});

test('a lead sets a case for somebody, who finds it until it is worked; a lead then sees the way', async () => {
  const task = { id: crypto.randomUUID(), personId: ids.oto, code: 'fb 0000B', note: 'Ask first.' };
  expect(await send('practice-task', task, ids.wren)).toMatchObject({ state: 'refused' });
  expect(await send('practice-task', { ...task, code: 'x' }, ids.lead)).toMatchObject({
    state: 'refused',
    fields: { code: expect.stringMatching(/^A code is/) as string },
  });
  expect(await send('practice-task', task, ids.lead)).toMatchObject({ state: 'done' });
  const oto = await person('Oto');
  expect((await practiceOfShop(oto)).tasks).toEqual([
    expect.objectContaining({ code: 'FB-0000B', by: 'Ines', note: 'Ask first.', doneBy: null }),
  ]);
  expect((await practiceOfShop(await person('Wren'))).tasks).toEqual([]);
  const ended = endedCar('FB-0000B');
  await send('practice-case', ended, ids.oto);
  expect((await practiceOfShop(oto)).tasks).toEqual([]);
  const { shop } = await practiceOfShop(await person('Ines'));
  expect(shop?.tasks).toEqual([expect.objectContaining({ person: 'Oto', doneBy: ended.id })]);
  expect(shop?.cases.map(({ who }) => who).sort()).toEqual(['Oto', 'Wren']);
  expect(shop?.people.map(({ name }) => name)).toEqual(['Ines', 'Oto', 'Wren']);
});

test('what is set can be taken back; for somebody who left nothing is set', async () => {
  const task = { id: crypto.randomUUID(), personId: ids.oto, code: 'RD-00003', note: '' };
  await send('practice-task', task, ids.lead);
  const oto = await person('Oto');
  expect((await practiceOfShop(oto)).tasks).toHaveLength(1);
  expect(await send('practice-task-back', { id: task.id }, ids.oto)).toMatchObject({
    state: 'refused',
  });
  expect(await send('practice-task-back', { id: task.id }, ids.lead)).toMatchObject({
    state: 'done',
  });
  expect((await practiceOfShop(oto)).tasks).toEqual([]);
  // That it was set stays, with who took it back; once.
  const { shop } = await practiceOfShop(await person('Ines'));
  expect(shop?.tasks.at(-1)).toMatchObject({ id: task.id, by: 'Ines', takenBackBy: 'Ines' });
  expect(await send('practice-task-back', { id: task.id }, ids.lead)).toMatchObject({
    state: 'refused',
  });
  known(await removePerson(ids.oto));
  const late = { ...task, id: crypto.randomUUID() };
  expect(await send('practice-task', late, ids.lead)).toMatchObject({
    state: 'refused',
    fields: { personId: expect.any(String) as string },
  });
});
