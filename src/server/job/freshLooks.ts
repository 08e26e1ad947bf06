import 'server-only';

/** Somebody who takes back at once what they pressed has slipped; after this, in ms, they had seen it. */
const SLIP_MS = 30_000;
/** More looks than are ever written in that time: the oldest are forgotten. */
const MOST = 1000;

/** Who found something and when, by the process’s own clock, which nobody sets. */
interface Found {
  readonly by: string | null;
  readonly at: number;
}

/** What was found by a look of a stamp, by its codes; what another process wrote is not here. */
const store = globalThis as typeof globalThis & {
  zestyHoundLooks?: Map<string, ReadonlyMap<string, Found>>;
};
const looks = (store.zestyHoundLooks ??= new Map<string, ReadonlyMap<string, Found>>());

/** A look was written over another: what that one found already is as old as it was. */
export function noteLook(
  look: { readonly stamp: string; readonly found: readonly string[]; readonly by: string | null },
  before: { readonly stamp: string; readonly value: readonly string[] } | undefined,
): void {
  const earlier = before && looks.get(before.stamp);
  const now = { by: look.by, at: performance.now() };
  const found = new Map<string, Found>();
  for (const code of look.found) {
    const since = before?.value.includes(code) ? earlier?.get(code) : now;
    if (since) found.set(code, since);
  }
  looks.set(look.stamp, found);
  const [oldest] = looks.keys();
  if (looks.size > MOST && oldest !== undefined) looks.delete(oldest);
}

/** Whether somebody found all of this at a look a moment ago: it may have been a slip of the finger. */
export function isSlip(stamp: string, codes: readonly string[], by: string | null): boolean {
  const found = looks.get(stamp);
  return codes.every((code) => {
    const since = found?.get(code);
    return since !== undefined && since.by === by && performance.now() - since.at < SLIP_MS;
  });
}
