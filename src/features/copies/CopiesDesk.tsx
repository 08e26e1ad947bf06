'use client';

import { FileLink } from '@/ui/Link';
import { Button } from 'react-bootstrap';
import { formatDate } from '@/core/calendar';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileField } from '@/ui/field';
import type { Asked } from '@/ui/ask';
import type { KeptCopy, Staged } from '@/server/records/backup';
import {
  askProgress,
  leaveCopy,
  makeCopy,
  removeCopy,
  restoreCopy,
  sendCopy,
  stageCopy,
  takeCopy,
} from './requests';
import { CopyProgress } from './CopyProgress';
import { sayBytes } from './model';
import picks from '@/ui/shell/picks.module.css';
import { useBusy } from '@/ui/useBusy';

/** What is in a copy that was found whole, and the last word before it replaces the records. */
function StagedCard({
  staged,
  canRestore,
  isBusy,
  onRestore,
  onLeave,
}: {
  readonly staged: Staged;
  readonly canRestore: boolean;
  readonly isBusy: boolean;
  readonly onRestore: (evenForeign: boolean) => void;
  readonly onLeave: () => void;
}) {
  const { counts, made } = staged.manifest;
  const [evenForeign, setEvenForeign] = useState(false);
  return (
    <div className="zh-card mt-3" role="alert">
      <p>
        <strong>This copy is whole.</strong> Of {formatDate(new Date(made), 'D MMM YYYY, HH:mm')}:{' '}
        <span className="zh-figure">{counts.jobs.toLocaleString('en')}</span> jobs,{' '}
        <span className="zh-figure">{counts.vehicles.toLocaleString('en')}</span> vehicles,{' '}
        <span className="zh-figure">{counts.readings.toLocaleString('en')}</span> readings,{' '}
        <span className="zh-figure">{counts.photos.toLocaleString('en')}</span> photos.
      </p>
      <p>
        It takes the place of everything on file here. What was written since it was made is then
        not on file any more; it is kept beside, in the data folder.
      </p>
      {!staged.isOwn && (
        <div className="zh-stop mb-3">
          <p className="mb-1">
            <strong>This shop did not make it, or it was made before copies were sealed.</strong>{' '}
            Nothing shows that what is signed in it was signed here.
          </p>
          <label className={picks.check}>
            <input
              type="checkbox"
              checked={evenForeign}
              onChange={({ target }) => setEvenForeign(target.checked)}
            />{' '}
            I know where it comes from: it may take the place of the records
          </label>
        </div>
      )}
      {!canRestore && <p>A lead restores: ask one to choose the name at “Who is here”.</p>}
      <div className="d-flex flex-wrap gap-2">
        <Button
          type="button"
          variant="primary"
          disabled={isBusy || !canRestore || !(staged.isOwn || evenForeign)}
          onClick={() => onRestore(evenForeign)}
        >
          Put it in place of the records
        </Button>
        <Button type="button" variant="outline-secondary" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </div>
  );
}

/** What is asked of the server, one thing at a time, and what came of it in words. */
function useAnswered() {
  const router = useRouter();
  const [said, setSaid] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const { busy, during } = useBusy();
  return {
    ...{ said, refused, busy },
    run: <Value,>(action: () => Promise<Asked<Value>>, then: (value: Value) => void): void => {
      setSaid(null);
      setRefused(null);
      during(async () => {
        const answer = await action();
        if (answer.ok) then(answer.value);
        else setRefused(answer.message);
      });
    },
    /** Says what was done, and shows the page as it is now. */
    say: (words: string): void => {
      setSaid(words);
      router.refresh();
    },
  };
}

/** What the desk does with copies. */
function useCopies() {
  const [staged, setStaged] = useState<Staged | null>(null);
  const [isMaking, setIsMaking] = useState(false);
  const { run, say, ...answered } = useAnswered();
  const leave = (): void => {
    if (staged) void leaveCopy(staged.id);
    setStaged(null);
  };
  return {
    ...{ ...answered, staged, isMaking, leave },
    make: <Value,>(action: () => Promise<Asked<Value>>, words: (value: Value) => string): void => {
      setIsMaking(true);
      run(
        () => action().finally(() => setIsMaking(false)),
        (value) => say(words(value)),
      );
    },
    look: (action: () => Promise<Asked<Staged>>): void => {
      leave();
      run(action, setStaged);
    },
    /** Saves a kept copy, once it is known that whoever is here may. */
    take: (href: string): void => run(askProgress, () => window.location.assign(href)),
    remove: (name: string): void =>
      run(
        () => removeCopy(name),
        () => say(`${name} is gone.`),
      ),
    restore: (evenForeign: boolean): void => {
      if (!staged) return;
      run(
        () => restoreCopy(staged.id, evenForeign),
        (kept) => {
          setStaged(null);
          say(`The copy is in place. What stood there is kept in the data folder, copies/${kept}.`);
        },
      );
    },
  };
}

