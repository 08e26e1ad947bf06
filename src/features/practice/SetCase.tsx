'use client';

import { useEffect, useRef, useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import {
  CASE_KINDS,
  newCode,
  readCode,
  seekCode,
  truthsOf,
  writeCode,
  type CaseKind,
} from '@/core/practice';
import type { PracticeOfShop } from '@/server/practice/practice';
import { FormField, useSend } from '@/ui/field';
import { NO_CODE } from './BeginCase';
import { truthName, wordsOf } from './words';
import { writeTask } from './writes';
import styles from './practice.module.css';

/** Whatever comes. */
const ANY = '';
/** How long a case is sought, and how long the page stands still for it at once, in ms. */
const PATIENCE = 20_000;
const AT_ONCE = 30;

const NOT_FOUND =
  'No such case was found just now. Press again, or choose something else: it is rare.';

/** A case of a kind of which something is true, made while the page goes on; null where none was found in time. */
async function find(kind: CaseKind, truth: string, isLeft: () => boolean): Promise<string | null> {
  if (truth === ANY) return newCode(kind, Math.random());
  const until = performance.now() + PATIENCE;
  let pause = performance.now() + AT_ONCE;
  const cases = seekCode(kind, truth, KNOWLEDGE, Math.random());
  for (;;) {
    const { code, isSuch } = cases.next().value;
    if (isSuch) return code;
    const now = performance.now();
    if (now > until || isLeft()) return null;
    if (now < pause) continue;
    await new Promise((resolve) => setTimeout(resolve));
    pause = performance.now() + AT_ONCE;
  }
}

/** What a case is about, as it is typed. */
interface About {
  readonly kind: number;
  readonly truth: string;
  readonly code: string;
}

/** Looks for the case that is asked for: the one of a code, or one of which something is true. */
function useSought() {
  const [isSeeking, setSeeking] = useState(false);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
    };
  }, []);
  const seek = async ({
    kind,
    truth,
    code,
  }: About): Promise<string | { readonly error: string }> => {
    if (code.trim() !== '') {
      const read = readCode(code);
      return read ? writeCode(read) : { error: NO_CODE };
    }
    setSeeking(true);
    const found = await find(CASE_KINDS[kind]!, truth, () => isGone.current);
    setSeeking(false);
    return found ?? { error: NOT_FOUND };
  };
  return { seek, isSeeking };
}

/** What a case is about: its kind and what is true of it, or its code. */
function AboutFields({
  about,
  error,
  onChange,
}: {
  readonly about: About;
  readonly error: string | undefined;
  readonly onChange: (about: About) => void;
}) {
  const kind = CASE_KINDS[about.kind]!;
  return (
    <>
      <FormField
        label="Which case"
        control={(field) => (
          <Form.Select
            {...field}
            value={about.kind}
            onChange={(event) =>
              onChange({ ...about, kind: Number(event.target.value), truth: ANY })
            }
          >
            {CASE_KINDS.map((each, i) => (
              <option key={wordsOf(each).name} value={i}>
                {wordsOf(each).name}
              </option>
            ))}
          </Form.Select>
        )}
      />
      <FormField
        label="What is true of it"
        control={(field) => (
          <Form.Select
            {...field}
            value={about.truth}
            onChange={(event) => onChange({ ...about, truth: event.target.value })}
          >
            <option value={ANY}>whatever comes</option>
            {truthsOf(kind, KNOWLEDGE).map((truth) => (
              <option key={truth} value={truth}>
                {truthName(kind, truth)}
              </option>
            ))}
          </Form.Select>
        )}
      />
      <FormField
        label="Or a case by its code"
        error={error}
        control={(field) => (
          <Form.Control
            {...field}
            value={about.code}
            autoCapitalize="characters"
            autoComplete="off"
            onChange={(event) => onChange({ ...about, code: event.target.value })}
          />
        )}
      />
    </>
  );
}

const NEW: About = { kind: 0, truth: ANY, code: '' };

/** A lead sets a case for somebody. */
export function SetCase({
  people,
  tasks,
}: Pick<NonNullable<PracticeOfShop['shop']>, 'people' | 'tasks'>) {
  const [personId, setPerson] = useState('');
  const [about, setAbout] = useState(NEW);
  const [note, setNote] = useState('');
  const [error, setError] = useState<string>();
  const [isNobody, setNobody] = useState(false);
  const [last, setLast] = useState('');
  const { seek, isSeeking } = useSought();
  const { send, busy, trouble, fields } = useSend(writeTask);
  // What was set last, while it stands.
  const told = tasks.findLast(({ code, takenBackBy }) => code === last && takenBackBy === null);
  const person = people.find(({ id }) => id === personId);
  const set = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    setLast('');
    setNobody(person === undefined);
    if (!person) return;
    const found = await seek(about);
    if (typeof found !== 'string') return setError(found.error);
    setError(undefined);
    send([{ personId, code: found, note }, person.name], () => {
      setLast(found);
      setAbout(NEW);
      setNote('');
    });
  };
  return (
    <Form noValidate className={styles.task} onSubmit={(event) => void set(event)}>
      <FormField
        label="For whom"
        error={isNobody ? 'Choose for whom.' : fields.personId}
        control={(field) => (
          <Form.Select
            {...field}
            value={personId}
            onChange={(event) => setPerson(event.target.value)}
          >
            <option value="">Choose …</option>
            {people.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        )}
      />
      <AboutFields {...{ about, error }} onChange={setAbout} />
      <FormField
        label="A word with it"
        error={fields.note}
        control={(field) => (
          <Form.Control
            {...field}
            value={note}
            maxLength={300}
            onChange={(event) => setNote(event.target.value)}
          />
        )}
      />
      <div className={styles.taskEnd}>
        <Button type="submit" variant="outline-secondary" disabled={busy || isSeeking}>
          {isSeeking ? 'Looking for such a case …' : 'Set it'}
        </Button>{' '}
        <span role="status">{told && `${told.code} is set for ${told.person}.`}</span>
        {trouble && (
          <p className="zh-error mb-0" role="alert">
            {trouble}
          </p>
        )}
      </div>
    </Form>
  );
}
