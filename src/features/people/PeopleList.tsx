'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { ROLES, type Role } from './roles';
import { changePerson, removePerson } from './writes';

interface ListedPerson {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly initials: string;
}

/** One person: role and initials are changed in place, kept when the field is left. */
function PersonLine({ person }: { readonly person: ListedPerson }) {
  const { id, name } = person;
  const [role, setRole] = useState(person.role);
  const [initials, setInitials] = useState(person.initials);
  const changed = useSend(changePerson);
  const removed = useSend(removePerson);
  const busy = changed.busy || removed.busy;
  const trouble = changed.trouble ?? removed.trouble;
  const save = (change: { role: Role; initials: string }): void => changed.send([id, change]);
  return (
    <li className="zh-person">
      <strong className="zh-name">{name}</strong>
      <Form.Control
        aria-label={`Initials of ${name}`}
        maxLength={4}
        autoComplete="off"
        value={initials}
        isInvalid={trouble !== null}
        onChange={({ target }) => setInitials(target.value)}
        onBlur={() => initials !== person.initials && save({ role, initials })}
      />
      <Form.Select
        className="w-auto"
        aria-label={`Role of ${name}`}
        value={role}
        disabled={busy}
        onChange={({ target }) => {
          const chosen = ROLES.find(([code]) => code === target.value)?.[0] ?? role;
          setRole(chosen);
          save({ role: chosen, initials });
        }}
      >
        {ROLES.map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </Form.Select>
      <button
        type="button"
        className="btn btn-link"
        disabled={busy}
        onClick={() => removed.send([id])}
      >
        Works here no more<span className="visually-hidden">: {name}</span>
      </button>
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
