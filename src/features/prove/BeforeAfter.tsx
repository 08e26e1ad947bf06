import { Table } from 'react-bootstrap';
import type { LengthRole, UnitSystem } from '@/core/units';
import type { BeforeAfter as Row } from '@/core/job';
import type { Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';

function Cell({
  verdict,
  role,
  units,
}: {
  verdict: Verdict | null;
  role: LengthRole;
  units: UnitSystem;
}) {
  if (!verdict) return <VerdictMark state="not-measured" size={18} />;
  return (
    <>
      <Figure value={verdict.value} role={role} units={units} />{' '}
      <VerdictMark state={verdict.state} size={18} />
    </>
  );
}

/** What was measured at every corner, before and after. */
export function BeforeAfter({
  rows,
  units,
}: {
  readonly rows: readonly Row[];
  readonly units: UnitSystem;
}) {
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Before and after">
      <Table size="sm" className="align-middle mb-0">
        <thead>
          <tr>
            <th scope="col">Corner</th>
            <th scope="col">What</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ corner, name, role, before, after }) => (
            <tr key={`${corner} ${name}`}>
              <th scope="row" className="zh-figure">
                {corner}
              </th>
              <td>{name}</td>
              <td>
                <Cell verdict={before} role={role} units={units} />
              </td>
              <td>
                <Cell verdict={after} role={role} units={units} />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
