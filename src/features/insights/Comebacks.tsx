import { Table } from 'react-bootstrap';
import type { Comebacks as Row } from '@/core/insights';
import { BandBar } from '@/ui/chart';
import { sayShare } from './model';
import styles from './insights.module.css';

/** How often jobs came back, a row a cause or correction, each share with its interval. */
export function Comebacks({
  caption,
  rows,
  nameOf,
}: {
  readonly caption: string;
  readonly rows: readonly Row[];
  readonly nameOf: (key: string) => string;
}) {
  const full = Math.max(0.05, ...rows.map(({ share }) => (share.isFew ? 0 : share.high)));
  return (
    <Table size="sm" className={styles.rates}>
      <caption className="visually-hidden">{caption}</caption>
      <thead>
        <tr>
          <th scope="col">{caption}</th>
          <th scope="col">Jobs</th>
          <th scope="col">Came back</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, share }) => (
          <tr key={key}>
            <th scope="row">{nameOf(key)}</th>
            <td className="zh-figure">{share.of}</td>
            <td>
              {sayShare(share)}
              {!share.isFew && (
                <BandBar
                  value={share.share ?? 0}
                  low={share.low}
                  high={Math.min(share.high, full)}
                  full={full}
                />
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
