import { Table } from 'react-bootstrap';
import type { StageTime } from '@/core/insights';
import { BandBar } from '@/ui/chart';
import { sayMinutes, STAGE_NAME } from './model';
import styles from './insights.module.css';

/** Hands-on time of every stage: the median, and the middle half of the jobs. */
export function StageTimes({ stages }: { readonly stages: readonly StageTime[] }) {
  if (stages.length === 0) return <p className="mb-0">No times yet.</p>;
  const full = Math.max(...stages.map(({ to }) => to));
  return (
    <>
      <Table size="sm" className={styles.rates}>
        <thead>
          <tr>
            <th scope="col">Stage</th>
            <th scope="col">Jobs</th>
            <th scope="col">Half of the jobs take up to</th>
          </tr>
        </thead>
        <tbody>
          {stages.map(({ stage, jobs, median, from, to }) => (
            <tr key={stage}>
              <th scope="row">{STAGE_NAME[stage]}</th>
              <td className="zh-figure">{jobs}</td>
              <td>
                <span className="zh-figure">{sayMinutes(median)}</span>{' '}
                <span className="zh-muted">
                  the middle half {sayMinutes(from)} to {sayMinutes(to)}
                </span>
                <BandBar value={median} low={from} high={to} full={full} />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="zh-muted mb-0">
        From one thing written down to the next; pauses over half an hour are left out. Times are
        read to about 9 %.
      </p>
    </>
  );
}
