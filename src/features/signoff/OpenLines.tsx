'use client';

import { useSend } from '@/ui/field';
import { ReasonForm } from '@/ui/ReasonForm';
import { answerTakenBack } from './writes';

/** Something that was taken back or changed and that a lead has to answer. */
export interface OpenLine {
  readonly seq: number;
  readonly say: string;
  /** Who did it, when and why. */
  readonly about: string;
}

interface OpenLinesProps {
  readonly jobId: string;
  readonly lines: readonly OpenLine[];
  /** Name of the lead who is here; null where none is. */
  readonly lead: string | null;
}

function Line({ jobId, line, lead }: Omit<OpenLinesProps, 'lines'> & { readonly line: OpenLine }) {
  const { send, busy, trouble } = useSend(answerTakenBack);
  return (
    <li>
      <strong>{line.say}</strong> <span className="zh-muted">{line.about}</span>
      {lead !== null && (
        <fieldset disabled={busy}>
          <ReasonForm
            label={`Answer to: ${line.say}`}
            placeholder="What you found out about it"
            button={`Answer as ${lead}`}
            isCalm
            onGive={(reason) => send([jobId, line.seq, reason])}
          />
        </fieldset>
      )}
      {trouble && <p className="zh-error mb-0">{trouble}</p>}
    </li>
  );
}

/** What once kept the vehicle off the road and stands there no more: a lead answers each, in writing. */
export function OpenLines({ jobId, lines, lead }: OpenLinesProps) {
  if (lines.length === 0) return null;
  return (
    <section className="zh-card mb-3 zh-no-print" aria-labelledby="zh-open-lines">
      <h2 id="zh-open-lines">Taken back or changed</h2>
      <p>
        This was on record and is so no more. A lead looks into each and answers it in writing;
        until then the stricter counts.
      </p>
      <ul className="list-unstyled mb-0">
        {lines.map((line) => (
          <Line key={line.seq} jobId={jobId} line={line} lead={lead} />
        ))}
      </ul>
      {lead === null && (
        <p className="zh-muted mb-0">A lead answers: ask one to choose the name above.</p>
      )}
    </section>
  );
}
