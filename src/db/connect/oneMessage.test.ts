import { PGlite } from '@electric-sql/pglite';
import { askInOneMessage } from './oneMessage';

jest.setTimeout(120_000);

/** How often an engine is asked from now on. */
function countOf(engine: PGlite): { asked: number } {
  const count = { asked: 0 };
  const send = engine.execProtocolStream.bind(engine);
  engine.execProtocolStream = (message, options) => {
    count.asked += 1;
    return send(message, options);
  };
  return count;
}

const TABLE =
  'create table reading (id int primary key, word text, at timestamptz, many text[], whole jsonb, sure boolean, bytes bytea, size float8)';
const PUT =
  'insert into reading values ($1, $2, $3, $4, $5, $6, $7, $8) returning word, at, many, whole, sure, bytes, size';
const row = (id: number): unknown[] => [
  id,
  null,
  new Date(Date.UTC(2030, 0, id)),
  ['one, two', '"three"', 'ü'],
  { kept: [id, null, 'x'] },
  id % 2 === 0,
  new Uint8Array([0, id, 255]),
  id / 3,
];

let engine: PGlite;
let plain: PGlite;
let count: { asked: number };
beforeAll(async () => {
  [engine, plain] = await Promise.all([PGlite.create(), PGlite.create()]);
  count = countOf(engine);
  askInOneMessage(engine);
  for (const each of [engine, plain]) await each.exec(TABLE);
});
afterAll(async () => {
  await Promise.all([engine.close(), plain.close()]);
});
beforeEach(async () => {
  for (const each of [engine, plain]) await each.exec('delete from reading');
  count.asked = 0;
});

test('a question is asked twice the first time, once from then on, and six times by the driver alone', async () => {
  const text = 'select id, word from reading where id > $1';
  await engine.query(text, [1]);
  expect(count.asked).toBe(2);
  await engine.query(text, [2]);
  expect(count.asked).toBe(3);
  const driver = countOf(plain);
  await plain.query(text, [1]);
  expect(driver.asked).toBe(6);
});

test.each([1, 2, 3])('values of every type go and come as by the driver alone (%i)', async (id) => {
  const answers = [];
  for (const each of [engine, plain]) {
    const put = await each.query(PUT, row(id), { rowMode: 'array' });
    const none = await each.query('select * from reading where id = $1', [99]);
    const changed = await each.query('update reading set word = $1', ['new']);
    answers.push([put, none, changed]);
  }
  expect(answers[0]).toEqual(answers[1]);
});

test('what is refused is refused as by the driver alone, and the next question is answered', async () => {
  for (const each of [engine, plain]) {
    await each.query(PUT, row(1));
    await expect(each.query(PUT, row(1))).rejects.toMatchObject({ code: '23505' });
    await expect(each.query('select nothing from nowhere')).rejects.toMatchObject({
      code: '42P01',
    });
    await expect(each.query('select 1 / $1::int', [0])).rejects.toMatchObject({ code: '22012' });
    expect((await each.query('select id from reading')).rows).toEqual([{ id: 1 }]);
  }
});

test('a transaction that fails is undone whole, one that does not is kept', async () => {
  const failing = engine.transaction(async (tx) => {
    await tx.query(PUT, row(1));
    await tx.query(PUT, row(1));
  });
  await expect(failing).rejects.toMatchObject({ code: '23505' });
  await engine.transaction(async (tx) => {
    await tx.query(PUT, row(2));
    await tx.exec('savepoint here');
    await expect(tx.query(PUT, row(2))).rejects.toMatchObject({ code: '23505' });
    await tx.exec('rollback to savepoint here');
    await tx.query(PUT, row(3));
  });
  expect((await engine.query('select id from reading order by id')).rows).toEqual([
    { id: 2 },
    { id: 3 },
  ]);
});

test.each(['exec', 'query'] as const)(
  'a column that takes another type is asked for anew (%s)',
  async (way) => {
    await engine.exec('drop table if exists kept; create table kept (value text)');
    const put = 'insert into kept values ($1) returning value';
    await engine.query(put, ['text']);
    await engine[way]('alter table kept alter value type jsonb using to_jsonb(value)');
    expect((await engine.query(put, [{ of: 'json' }])).rows).toEqual([{ value: { of: 'json' } }]);
  },
);

test('questions that are asked at once are answered each by its own', async () => {
  const asked = Array.from({ length: 40 }, (_, i) =>
    engine.query<{ sum: number }>(`select $1::int + ${i % 7} as sum`, [i]),
  );
  const answers = await Promise.all(asked);
  expect(answers.map(({ rows }) => rows[0]!.sum)).toEqual(
    Array.from({ length: 40 }, (_, i) => i + (i % 7)),
  );
});

test('no more than two hundred statements are kept ready, and one that was let go is asked as before', async () => {
  const texts = Array.from({ length: 260 }, (_, i) => `select $1::int + ${i} as sum`);
  for (const text of [...texts, texts[0]!]) await engine.query(text, [1]);
  const kept = 'select count(*)::int as kept from pg_prepared_statements';
  await engine.query(kept);
  expect((await engine.query<{ kept: number }>(kept)).rows[0]!.kept).toBeLessThanOrEqual(201);
  expect((await engine.query(texts[259]!, [1])).rows).toEqual([{ sum: 260 }]);
  expect((await engine.query(texts[0]!, [1])).rows).toEqual([{ sum: 1 }]);
});

test('what is told on a channel is heard', async () => {
  const heard: string[] = [];
  await engine.listen('news', (payload) => heard.push(payload));
  await engine.query('select pg_notify($1, $2)', ['news', 'first']);
  await engine.query('select pg_notify($1, $2)', ['news', 'second']);
  await new Promise(setImmediate);
  expect(heard).toEqual(['first', 'second']);
});
