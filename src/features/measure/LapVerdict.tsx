import { formatIn, type LengthRole } from '@/core/units';
import type { Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';
import type { BenchCorner } from './model';
import type { SetResult } from './result';
import styles from './measure.module.css';

interface Told {
  readonly name: string;
  readonly verdict: Verdict;
  readonly role: LengthRole;
}

/** What a set says as far as it is read. */
function toldBy(result: SetResult): Told[] {
  if (result.kind === 'runout') {
    const name = result.isHub ? 'Hub face' : 'Lateral runout';
    return [{ name, verdict: result.runout.verdict, role: 'deviation' }];
  }
  const discard = result.verdicts?.verdicts.discard;
  return [
    { name: 'Thickness variation', verdict: result.figures.dtvVerdict, role: 'deviation' },
    ...(discard ? [{ name: 'Thinnest', verdict: discard, role: 'size' as const }] : []),
  ];
}

/**
 * The figure and the verdict of the set, short: on a small screen they stand beside the rotor while
 * it is read and above the next thing once it is; a wide one has them in the panel at its side.
 */
export function LapVerdict({
  result,
  corner: { units },
}: {
  readonly result: SetResult | null;
  readonly corner: BenchCorner;
}) {
  return (
    <div className={styles.lapVerdict}>
      {result ? (
        toldBy(result).map(({ name, verdict, role }) => (
          <div key={name}>
            <div className="zh-muted">{name}</div>
            <Figure value={verdict.value} role={role} units={units} />
            <VerdictMark state={verdict.state} size={20} />
            <div className="zh-muted">limit {formatIn(units, role, verdict.limit)}</div>
          </div>
        ))
      ) : (
        <VerdictMark state="not-measured" size={20} />
      )}
    </div>
  );
}
