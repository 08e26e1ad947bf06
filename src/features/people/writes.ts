import type { PersonForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Puts a person on file; answers with the id. */
export const writePerson = (person: PersonForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'person',
    input: person,
    place: `person new ${person.name}`,
    jobId: null,
    about: `the person ${person.name}`,
    refresh,
  });

/** Changes what a person is here, and the initials. */
export const changePerson = (
  id: string,
  form: Omit<PersonForm, 'name'>,
): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'person-change',
    input: { id, form },
    place: `person ${id}`,
    jobId: null,
    replaces: { room: 'shop', as: 'shown' },
    about: 'what a person is here',
    refresh,
  });

/** Offers a person no more. */
export const removePerson = (id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'person-remove',
    input: { id },
    place: `person ${id}`,
    jobId: null,
    replaces: { room: 'shop', as: 'shown' },
    about: 'a person who is not here any more',
    refresh,
  });
