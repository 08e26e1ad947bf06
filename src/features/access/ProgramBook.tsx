'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import { FormField, TextField } from '@/ui/field';
import { dropProgram, makeProgram } from './requests';
import { TakeKeyAway } from './TakeKeyAway';
import { useAsk } from './useAsk';
import styles from './access.module.css';

interface Program {
  readonly id: string;
  readonly name: string;
  readonly role: string;
  /** Until when its key counts, and when it was used last, in words. */
  readonly until: string;
  readonly used: string;
  readonly isOver: boolean;
}

const ROLES = [
  ['monitor', 'looks whether all is well'],
  ['apprentice', 'reads, measures, notes'],
  ['technician', 'does what a technician does'],
] as const;
const sayRole = (role: string): string => ROLES.find(([code]) => code === role)?.[1] ?? role;

/** A key for one more program. */
function NewProgram() {
  const router = useRouter();
  const [name, setName] = useState('');
  const [role, setRole] = useState<string>('monitor');
  const [days, setDays] = useState('365');
  const [key, setKey] = useState<string | null>(null);
  const { send, busy, trouble, fields } = useAsk(makeProgram);
  const isSaid = fields.name !== undefined || fields.days !== undefined;
  return (
    <form
      className={styles.give}
      onSubmit={(event) => {
        event.preventDefault();
        setKey(null);
        send([{ name, role, days }], (made) => {
          setName('');
          setKey(made.key);
          router.refresh();
        });
      }}
    >
      <TextField
        label="For which program"
        value={name}
        onChange={setName}
        error={fields.name ?? (isSaid ? undefined : trouble)}
      />
      <FormField
        label="What it may do"
        control={(ids) => (
          <Form.Select {...ids} value={role} onChange={({ target }) => setRole(target.value)}>
            {ROLES.map(([code, label]) => (
              <option key={code} value={code}>
                {label}
              </option>
            ))}
          </Form.Select>
        )}
      />
      <TextField label="Days" isFigure value={days} onChange={setDays} error={fields.days} />
      <Button type="submit" variant="outline-secondary" className="mb-3" disabled={busy}>
        Make a key
      </Button>
      {key && (
        <p className="mb-3" role="status">
          Its key, shown this once: <code className={styles.key}>{key}</code>
        </p>
      )}
    </form>
  );
}

function ProgramLine({ program }: { readonly program: Program }) {
  const { id, name, role, until, used, isOver } = program;
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{sayRole(role)}</td>
      <td>{used}</td>
      <td>{until}</td>
      <td>{!isOver && <TakeKeyAway id={id} name={name} take={dropProgram} />}</td>
    </tr>
  );
}

/** Other programs of the shop that may ask this one, and a key for one more. */
export function ProgramBook({ programs }: { readonly programs: readonly Program[] }) {
  return (
    <>
      {programs.length > 0 && (
        <Table responsive>
          <thead>
            <tr>
              <th scope="col">Program</th>
              <th scope="col">What it may do</th>
              <th scope="col">Last asked</th>
              <th scope="col">Its key counts</th>
              <th scope="col">
                <span className="visually-hidden">Key</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {programs.map((program) => (
              <ProgramLine key={program.id} program={program} />
            ))}
          </tbody>
        </Table>
      )}
      <NewProgram />
    </>
  );
}
