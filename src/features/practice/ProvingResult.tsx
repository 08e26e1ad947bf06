import { estimatesOf, POLICY_NAME, type Estimate, type Policy } from '@/core/bench';
import { sayMoney } from '@/core/options';
import { CardTable } from '@/ui/table';
import type { ProvingState } from '@/workers/provingClient';
import styles from './practice.module.css';

interface ProvingResultProps {
  readonly state: ProvingState;
  readonly policies: readonly Policy[];
  readonly currency: string;
  /** What the shop’s list does not say, in words. */
  readonly assumed: readonly string[];
}

const [CURED, BACK, MOUNTINGS, COST] = [
  'Cured',
  'Comes back',
  'Mountings',
  'Cost a corner',
] as const;
const COLUMNS = ['Way of working', CURED, BACK, MOUNTINGS, COST];

const percent = (share: number): string => (100 * share).toFixed(1);

/** A share as a bar with its interval; the figure stands beside it. */
const Bar = ({ share }: { readonly share: Estimate }) => (
  <div className={styles.bar} aria-hidden="true">
    <div className={styles.barFill} style={{ width: `${100 * share.mean}%` }} />
    <div
      className={styles.barBand}
      style={{ left: `${100 * share.low}%`, width: `${100 * (share.high - share.low)}%` }}
    />
  </div>
);

/** What the ways come to on the corners that were tried so far, each figure with its interval of 95 %. */
export function ProvingResult({ state, policies, currency, assumed }: ProvingResultProps) {
  const rows = policies.flatMap((policy) => {
    const found = estimatesOf(state.tallies[policy]);
    return found ? [{ policy, ...found }] : [];
  });
  if (rows.length === 0) return null;
  const least = rows.reduce((p, q) => (q.cost.mean < p.cost.mean ? q : p));
  return (
    <section className="zh-card mb-3" aria-labelledby="proving-result">
      <h2 id="proving-result">
        {POLICY_NAME[least.policy]}: <span className="zh-figure">{percent(least.within.mean)}</span>{' '}
        % cured, <span className="zh-figure">{sayMoney(least.cost.mean, currency)}</span> a corner
      </h2>
      <p>
        The least cost of {rows.length === 1 ? 'one way' : `${rows.length} ways`} on{' '}
        <span className="zh-figure">{state.done.toLocaleString('en')}</span> corners that are not
        within, parts, work and comebacks together. Beside each figure stands what holds the true
        one in 95 of 100 studies.
      </p>
      {assumed.length > 0 && (
        <p className="zh-muted">
          The shop’s list does not say what these cost; the demo’s figures stand for them:{' '}
          {assumed.join('; ')}.
        </p>
      )}
      <CardTable columns={COLUMNS}>
        {rows.map(({ policy, within, comebacks, mountings, cost }) => (
          <tr key={policy} role="row">
            <th role="rowheader" scope="row">
              {POLICY_NAME[policy]}
            </th>
            <td role="cell" data-label={CURED}>
              <span className="zh-figure text-nowrap">{percent(within.mean)} %</span>{' '}
              <span className="zh-muted text-nowrap">
                {percent(within.low)} to {percent(within.high)} %
              </span>
              <Bar share={within} />
            </td>
            <td role="cell" data-label={BACK} className="zh-figure text-nowrap">
              {percent(comebacks.mean)} %
            </td>
            <td role="cell" data-label={MOUNTINGS} className="zh-figure">
              {mountings.toFixed(1)}
            </td>
            <td role="cell" data-label={COST} className="zh-figure">
              {sayMoney(cost.mean, currency)} ± {((cost.high - cost.low) / 2).toFixed(0)}
            </td>
          </tr>
        ))}
      </CardTable>
    </section>
  );
}
