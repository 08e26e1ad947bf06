'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useRef, useState } from 'react';
import { LookCounts } from '@/ui/verdict';
import { useSend } from '@/ui/field';
import { CornerDrawing } from '@/ui/corner';
import { Conflicts } from './Conflicts';
import { foundStates } from './drawn';
import type { CornerWork } from './CornerOrder';
import { FigureFields } from './FigureFields';
import { LookList } from './LookList';
import { checkAt, lookStateOf } from './model';
import { PhotoStrip } from './PhotoStrip';
import { isToldAt } from './Refusal';
import { sayCheck } from './say';
import { useChecks } from './useChecks';
import { takeSoundBack, writeAllSound, type WrittenLook } from './writes';
import styles from './strip.module.css';

interface CornerFindingsProps extends CornerWork {
  readonly groups: readonly { readonly code: string; readonly name: string }[];
}

interface AllSoundProps {
  readonly left: number;
  readonly busy: boolean;
  readonly onYes: () => void;
  readonly onNo: () => void;
}

/** Asks before many items are said to be sound at once; the way back has the focus. */
function AllSound({ left, busy, onYes, onNo }: AllSoundProps) {
  const no = useRef<HTMLButtonElement>(null);
  useEffect(() => no.current?.focus({ preventScroll: true }), []);
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center" role="group" aria-label="All sound?">
      <strong>
        You looked at {left === 1 ? 'the one that is left' : `all ${left}`}, and found nothing
        wrong?
      </strong>
      <Button ref={no} type="button" variant="outline-secondary" onClick={onNo}>
        No, one by one
      </Button>
      <Button type="button" variant="primary" disabled={busy} onClick={onYes}>
        Yes: {left === 1 ? 'sound' : `all ${left} sound`}
      </Button>
    </div>
  );
}

/** Everything that is looked at and measured at a corner, on one screen. */
export function CornerFindings(work: CornerFindingsProps) {
  const { corner, items, figures, groups, units, meanings } = work;
  const store = useChecks(work.jobId, work.checks, ({ place }) => place === work.corner);
  const { checks, write, refused } = store;
  /** What the last press wrote as sound: it can be taken back as one. */
  const [atOnce, setAtOnce] = useState<readonly WrittenLook[]>([]);
  const all = useSend(writeAllSound);
  const back = useSend(takeSoundBack);
  const busy = all.busy || back.busy;
  const trouble = all.trouble ?? back.trouble;
  const [isAsked, setAsked] = useState(false);
  const allAreSound = (): void => {
    setAsked(false);
    all.send([work.jobId, corner], (written) => {
      setAtOnce(written);
      document.querySelector<HTMLInputElement>('[data-figure]')?.focus();
    });
  };
  const takeBack = (): void =>
    back.send([work.jobId, atOnce.map(({ stamp }) => stamp)], () => setAtOnce([]));
  const states = items.map((item) =>
    lookStateOf(checkAt(checks, { kind: 'look', place: corner, item: item.code })),
  );
  const count = (state: (typeof states)[number]): number =>
    states.filter((each) => each === state).length;
  const left = count('not-looked');
  const [picked, setPicked] = useState<string | null>(null);
  const part = work.scene.parts.find(({ code }) => code === picked);
  return (
    <>
      <div className="zh-next mb-3" role="status">
        <strong>
          {left === 0
            ? 'Everything at this corner was looked at.'
            : `${left} of ${items.length} are not looked at.`}
        </strong>
        <LookCounts notLooked={left} sound={count('sound')} wrong={count('wrong')} />
        <div className="d-flex flex-wrap gap-2 mt-2">
          {left > 0 && !isAsked && (
            <Button type="button" variant="primary" disabled={busy} onClick={() => setAsked(true)}>
              {left === items.length ? 'All looked at: all sound' : 'The rest looked at: all sound'}
            </Button>
          )}
          {left > 0 && isAsked && (
            <AllSound left={left} busy={busy} onYes={allAreSound} onNo={() => setAsked(false)} />
          )}
          {atOnce.length > 0 && (
            <Button type="button" variant="outline-secondary" disabled={busy} onClick={takeBack}>
              Take the {atOnce.length} back
            </Button>
          )}
        </div>
      </div>
      <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
        <PhotoStrip
          jobId={work.jobId}
          corner={corner}
          partId={null}
          of={`the ${corner} corner`}
          photos={work.photos}
        />
      </div>
      <p className={`zh-muted ${styles.forKeys}`}>
        Keys: 1 sound, the others what is wrong; Enter or the arrows go on.
      </p>
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble}
        </p>
      )}
      <Conflicts
        {...store}
        refused={isToldAt(refused, [...items, ...figures]) ? null : refused}
        say={(item, value) => sayCheck(work, item, value)}
      />
      <div className={styles.order}>
        <CornerDrawing
          corner={corner}
          parts={work.scene.parts}
          states={foundStates(work.scene, items, checks, corner)}
          current={picked}
          label="What was seen at the corner"
          onPick={setPicked}
        />
        <section className="zh-card" aria-label="The part that was tapped">
          {part ? (
            <>
              <h2>{part.name}</h2>
              <LookList
                key={part.code}
                {...{ corner, checks, onWrite: write, refused }}
                items={items.filter(({ code }) => part.looks.includes(code))}
              />
              {part.looks.length === 0 && <p>Nothing is looked at here by itself.</p>}
            </>
          ) : (
            <p className="zh-muted mb-0">
              Tap a part to say what was seen at it. Everything stands in the lists below as well.
            </p>
          )}
        </section>
      </div>
      <div className="zh-groups mt-3">
        {groups.map(({ code, name }) => {
          const own = items.filter(({ group }) => group === code);
          const asked = figures.filter(({ group }) => group === code);
          if (own.length === 0 && asked.length === 0) return null;
          return (
            <section key={code} className="zh-card mb-3" aria-labelledby={`zh-group-${code}`}>
              <h2 id={`zh-group-${code}`}>{name}</h2>
              {asked.length > 0 && (
                <FigureFields
                  {...{ corner, figures: asked, checks, units, onWrite: write, refused }}
                  meanings={code === 'pads' ? meanings : []}
                />
              )}
              <LookList {...{ corner, items: own, checks, onWrite: write, refused }} />
            </section>
          );
        })}
      </div>
    </>
  );
}
