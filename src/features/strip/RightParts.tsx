'use client';

import { Button } from 'react-bootstrap';
import { Conflicts } from './Conflicts';
import { checkAt, type CheckView } from './model';
import { useChecks } from './useChecks';
import styles from './strip.module.css';
import asking from '@/ui/shell/asking.module.css';

interface RightPartsProps {
  readonly jobId: string;
  readonly axle: 'front' | 'rear';
  readonly items: readonly { readonly code: string; readonly say: string }[];
  readonly checks: readonly CheckView[];
}

const ANSWERS = [
  ['right', 'Right'],
  ['wrong', 'Wrong'],
  ['missing', 'Missing'],
] as const;

/** New parts of an axle held against the record, before anything is taken apart. */
export function RightParts({ jobId, axle, items, checks: stored }: RightPartsProps) {
  const store = useChecks(jobId, stored, ({ kind, place }) => kind === 'parts' && place === axle);
  const at = (item: string): CheckView | undefined =>
    checkAt(store.checks, { kind: 'parts', place: axle, item });
  const write = (item: string, value: string): void =>
    store.write({
      kind: 'parts',
      place: axle,
      item,
      value: at(item)?.value === value ? null : value,
      note: null,
    });
  const hasNone = at('none') !== undefined;
  const trouble = items.filter(({ code }) =>
    ['wrong', 'missing'].includes(String(at(code)?.value)),
  );
  const nameOf = (code: string): string =>
    items.find((item) => item.code === code)?.say ?? 'New parts';
  return (
    <section aria-labelledby={`zh-parts-${axle}`}>
      <div className="zh-row">
        <h3 id={`zh-parts-${axle}`}>{axle === 'front' ? 'Front axle' : 'Rear axle'}</h3>
        <Button
          type="button"
          variant={hasNone ? 'dark' : 'outline-secondary'}
          aria-pressed={hasNone}
          onClick={() => write('none', 'right')}
        >
          No new parts for this axle
        </Button>
      </div>
      <Conflicts {...store} say={(item, value) => `${nameOf(item)}: ${String(value ?? 'open')}`} />
      {!hasNone && (
        <ul className="list-unstyled">
          {items.map(({ code, say }) => (
            <li key={code} className={styles.partRow}>
              <span id={`zh-part-${axle}-${code}`}>{say}</span>
              <span
                role="group"
                aria-labelledby={`zh-part-${axle}-${code}`}
                className={asking.answers}
              >
                {ANSWERS.map(([value, label]) => (
                  <Button
                    key={value}
                    type="button"
                    variant={at(code)?.value === value ? 'dark' : 'outline-secondary'}
                    aria-pressed={at(code)?.value === value}
                    onClick={() => write(code, value)}
                  >
                    {label}
                  </Button>
                ))}
              </span>
            </li>
          ))}
        </ul>
      )}
      {trouble.length > 0 && (
        <div className="zh-stop" role="alert">
          <strong>Stop: {trouble.map(({ say }) => say.toLowerCase()).join('; ')}.</strong> Take
          nothing more apart. The vehicle stays drivable, or it stays put.
        </div>
      )}
    </section>
  );
}
