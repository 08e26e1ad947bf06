import type { CornerInspection, JobProcedure } from '@/core/job';
import { LookMark } from '@/ui/verdict';
import styles from './report.module.css';

/** What was seen at a corner: found wrong, sound, and not looked at stay three things. */
export function InspectionLines({ inspection }: { readonly inspection: CornerInspection }) {
  const { wrong, sound, notLooked, pads, renew, leftOut } = inspection;
  if (wrong.length + sound.length === 0 && pads.length === 0) {
    return (
      <p className="mb-1">
        Strip and inspect: <LookMark state="not-looked" size={16} />
      </p>
    );
  }
  return (
    <ul className={styles.inspection}>
      {wrong.map(({ name, conditions, putRight }) => (
        <li key={name}>
          <LookMark state="wrong" size={16} /> {name}: {conditions}.{' '}
          {putRight ? <strong>Put right: {putRight}.</strong> : 'Not put right yet.'}
        </li>
      ))}
      {pads.length > 0 && <li>{pads.join('; ')}.</li>}
      {renew.length > 0 && <li>To be renewed: {renew.join(', ').toLowerCase()}.</li>}
      {sound.length > 0 && (
        <li>
          <LookMark state="sound" size={16} /> {sound.join(', ')}.
        </li>
      )}
      {notLooked.length > 0 && (
        <li>
          <LookMark state="not-looked" size={16} /> {notLooked.join(', ')}.
        </li>
      )}
      {leftOut.length > 0 && <li>Steps left out on purpose: {leftOut.join('; ')}.</li>}
    </ul>
  );
}

/** How the job was gone about: the list before lifting, and the house rules followed. */
export function ProcedureLines({ procedure }: { readonly procedure: JobProcedure }) {
  const { lifting, rules } = procedure;
  return (
    <>
      {(lifting.done > 0 || lifting.skipped.length > 0) && (
        <p className="mb-1">
          Before lifting: {lifting.done} points gone through
          {lifting.skipped.length > 0 && `; left out: ${lifting.skipped.join('; ')}`}.
        </p>
      )}
      {rules.length > 0 && (
        <details className={styles.rulesFollowed}>
          <summary className="zh-fold">House rules followed ({rules.length})</summary>
          <p className="mb-1">
            {rules
              .map(({ say, reason }) => `${say}${reason ? ` (this job: ${reason}.)` : ''}`)
              .join(' ')}
          </p>
        </details>
      )}
    </>
  );
}
