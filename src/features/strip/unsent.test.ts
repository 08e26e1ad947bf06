import type { CheckChange } from './model';
import { unsentChanges, type Store } from './unsent';

function memory(): Store & { readonly held: Map<string, string> } {
  const held = new Map<string, string>();
  return {
    held,
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, value) => void held.set(key, value),
    removeItem: (key) => void held.delete(key),
  };
}
const change = (item: string, value: unknown = []): CheckChange => ({
  ...{ kind: 'look', place: 'FL', item },
  ...{ value, note: null },
});

test('what was not answered is taken up once, in its order, by its own job', () => {
  const store = memory();
  const unsent = unsentChanges(store, 'a');
  for (const item of ['hose', 'pins', 'hose']) unsent.keep(change(item));
  unsent.forget(change('hose'));
  expect(unsentChanges(store, 'b').take()).toEqual([]);
  expect(
    unsentChanges(store, 'a')
      .take()
      .map(({ item }) => item),
  ).toEqual(['pins', 'hose']);
  expect(unsent.take()).toEqual([]);
  expect(store.held.size).toBe(0);
});

test('a store that is damaged, full or forbidden loses only the taking up', () => {
  const store = memory();
  store.setItem('zh-unsent-a', '{not json');
  expect(unsentChanges(store, 'a').take()).toEqual([]);
  store.setItem('zh-unsent-a', '5');
  expect(unsentChanges(store, 'a').take()).toEqual([]);
  const full: Store = {
    getItem: () => null,
    setItem: () => {
      throw new Error('full');
    },
    removeItem: () => undefined,
  };
  expect(() => unsentChanges(full, 'a').keep(change('hose'))).not.toThrow();
  unsentChanges(store, 'a').forget(change('never kept'));
});
