import type { ReactNode } from 'react';
import { fieldUnit, formatNumber } from '@/core/units';
import { DrumFace } from '@/ui/rotor';
import { VerdictMark } from '@/ui/verdict';
import { drumRows, type DrumView } from './model';
import styles from './drum.module.css';

interface DrumCardProps {
  readonly view: DrumView;
  readonly phase: 'before' | 'after';
  /** What stands under the verdicts: the fields of its figures, where they are entered here. */
  readonly children?: ReactNode;
}

/** A drum as it was measured: drawn from inside, with its verdicts; figures are the largest. */
export function DrumCard({ view, phase, children }: DrumCardProps) {
  const { units, diameters } = view;
  const unit = fieldUnit(units, 'size');
  const rows = drumRows(view, phase);
  const figures = diameters[phase].map((value) =>
    value === null ? '' : formatNumber(value, unit),
  );
  const round = rows.find(({ name }) => name === 'Out of round');
  return (
    <div className={styles.bench}>
      <DrumFace
        diameters={diameters[phase]}
        limit={view[phase]?.round.limit ?? 100}
        figures={figures}
        label={`Drum, ${view.name}, as one looks into it${round ? `: out of round ${round.value}` : ''}`}
      />
      <div>
        {rows.length > 0 && (
          <dl className={styles.rows}>
            {rows.map(({ name, value, limit, state, notes }) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>
                  <span className="zh-figure zh-figure-large">{value}</span>{' '}
                  <VerdictMark state={state} />
                  <div className="zh-muted">limit {limit}</div>
                  {notes.map((note) => (
                    <div key={note}>{note}</div>
                  ))}
                </dd>
              </div>
            ))}
          </dl>
        )}
        {children}
      </div>
    </div>
  );
}
