'use client';

import type { ReactNode } from 'react';
import {
  dtvLimit,
  machineToSource,
  runoutLimit,
  sayBenchCut,
  sayShares,
  SOURCE_NAME,
  type AdviceWords,
  type CornerAssessment,
} from '@/core/assessment';
import { formatIn, type LengthRole } from '@/core/units';
import type { Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';
import { LimitEntry } from './LimitEntry';
import type { BenchCorner } from './model';
import styles from './measure.module.css';

interface LineProps {
  readonly name: string;
  readonly verdict: Verdict | undefined;
  /** What was measured, where there is no limit to hold it against. */
  readonly figure?: number | undefined;
  readonly role?: LengthRole;
  readonly note?: ReactNode;
  readonly corner: BenchCorner;
}

/** One question of the check with its answer: a figure, a verdict, a line beside it. */
function Line({ name, verdict, figure, role = 'deviation', note, corner }: LineProps) {
  const value = verdict?.value ?? figure ?? null;
  return (
    <div className={styles.answer}>
      <h2>{name}</h2>
      {value === null ? (
        <VerdictMark state="not-measured" size={20} />
      ) : (
        <span className={styles.answerFigure}>
          <Figure value={value} role={role} units={corner.units} large />
          {verdict && <VerdictMark state={verdict.state} size={24} />}
        </span>
      )}
      {note && <div className="zh-muted">{note}</div>}
    </div>
  );
}

interface CheckAnswerProps {
  readonly assessment: CornerAssessment;
  /** What the corner asks for now. */
  readonly words: AdviceWords;
  /** The place that is read now, or what the set still asks for; null where nothing is to be read of it. */
  readonly reading: string | null;
  readonly corner: BenchCorner;
}

/** What a check answers of thickness: its variation, and the thinnest place against discard. */
function ThicknessLines({ assessment, corner }: Pick<CheckAnswerProps, 'assessment' | 'corner'>) {
  const { limits, units } = corner;
  const { thickness, thicknessVerdicts } = assessment;
  return (
    <>
      <Line
        name="Thickness variation"
        verdict={thickness?.dtvVerdict}
        corner={corner}
        note={`limit ${formatIn(units, 'deviation', dtvLimit(limits).value)}, ${SOURCE_NAME[dtvLimit(limits).source]}`}
      />
      <Line
        name={limits.discard ? 'Thinnest, against discard' : 'Thinnest'}
        verdict={thicknessVerdicts?.verdicts.discard}
        figure={thickness?.min}
        role="size"
        corner={corner}
        note={
          limits.discard
            ? `discard ${formatIn(units, 'size', limits.discard.value)}, ${SOURCE_NAME[limits.discard.source]}`
            : 'discard is not known: no verdict on it'
        }
      />
      {!limits.discard && (
        <LimitEntry
          corner={corner}
          kind="discard"
          label="Discard, as stamped"
          role="size"
          source="stamped"
        />
      )}
    </>
  );
}

/** Everything that a quick check answers, as far as it is read: it stands while more is read. */
export function CheckAnswer({ assessment, words, reading, corner }: CheckAnswerProps) {
  const { limits, units, only } = corner;
  const say = (um: number): string => formatIn(units, 'deviation', um);
  const shares = sayShares(assessment, units);
  const cut = sayBenchCut(assessment, units);
  return (
    <div className={styles.checkAnswer} aria-label="Answer" role="region">
      {reading !== null && (
        <p className={`${styles.checkTodo} mb-0`}>
          <strong>Read on.</strong> {reading}{' '}
          {!only && (
            <>
              <strong>Then:</strong> {words.todo}
            </>
          )}
        </p>
      )}
      {reading === null && only !== 'thickness' && (
        <p className={`${styles.checkTodo} mb-0`}>
          <strong>{words.todo}</strong> {words.why}
        </p>
      )}
      {only !== 'thickness' && (
        <Line
          name="Lateral runout"
          verdict={assessment.runout?.verdict}
          corner={corner}
          note={
            <>
              limit {say(runoutLimit(limits).value)}, {SOURCE_NAME[runoutLimit(limits).source]}
              {shares && `; of it ${shares}`}
            </>
          }
        />
      )}
      {only !== 'runout' && <ThicknessLines {...{ assessment, corner }} />}
      {cut && (
        <div className={styles.answer}>
          <h2>Cut on the bench lathe, each side</h2>
          <div>{cut}</div>
          <div className="zh-muted">
            machine-to from {SOURCE_NAME[machineToSource(limits) ?? 'workshop']}
          </div>
        </div>
      )}
    </div>
  );
}
