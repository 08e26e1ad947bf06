import type { VerdictState } from '@/core/verdict';

const WORD: Readonly<Record<VerdictState, string>> = {
  within: 'Within',
  'too-close': 'Too close to call',
  beyond: 'Beyond',
  'not-measured': 'Not measured',
  'not-valid': 'Not valid',
};

export const verdictWord = (state: VerdictState): string => WORD[state];

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

/** A verdict by word, shape and colour. */
export function VerdictMark({ state, size = 24 }: { state: VerdictState; size?: number }) {
  return (
    <span className={`zh-verdict zh-${state}`}>
      <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
        <Ring state={state} />
      </svg>
      {WORD[state]}
    </span>
  );
}
