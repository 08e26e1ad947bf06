import type { SourceRepair } from '@/core/job';

/** A source beside the rotors as the report tells of it. */
export interface ReportSource extends Pick<SourceRepair, 'how' | 'did' | 'toWhom'> {
  readonly say: string;
  /** What would show it, by the knowledge. */
  readonly wanted: string;
  /** What did, or did not; null where nobody wrote it down. */
  readonly proof: SourceRepair['proof'];
}

/** What became of a source, in words. */
function became({ how, did, toWhom }: ReportSource): string {
  if (how === 'referred') return `found, told and referred. ${toWhom ?? ''}`;
  return did === null ? 'to be put right here; not done yet.' : `put right: ${did}.`;
}

/** What shows that a source is put right, in words: what was read or felt, else what would. */
const shown = ({ proof, wanted }: ReportSource): string =>
  proof === null ? `Proof: ${wanted}` : `${proof.isShown ? 'Shown' : 'Not shown'}: ${proof.say}.`;

/** Sources beside the rotors: what was found, and what became of it. */
export const SourceLines = ({ sources }: { readonly sources: readonly ReportSource[] }) =>
  sources.length === 0 ? null : (
    <section className="mb-3">
      <h2>The source beside the rotors</h2>
      <ul className="mb-0">
        {sources.map((source) => (
          <li key={source.say}>
            <strong>{source.say}</strong>: {became(source)}
            {source.how === 'here' && <span className="zh-muted"> {shown(source)}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
