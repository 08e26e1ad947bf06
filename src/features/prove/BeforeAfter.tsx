import type { LengthRole, UnitSystem } from '@/core/units';
import type { BeforeAfter as Row } from '@/core/job';
import type { Verdict } from '@/core/verdict';
import { CardTable } from '@/ui/table';
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
    <CardTable columns={['Corner', 'What', 'Before', 'After']} className="align-middle mb-0">
      {rows.map(({ corner, name, role, before, after }) => (
        <tr role="row" key={`${corner} ${name}`}>
          <th role="rowheader" scope="row" className="zh-figure">
            {corner}
          </th>
          <td role="cell">{name}</td>
          <td role="cell" data-label="Before">
            <Cell verdict={before} role={role} units={units} />
          </td>
          <td role="cell" data-label="After">
            <Cell verdict={after} role={role} units={units} />
          </td>
        </tr>
      ))}
    </CardTable>
  );
}
