import { VERDICT_WORD, type VerdictState } from '@/core/verdict';
import styles from './verdict.module.css';

export const verdictWord = (state: VerdictState): string => VERDICT_WORD[state];

/** Each state has a ring of its own: closed, half, broken, dotted, crossed. */
function Ring({ state }: { state: VerdictState }) {
  const ring = { cx: 12, cy: 12, r: 8.5, fill: 'none', stroke: 'currentColor', strokeWidth: 4 };
  switch (state) {
    case 'within':
      return <circle {...ring} />;
    case 'too-close':
      return (
        <>
          <circle {...ring} strokeWidth={1} />
          <path d="M12 3.5a8.5 8.5 0 0 0 0 17" fill="none" stroke="currentColor" strokeWidth={4} />
        </>
      );
    case 'beyond':
      return <circle {...ring} strokeDasharray="13.4 13.3" transform="rotate(-20 12 12)" />;
    case 'not-measured':
      return <circle {...ring} strokeWidth={3} strokeDasharray="0.1 6.6" strokeLinecap="round" />;
    case 'not-valid':
      return (
        <>
          <circle {...ring} strokeWidth={2.5} />
          <path d="M6 18 18 6" stroke="currentColor" strokeWidth={2.5} />
        </>
      );
  }
}

/** What was seen of an item, each with the ring and the word that tell it apart. */
const LOOK = {
  sound: { ring: 'within', word: 'Sound' },
  wrong: { ring: 'beyond', word: 'Found wrong' },
  'not-looked': { ring: 'not-measured', word: 'Not looked at' },
} as const satisfies Record<string, { ring: VerdictState; word: string }>;

/** Not looked at, sound, or found wrong: by word, shape and colour. */
export function LookMark({ state, size = 20 }: { state: keyof typeof LOOK; size?: number }) {
  const { ring, word } = LOOK[state];
  return <RingMark state={ring} word={word} size={size} />;
}

interface LookCountsProps {
  readonly notLooked: number;
  readonly sound: number;
  readonly wrong: number;
}

/** How many are not looked at, sound, and found wrong: three figures, never one. */
export function LookCounts({ notLooked, sound, wrong }: LookCountsProps) {
  return (
    <div className="d-flex flex-wrap gap-3 my-1">
      {(
        [
          ['not-looked', notLooked],
          ['sound', sound],
          ['wrong', wrong],
        ] as const
      ).map(([state, count]) => (
        <span key={state}>
          <LookMark state={state} /> {count}
        </span>
      ))}
    </div>
  );
}

/** The ring of a verdict on a whole job. */
export const OUTCOME_RING = {
  cured: 'within',
  better: 'too-close',
  'not-cured': 'beyond',
  'not-proven': 'not-measured',
  referred: 'not-measured',
} as const;

/** A word with the ring and colour of a state. */
export function RingMark({
  state,
  word,
  size = 24,
}: {
  state: VerdictState;
  word: string;
  size?: number;
}) {
  return (
    <span className={`${styles.verdict} ${styles[state]}`} data-part="verdict">
      <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
        <Ring state={state} />
      </svg>
      {word}
    </span>
  );
}

/** A verdict by word, shape and colour. */
export const VerdictMark = ({ state, size }: { state: VerdictState; size?: number }) => (
  <RingMark state={state} word={VERDICT_WORD[state]} size={size} />
);
