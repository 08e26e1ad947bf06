'use client';

import { useTransition } from 'react';
import { removePersonAction } from './actions';

interface PeopleListProps {
  readonly people: readonly { readonly id: string; readonly name: string; readonly role: string }[];
}

/** Everyone who works here; a name that goes stays under what was written. */
export function PeopleList({ people }: PeopleListProps) {
  const [busy, begin] = useTransition();
  if (people.length === 0) {
    return <p className="zh-muted mb-0">Nobody is on file yet. Add the first name above.</p>;
  }
  return (
    <ul className="list-unstyled mb-0">
      {people.map(({ id, name, role }) => (
        <li key={id} className="zh-row">
          <span>
            <strong>{name}</strong> <span className="zh-muted">{role}</span>
          </span>
          <button
            type="button"
            className="btn btn-link"
            disabled={busy}
            onClick={() => begin(() => removePersonAction(id))}
          >
            Works here no more<span className="visually-hidden">: {name}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
