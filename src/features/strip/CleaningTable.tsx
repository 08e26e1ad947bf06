import { Table } from 'react-bootstrap';
import { CLEANING_SAYS, type Cleaning } from '@/core/assessment';
import { formatIn, type UnitSystem } from '@/core/units';
import type { Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';

interface Row {
  readonly name: string;
  readonly before: Verdict | undefined;
  readonly after: Verdict | undefined;
}

interface CleaningTableProps {
  readonly rows: readonly Row[];
  readonly cleaning: Cleaning | null;
  readonly units: UnitSystem;
}

function Cell({
  verdict,
  units,
}: {
  readonly verdict: Verdict | undefined;
  readonly units: UnitSystem;
}) {
  return verdict ? (
    <td>
      <Figure value={verdict.value} role="deviation" units={units} />{' '}
      <VerdictMark state={verdict.state} size={16} />
    </td>
  ) : (
    <td>
      <VerdictMark state="not-measured" size={16} />
    </td>
  );
}

/** As found beside cleaned: what cleaning the seat changed. */
export function CleaningTable({ rows, cleaning, units }: CleaningTableProps) {
  return (
    <>
      <div
        className="table-responsive"
        tabIndex={0}
        role="region"
        aria-label="As found and cleaned"
      >
        <Table size="sm" className="align-middle mb-1">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">As found</th>
              <th scope="col">Cleaned</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, before, after }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <Cell verdict={before} units={units} />
                <Cell verdict={after} units={units} />
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      {cleaning && (
        <p className="mb-0">
          <strong>{CLEANING_SAYS[cleaning.change]}</strong> The seat’s own part was{' '}
          {formatIn(units, 'deviation', cleaning.dirt)}.
        </p>
      )}
    </>
  );
}
