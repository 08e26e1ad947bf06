import { Table } from 'react-bootstrap';
import type { LengthRole, UnitSystem } from '@/core/units';
import type { Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';

/** One figure of a report: before and after, with its limit and where that is from. */
export interface ReportFigure {
  readonly name: string;
  readonly before: Verdict | null | undefined;
  readonly after: Verdict | null | undefined;
  readonly source: string | null;
  readonly role: LengthRole;
}

/** One figure with its verdict; a figure without a limit has none. */
export function Cell({
  verdict,
  role,
  units,
}: Pick<ReportFigure, 'role'> & {
  readonly verdict: Verdict | null | undefined;
  readonly units: UnitSystem;
}) {
  if (!verdict) return <VerdictMark state="not-measured" size={16} />;
  return (
    <>
      <Figure value={verdict.value} role={role} units={units} />{' '}
      <VerdictMark state={verdict.state} size={16} />
    </>
  );
}

/** What was measured of a corner, before and after the work on it. */
export const ReportTable = ({
  label,
  rows,
  units,
}: {
  readonly label: string;
  readonly rows: readonly ReportFigure[];
  readonly units: UnitSystem;
}) => (
  <div className="table-responsive" tabIndex={0} role="region" aria-label={label}>
    <Table size="sm" className="align-middle mb-0">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">Before</th>
          <th scope="col">After</th>
          <th scope="col">Limit</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, before, after, source, role }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>
              <Cell verdict={before} role={role} units={units} />
            </td>
            <td>
              <Cell verdict={after} role={role} units={units} />
            </td>
            <td>
              <Figure value={before?.limit ?? after?.limit ?? null} role={role} units={units} />
              {source && <span className="zh-muted"> {source}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  </div>
);
