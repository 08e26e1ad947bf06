import styles from './report.module.css';
interface WarningsProps {
  /** Why the vehicle must not be driven; empty where it may. */
  readonly mustNotMove: readonly string[];
  /** Whose figures were invented for practice; null where all was read on the vehicle. */
  readonly invented: string | null;
  /** What else stands between an open job and its sign-off; null once it is signed. */
  readonly notSigned: readonly string[] | null;
}

/** What a document says before anything else: that it must not be driven, that it is not signed. */
export function Warnings({ mustNotMove, invented, notSigned }: WarningsProps) {
  const rest = notSigned ?? [];
  if (mustNotMove.length === 0 && invented === null && notSigned === null) return null;
  return (
    <div
      className={
        mustNotMove.length > 0
          ? `zh-stop ${styles.warnings} mb-3`
          : `zh-card ${styles.warnings} mb-3`
      }
      role="note"
    >
      {mustNotMove.length > 0 && (
        <>
          <strong>This vehicle must not be driven.</strong>
          <ul className="mb-1">
            {mustNotMove.map((say) => (
              <li key={say}>{say}</li>
            ))}
          </ul>
        </>
      )}
      {invented !== null && (
        <p className="mb-1">
          <strong>Practice.</strong> {invented}
        </p>
      )}
      {notSigned !== null && (
        <>
          <strong>Not signed off.</strong>{' '}
          {rest.length > 0 ? 'What stands open:' : 'The work is not finished, or not checked yet.'}
          {rest.length > 0 && (
            <ul className="mb-0">
              {rest.map((say) => (
                <li key={say}>{say}</li>
              ))}
            </ul>
          )}
        </>
      )}
    </div>
  );
}
