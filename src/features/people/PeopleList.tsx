'use client';

import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { useSend } from '@/ui/field';
import { ROLES, type Role } from './roles';
import { changePerson, removePerson } from './writes';
import styles from './people.module.css';
import picks from '@/ui/shell/picks.module.css';

interface ListedPerson {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly initials: string;
}

/** One person: role and initials are changed in place, kept when the field is left. */
function PersonLine({ person }: { readonly person: ListedPerson }) {
  const { id, name } = person;
  const { register, getValues } = useForm<{ role: Role; initials: string }>({
    values: { role: person.role, initials: person.initials },
  });
  const changed = useSend(changePerson);
  const removed = useSend(removePerson);
  const busy = changed.busy || removed.busy;
  const trouble = changed.trouble ?? removed.trouble;
  const save = (): void => {
    const change = getValues();
    const isSame = change.role === person.role && change.initials === person.initials;
    if (!isSame) changed.send([id, change]);
  };
  return (
    <li className={styles.person}>
      <strong className={picks.name}>{name}</strong>
      <Form.Control
        aria-label={`Initials of ${name}`}
        maxLength={4}
        autoComplete="off"
        isInvalid={trouble !== null}
        aria-invalid={trouble !== null}
        {...register('initials', { onBlur: save })}
      />
      <Form.Select
        className="w-auto"
        aria-label={`Role of ${name}`}
        disabled={busy}
        {...register('role', { onChange: save })}
      >
        {ROLES.map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </Form.Select>
      <Button type="button" variant="link" disabled={busy} onClick={() => removed.send([id])}>
        Works here no more<span className="visually-hidden">: {name}</span>
      </Button>
      {trouble && <span className="zh-error">{trouble}</span>}
    </li>
  );
}

/** Everyone who works here; a name that goes stays under what was written. */
export function PeopleList({ people }: { readonly people: readonly ListedPerson[] }) {
  if (people.length === 0) {
    return <p className="zh-muted mb-0">Nobody is on file yet. Add the first name above.</p>;
  }
  return (
    <ul className="list-unstyled mb-0">
      {people.map((person) => (
        <PersonLine key={person.id} person={person} />
      ))}
    </ul>
  );
}
