import { SOURCES, type Source } from '@/core/practice';
import { AnswerForm } from './AnswerForm';

/** What runout can come from, in words. */
export const SOURCE_NAME: Readonly<Record<Source, string>> = {
  hub: 'the hub',
  rotor: 'the rotor',
  both: 'hub and rotor together',
  dirt: 'dirt under the hat',
  nuts: 'unevenly drawn nuts',
};

const ANSWERS = SOURCES.map((value) => ({ value, name: SOURCE_NAME[value] }));

/** Asks where the runout comes from. */
export const ApartAnswer = (props: {
  readonly onSay: (source: Source) => void;
  readonly onLeave: () => void;
}) => (
  <AnswerForm
    asked="Where did the runout come from?"
    answers={ANSWERS}
    button="Show the truth"
    {...props}
  />
);
