import { Table } from 'react-bootstrap';
import {
  dtvLimit,
  COMPOSITE_WEAR,
  isThicknessJudged,
  machineToSource,
  runoutLimit,
  SOURCE_NAME,
  type CornerAssessment,
  type CornerRecord,
  type LimitSource,
} from '@/core/assessment';
import { formatIn, type LengthRole, type UnitSystem } from '@/core/units';
import { describeReason, type Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';

interface Row {
  readonly name: string;
  readonly verdict: Verdict | undefined;
  readonly source: LimitSource | null;
  readonly role: LengthRole;
}

function rowsOf(record: CornerRecord, assessment: CornerAssessment): Row[] {
  const { limits } = record;
  const thickness = assessment.thicknessVerdicts?.verdicts;
  const runout: Row = {
    name: 'Lateral runout',
    verdict: assessment.runout?.verdict,
    source: runoutLimit(limits).source,
    role: 'deviation',
  };
  if (!isThicknessJudged(record)) return [runout];
  return [
    runout,
    {
      name: 'Thickness variation (DTV)',
      verdict: assessment.thickness?.dtvVerdict,
      source: dtvLimit(limits).source,
      role: 'deviation',
    },
    {
      name: 'Thinnest, discard thickness',
      verdict: thickness?.discard,
      source: limits.discard?.source ?? null,
      role: 'size',
    },
    {
      name: 'Thinnest, machine-to thickness',
      verdict: thickness?.machineTo,
      source: machineToSource(limits),
      role: 'size',
    },
  ];
}

function VerdictRow({ row, units }: { row: Row; units: UnitSystem }) {
  const { verdict, role } = row;
  if (!verdict) {
    return (
      <tr>
        <th scope="row">{row.name}</th>
        <td colSpan={4}>
          <VerdictMark state="not-measured" />
        </td>
      </tr>
    );
  }
  const say = (value: number): string => formatIn(units, role, value);
  return (
    <>
      <tr>
        <th scope="row">{row.name}</th>
        <td>
          <Figure value={verdict.value} role={role} units={units} />
        </td>
        <td>
          <Figure value={verdict.limit} role={role} units={units} />
          {row.source && <div className="zh-muted">{SOURCE_NAME[row.source]}</div>}
        </td>
        <td>
          <Figure value={verdict.margin} units={units} />
          <div className="zh-muted">
            guard band{' '}
            {verdict.guardBand === null ? '–' : formatIn(units, 'deviation', verdict.guardBand)}
          </div>
        </td>
        <td>
          <VerdictMark state={verdict.state} />
        </td>
      </tr>
      {verdict.reasons.length > 0 && (
        <tr>
          <td colSpan={5} className="zh-muted pt-0">
            {verdict.reasons.map((reason) => describeReason(reason, say)).join(' ')}
          </td>
        </tr>
      )}
    </>
  );
}

/** Every verdict of a corner with value, limit, its source, margin and guard band. */
export function VerdictTable({
  record,
  assessment,
  units,
}: {
  record: CornerRecord;
  assessment: CornerAssessment;
  units: UnitSystem;
}) {
  return (
    <div
      className="table-responsive"
      tabIndex={0}
      role="region"
      aria-label={`Verdicts, ${record.corner}`}
    >
      <Table size="sm" className="align-middle">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Measured</th>
            <th scope="col">Limit</th>
            <th scope="col">Margin</th>
            <th scope="col">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {rowsOf(record, assessment).map((row) => (
            <VerdictRow key={row.name} row={row} units={units} />
          ))}
        </tbody>
      </Table>
      {!isThicknessJudged(record) && <p className="zh-muted mb-2">{COMPOSITE_WEAR}</p>}
    </div>
  );
}
