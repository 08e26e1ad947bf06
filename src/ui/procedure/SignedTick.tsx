import { Button } from 'react-bootstrap';
/** Name and time under something that was written. */
export const Signed = ({ written }: { written: { by: string | null; at: string } }) => (
  <span className="zh-muted">
    {written.by} {written.at}
  </span>
);

interface SignedTickProps {
  readonly label: string;
  readonly written: { readonly by: string | null; readonly at: string } | null;
  readonly isMain: boolean;
  readonly busy: boolean;
  readonly trouble: string | null;
  readonly onPress: () => void;
}

/** Something that is ticked with name and time, and taken back by the same press. */
export function SignedTick({ label, written, isMain, busy, trouble, onPress }: SignedTickProps) {
  return (
    <div className="my-2 zh-no-print">
      <Button
        type="button"
        variant={isMain && !written ? 'primary' : 'outline-secondary'}
        aria-pressed={written !== null}
        disabled={busy}
        onClick={onPress}
      >
        {written ? `\u2713 ${label}` : label}
      </Button>{' '}
      {written && <Signed written={written} />}
      {trouble && (
        <div className="zh-error" role="alert">
          {trouble}
        </div>
      )}
    </div>
  );
}
