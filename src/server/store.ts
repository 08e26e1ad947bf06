import { AsyncLocalStorage } from 'node:async_hooks';

/** The records that work is about: the shop's, or those of practice, which lie in a folder of their own. */
export type Store = 'shop' | 'practice';

/** The server of a process says by which door a request came; one for all copies of this module. */
const own = globalThis as typeof globalThis & { zestyHoundStore?: AsyncLocalStorage<Store> };
const store = (own.zestyHoundStore ??= new AsyncLocalStorage<Store>());

/** The records that are asked just now: the shop's, wherever nobody said otherwise. */
export const currentStore = (): Store => store.getStore() ?? 'shop';

/** Whether what is under way came by the door of practice: then no record of the shop is touched. */
export const isPractice = (): boolean => currentStore() === 'practice';

/** Does something with the records of practice, or with the shop's, whatever is under way. */
export const withStore = <Value>(which: Store, work: () => Value): Value => store.run(which, work);
