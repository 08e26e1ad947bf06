import { fits, type Context } from './context';
import { productAt } from './rules';
import type { Caution, Contact, Ladder, LookItem, Procedure, Retraction, Step } from './types';

/** A step as it is shown: its words, its cautions, and what helps at the point of use. */
export interface PlannedStep extends Step {
  readonly cautions: readonly Caution[];
  readonly ruleWords: readonly { readonly code: string; readonly say: string }[];
  readonly retractions: readonly Retraction[];
  readonly atHand: {
    /** Each with the cautions of its own hazards: they are met only when it is climbed. */
    readonly ladders: readonly (Ladder & { readonly cautions: readonly Caution[] })[];
    readonly contacts: readonly Contact[];
  };
}

/** The cautions of the hazards named, each once, in the order of the file. */
export const cautionsAt = (procedure: Procedure, hazards: readonly string[]): Caution[] =>
  procedure.cautions.filter((caution) => caution.hazards.some((each) => hazards.includes(each)));

/** The contact points as the house rules have them. */
export const contactsBy = (procedure: Procedure, { rules }: Context): Contact[] =>
  procedure.contacts.map((contact) => ({
    ...contact,
    product: productAt(rules, contact.code) ?? contact.product,
  }));

const worded = (text: string, { traits }: Context): string =>
  text
    .replace('{one}', traits.has('bolts') ? 'hole 1' : 'stud 1')
    .replace('{nuts}', traits.has('bolts') ? 'bolts' : 'nuts')
    .replace('{rotor}', traits.has('drum') ? 'drum' : 'rotor')
    .replace('{Rotor}', traits.has('drum') ? 'Drum' : 'Rotor');

/**
 * Steps in the order of work, as the vehicle and the house rules have them: those of taking a
 * corner apart unless others of the procedure are named.
 */
export function planSteps(
  procedure: Procedure,
  context: Context,
  of: 'steps' | 'rebuild' | 'hydraulics' = 'steps',
): PlannedStep[] {
  const contacts = contactsBy(procedure, context);
  const items = lookItems(procedure, context).map(({ code }) => code);
  return procedure[of]
    .filter(({ when }) => fits(context, when))
    .map((step) => {
      const retractions = step.retraction
        ? procedure.retractions.filter(({ when }) => fits(context, when))
        : [];
      const ladders = procedure.ladders
        .filter(({ code }) => step.ladders.includes(code))
        .map((ladder) => ({ ...ladder, cautions: cautionsAt(procedure, ladder.hazards) }));
      const touched = contacts.filter(({ code }) => step.contacts.includes(code));
      const hazards = [step, ...retractions, ...touched].flatMap((each) => each.hazards);
      return {
        ...step,
        title: worded(step.title, context),
        say: worded(step.say, context),
        looks: step.looks.filter((code) => items.includes(code)),
        cautions: cautionsAt(procedure, hazards),
        ruleWords: context.rules
          .filter(({ rule }) => step.rules.includes(rule.code))
          .map(({ rule, school }) => ({ code: rule.code, say: school.say })),
        retractions,
        atHand: { ladders, contacts: touched },
      };
    });
}

/** What is to be looked at at a corner. */
export const lookItems = ({ items, groups }: Procedure, context: Context): LookItem[] =>
  items.filter(
    ({ when, group }) =>
      fits(context, when) && fits(context, groups.find(({ code }) => code === group)?.when),
  );
