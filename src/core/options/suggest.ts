import type { Extra } from './shop';

/** What a look found amounts to beside the rotor: the item, the conditions, and what is done. */
const AMOUNTS: readonly {
  readonly item: string;
  readonly found: readonly string[];
  readonly extra: Extra;
}[] = [
  { item: 'pins', found: ['dry', 'corroded', 'stuck', 'bent'], extra: 'pins' },
  { item: 'boots', found: ['torn'], extra: 'pins' },
  { item: 'threads', found: ['stripped'], extra: 'bracket' },
  { item: 'square', found: ['off'], extra: 'bracket' },
  { item: 'hose', found: ['cracked', 'bulged'], extra: 'hose' },
  { item: 'piston', found: ['bleeder'], extra: 'hose' },
  { item: 'piston', found: ['seized', 'stiff'], extra: 'caliper' },
  { item: 'piston-boot', found: ['torn', 'leaking'], extra: 'caliper' },
  { item: 'nuts', found: ['over'], extra: 'nuts' },
  { item: 'studs', found: ['bent'], extra: 'nuts' },
  { item: 'pads-look', found: ['cracked', 'lifting', 'rivets', 'soaked'], extra: 'pads' },
  { item: 'hardware', found: ['missing', 'weak'], extra: 'hardware' },
];

/** A new hose or caliper opens the hydraulics: fluid comes with it. */
const OPENS: readonly Extra[] = ['hose', 'caliper'];

/** What the looks at a corner ask for beside the rotor, each once. Source: handbook 14. */
export function suggestedExtras(
  looks: readonly { readonly item: string; readonly found: readonly string[] }[],
): Extra[] {
  const asked = AMOUNTS.filter(({ item, found }) =>
    looks.some((look) => look.item === item && look.found.some((each) => found.includes(each))),
  ).map(({ extra }) => extra);
  const fluid: Extra[] = asked.some((extra) => OPENS.includes(extra)) ? ['fluid'] : [];
  return [...new Set([...asked, ...fluid])];
}
