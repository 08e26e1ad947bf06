import { CALIPERS, TRAITS, type Procedure, type When } from './types';

const SITUATIONS = [
  ...['front', 'rear', 'studs', 'bolts', 'brake-by-wire', 'self-applying', 'opened', 'hose-off'],
  'cut',
  ...['bleed:gravity', 'bleed:pedal', 'bleed:pressure'],
];

const repeated = (codes: readonly string[]): string[] =>
  codes.filter((code, i) => codes.indexOf(code) !== i);

function badTokens(procedure: Procedure, when: When | undefined): string[] {
  const known = new Set<string>([...TRAITS, ...CALIPERS, ...SITUATIONS]);
  return (when ?? []).filter((token) => {
    const [, rule, school] = /^rule:(.+)=(.+)$/.exec(token) ?? [];
    if (!rule) return !known.has(token.replace(/^!/, ''));
    return !procedure.rules.some(
      (each) => each.code === rule && each.schools.some(({ code }) => code === school),
    );
  });
}

/** The steps of taking apart, putting together, and of an opened system. */
const allSteps = ({ steps, rebuild, hydraulics }: Procedure) => [
  ...steps,
  ...rebuild,
  ...hydraulics,
];

/** Every entry that carries hazards, and the conditions under which it applies. */
const hazardous = (procedure: Procedure) => [
  ...procedure.lifting,
  ...allSteps(procedure),
  ...procedure.retractions,
  ...procedure.ladders,
  ...procedure.contacts,
];

function complainOfRules({ rules, contacts, steps, parts }: Procedure): string[] {
  const places: Record<string, readonly string[]> = {
    contact: contacts.map(({ code }) => code),
    step: steps.map(({ code }) => code),
    adds: steps.map(({ code }) => code),
    fate: parts.flatMap(({ rule }) => rule ?? []),
  };
  return rules.flatMap((rule) => [
    ...(rule.schools.some(({ code }) => code === rule.shipped)
      ? []
      : [`Rule ${rule.code} ships ${rule.shipped}, which is no school of it.`]),
    ...rule.schools
      .filter(({ effects }) => effects.length === 0)
      .map(({ code }) => `Rule ${rule.code}, ${code}: nothing follows from it.`),
    ...rule.schools.flatMap(({ code, effects }) =>
      effects
        .filter(({ kind, at }) => places[kind] && !places[kind].includes(at))
        .map(({ kind, at }) => `Rule ${rule.code}, ${code}: there is no ${kind} ${at}.`),
    ),
    ...rule.schools.flatMap(({ code, effects }) =>
      effects
        .filter(({ kind }) => kind === 'step')
        .filter(({ at }) => !steps.find((step) => step.code === at)?.rules.includes(rule.code))
        .map(({ at }) => `Rule ${rule.code}, ${code}: step ${at} does not say it.`),
    ),
  ]);
}

/** What is named and does not exist, as [who names it, what]. */
function danglingNames(procedure: Procedure): [string, string][] {
  const { items, figures, groups, parts, rules, ladders, contacts } = procedure;
  const figureGroups = figures.map(({ group }) => group);
  const codes = (list: readonly { readonly code: string }[]): string[] =>
    list.map(({ code }) => code);
  const missing = (from: string, named: readonly string[], known: readonly string[]) =>
    named.filter((each) => !known.includes(each)).map((each): [string, string] => [from, each]);
  return [
    ...allSteps(procedure).flatMap((step) => [
      ...missing(step.code, step.looks, codes(items)),
      ...missing(step.code, step.figures, [...codes(figures), ...figureGroups]),
      ...missing(step.code, step.parts, codes(parts)),
      ...missing(step.code, step.rules, codes(rules)),
      ...missing(step.code, step.ladders, codes(ladders)),
      ...missing(step.code, step.contacts, codes(contacts)),
    ]),
    ...items.flatMap((item) => missing(item.code, [item.group], codes(groups))),
    ...[...parts, ...contacts].flatMap(({ code, rule }) =>
      missing(code, rule ? [rule] : [], codes(rules)),
    ),
  ];
}

/**
 * What is wrong with the procedure, in sentences; empty when it is complete: every hazard
 * has its caution, every caution a place where it is shown, every item is looked at in some
 * step, every rule has its effects, and nothing is named that does not exist.
 */
export function checkProcedure(procedure: Procedure): string[] {
  const { cautions, steps, items, parts, ladders } = procedure;
  const entries = hazardous(procedure);
  const lists = [
    ...[cautions, procedure.lifting, steps, procedure.rebuild, procedure.hydraulics],
    ...[items, procedure.rules, parts, ladders],
  ];
  const hazards = new Set(entries.flatMap((each) => each.hazards));
  const answered = new Set(cautions.flatMap((each) => each.hazards));
  return [
    ...lists.flatMap((list) =>
      repeated(list.map(({ code }) => code)).map((code) => `${code} stands twice.`),
    ),
    ...[...hazards].filter((each) => !answered.has(each)).map((each) => `No caution for ${each}.`),
    ...cautions
      .filter((caution) => !caution.hazards.some((each) => hazards.has(each)))
      .map(({ code }) => `Caution ${code} is shown nowhere.`),
    ...[...entries, ...items, ...procedure.groups, ...procedure.rightParts].flatMap(
      ({ code, when }) =>
        badTokens(procedure, when).map((token) => `${code}: nothing is called ${token}.`),
    ),
    ...danglingNames(procedure).map(([from, name]) => `${from}: there is no ${name}.`),
    ...items
      .filter(({ code }) => !allSteps(procedure).some(({ looks }) => looks.includes(code)))
      .map(({ code }) => `${code} is looked at in no step.`),
    ...ladders
      .filter(({ code }) => !steps.some((step) => step.ladders.includes(code)))
      .map(({ code }) => `Ladder ${code} is at hand nowhere.`),
    ...complainOfRules(procedure),
  ];
}