type Copies = ReturnType<typeof useCopies>;

/** Makes a copy now, or one to take away. */
const MakeCopy = ({ desk, canTake }: { readonly desk: Copies; readonly canTake: boolean }) => (
  <section className="zh-card mb-3" aria-labelledby="make">
    <h2 id="make">Make a copy</h2>
    <p>
      Everything on file in one file, made while work goes on, opened and looked at page by page
      before it counts. A copy of every night is kept by itself: the last seven days, four weeks and
      twelve months.
    </p>
    <div className="d-flex flex-wrap gap-2">
      <Button
        type="button"
        variant="primary"
        disabled={desk.busy}
        onClick={() => desk.make(makeCopy, ({ says }) => says)}
      >
        Make a copy now
      </Button>
      {canTake && (
        <Button
          type="button"
          variant="outline-secondary"
          disabled={desk.busy}
          onClick={() => desk.make(takeCopy, (name) => `${name} is with your downloads.`)}
        >
          Take a copy with you
        </Button>
      )}
    </div>
    <CopyProgress isAsked={desk.isMaking} />
  </section>
);

/** One copy that is kept, and what can be done with it. */
function KeptCopyRow({ copy, desk }: { readonly copy: KeptCopy; readonly desk: Copies }) {
  const { name, made, bytes, kind, checked, isElsewhere } = copy;
  const named = <span className="visually-hidden">: {name}</span>;
  return (
    <li className="zh-row">
      <span>
        <strong>{formatDate(made, 'D MMM YYYY, HH:mm')}</strong>{' '}
        <span className="zh-muted">
          {kind === 'nightly' ? 'of the night' : 'made by hand'}, {sayBytes(bytes)}
          {checked !== null && ', checked'}
          {isElsewhere && ', in the second folder too'}
        </span>
      </span>
      <span className="d-flex flex-wrap gap-3">
        <FileLink
          variant="link"
          href={`/api/v1/backup?copy=${name}`}
          download
          onClick={(event) => {
            event.preventDefault();
            desk.take(event.currentTarget.href);
          }}
        >
          Take it with you{named}
        </FileLink>
        <Button
          type="button"
          variant="link"
          disabled={desk.busy}
          onClick={() => desk.look(() => stageCopy(name))}
        >
          Restore{named}
        </Button>
        {kind === 'by-hand' && (
          <Button
            type="button"
            variant="link"
            disabled={desk.busy}
            onClick={() => desk.remove(name)}
          >
            Throw away{named}
          </Button>
        )}
      </span>
    </li>
  );
}

/** Takes a file to be looked through. */
const RestoreFile = ({ desk }: { readonly desk: Copies }) => (
  <section className="zh-card mb-3" aria-labelledby="restore">
    <h2 id="restore">Restore from a file</h2>
    <p>The file is looked through before anything is replaced.</p>
    <FileField
      label="Copy (.tar.gz)"
      accept=".gz,application/gzip"
      disabled={desk.busy}
      onPick={(file) => desk.look(() => sendCopy(file))}
    />
  </section>
);

/** The copies that are kept, and the way back from one. */
export function CopiesDesk({
  copies,
  canRestore,
}: {
  readonly copies: readonly KeptCopy[];
  readonly canRestore: boolean;
}) {
  const desk = useCopies();
  return (
    <>
      <MakeCopy desk={desk} canTake={canRestore} />
      <section className="zh-card mb-3" aria-labelledby="kept">
        <h2 id="kept">Copies that are kept</h2>
        {copies.length === 0 ? (
          <p className="mb-0">None yet. The first one is made in the night.</p>
        ) : (
          <ul className="list-unstyled mb-0">
            {copies.map((copy) => (
              <KeptCopyRow key={copy.name} copy={copy} desk={desk} />
            ))}
          </ul>
        )}
      </section>
      <RestoreFile desk={desk} />
      {desk.busy && <p role="status">Working on it …</p>}
      {desk.said && (
        <p role="status">
          <strong>{desk.said}</strong>
        </p>
      )}
      {desk.refused && (
        <p className="zh-error" role="alert">
          {desk.refused}
        </p>
      )}
      {desk.staged && (
        <StagedCard
          staged={desk.staged}
          canRestore={canRestore}
          isBusy={desk.busy}
          onRestore={desk.restore}
          onLeave={desk.leave}
        />
      )}
    </>
  );
}
