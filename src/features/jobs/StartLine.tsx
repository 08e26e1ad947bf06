'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useId, useState, type KeyboardEvent } from 'react';
import { Form } from 'react-bootstrap';
import type { LineAnswer } from '@/server/records/startLine';
import { writeJob } from './writes';
import styles from './jobs.module.css';

/** One place that the line leads to. */
interface Way {
  readonly key: string;
  readonly say: string;
  readonly about: string;
  readonly go: () => void;
}

/** How long the line waits for the next letter before it asks. */
const PAUSE_MS = 60;

/** Corners that a job begins with: the front axle, until somebody says otherwise. */
const USUAL_CORNERS = ['FL', 'FR'] as const;

/** Asks where a line leads, as it is typed; a late answer to an earlier line is dropped. */
function useLine(text: string): LineAnswer | null {
  const [answer, setAnswer] = useState<{ readonly of: string; readonly is: LineAnswer } | null>(
    null,
  );
  const line = text.trim();
  useEffect(() => {
    if (line === '') return;
    const asked = new AbortController();
    const wait = setTimeout(() => {
      fetch(`/api/v1/line?q=${encodeURIComponent(line)}`, { signal: asked.signal })
        .then((response) => (response.ok ? response.json() : null))
        .then((is: LineAnswer | null) => is && setAnswer({ of: line, is }))
        // Without the server the line leads nowhere yet; what is typed stands.
        .catch(() => undefined);
    }, PAUSE_MS);
    return () => {
      clearTimeout(wait);
      asked.abort();
    };
  }, [line]);
  return answer?.of === line ? answer.is : null;
}

/** The start page’s one field: a plate, a name, a number or a few words lead to a job. */
export function StartLine() {
  const router = useRouter();
  const list = useId();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  // One id for one line as it stands: pressed twice, or sent again, it is still one job.
  const [id, setId] = useState(() => crypto.randomUUID());
  const answer = useLine(text);

  const open = (vehicleId: string, plate: string | null): void => {
    setBusy(true);
    setTrouble(null);
    const form = {
      ...{ id, vehicleId, complaint: '', odometerKm: '' },
      ...{ corners: [...USUAL_CORNERS], newVehicle: plate === null ? null : { plate } },
    };
    void writeJob(form).then((opened) => {
      setBusy(false);
      if (opened.ok) router.push(`/jobs/${opened.value}/complaint`);
      else setTrouble(opened.message);
    });
  };

  const ways: Way[] = answer
    ? [
        ...answer.vehicles.map(({ id: vehicleId, plate, name, owner, openJob, last }) => ({
          key: vehicleId,
          say: openJob ? `${plate}: open job ${openJob.number}` : `New job for ${plate}`,
          about: [owner, name, last && `last time, ${last}`].filter(Boolean).join(' · '),
          go: () => (openJob ? router.push(`/jobs/${openJob.id}`) : open(vehicleId, null)),
        })),
        ...answer.vehicles.flatMap(({ plate, guaranteed }) =>
          guaranteed === null
            ? []
            : [
                {
                  key: `comeback ${guaranteed.id}`,
                  say: `${plate} comes back: comeback of job ${guaranteed.number}`,
                  about: 'what was promised on it still holds',
                  go: () => router.push(`/jobs/new?comeback=${guaranteed.id}`),
                },
              ],
        ),
        ...(answer.newPlate === null
          ? []
          : [
              {
                key: 'new',
                say: `New job for ${answer.newPlate}`,
                about: 'not on file yet: its plate will do',
                go: () => open('', answer.newPlate),
              },
            ]),
        ...answer.jobs
          .filter((job) => !answer.vehicles.some(({ openJob }) => openJob?.id === job.id))
          .map((job) => ({
            key: job.id,
            say: `${job.plate}: job ${job.number}${job.isOpen ? '' : ', closed'}`,
            about: job.about,
            go: () => router.push(`/jobs/${job.id}`),
          })),
      ]
    : [];
  const current = Math.min(at, ways.length - 1);

  const keys = (event: KeyboardEvent): void => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by !== undefined && ways.length > 0) {
      event.preventDefault();
      setAt((current + by + ways.length) % ways.length);
    }
    if (event.key === 'Escape') setText('');
  };

  return (
    <form
      className={styles.line}
      role="search"
      onSubmit={(event) => {
        event.preventDefault();
        if (!busy) ways[current]?.go();
      }}
    >
      <Form.Control
        size="lg"
        aria-label="Plate, name, job number or a few words"
        placeholder="Plate, name, job number or a few words"
        autoComplete="off"
        maxLength={100}
        role="combobox"
        aria-expanded={ways.length > 0}
        aria-controls={list}
        aria-activedescendant={ways.length > 0 ? `${list}-${current}` : undefined}
        value={text}
        onChange={({ target }) => {
          setText(target.value);
          setId(crypto.randomUUID());
          setAt(0);
        }}
        onKeyDown={keys}
      />
      {ways.length > 0 && (
        <ul
          id={list}
          role="listbox"
          aria-label="Where it leads"
          className={`${styles.lineWays} zh-card`}
        >
          {ways.map(({ key, say, about, go }, j) => (
            <li
              key={key}
              id={`${list}-${j}`}
              role="option"
              aria-selected={j === current}
              onClick={() => !busy && go()}
            >
              <strong>{say}</strong> <span className="zh-muted">{about}</span>
            </li>
          ))}
        </ul>
      )}
      {text.trim() !== '' && answer !== null && ways.length === 0 && (
        <p className="zh-muted mb-0">
          Nothing on file has these words. A plate alone opens a job; a complaint is found by words
          of it.
        </p>
      )}
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </form>
  );
}
