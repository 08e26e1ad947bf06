import { Table } from 'react-bootstrap';
import { SOURCE_NAME, type LimitSource } from '@/core/assessment';
import type { MachiningResult } from '@/core/machining';
import { formatIn, type LengthRole, type UnitSystem } from '@/core/units';
import { describeReason } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';
import styles from './decide.module.css';

interface CutTableProps {
  /** Null where nothing was read in the seat in which the rotor sits now. */
  readonly onVehicle: MachiningResult | null;
  readonly bench: MachiningResult;
  readonly units: UnitSystem;
  /** Where the machine-to thickness comes from. */
  readonly source: LimitSource | null;
}

/** Depth a side, finished thickness and what is left, on both lathes; or why not. */
export function CutTable({ onVehicle, bench, units, source }: CutTableProps) {
  const isBelowDiscard = bench.verdict.reasons.some(({ code }) => code === 'below-discard');
  const cuts = [
    ...(onVehicle ? [{ name: 'On-vehicle lathe', cut: onVehicle }] : []),
    { name: 'Bench lathe', cut: bench },
  ];
  const row = (name: string, value: (cut: MachiningResult) => number | null, role: LengthRole) => (
    <tr key={name}>
      <th scope="row">{name}</th>
      {cuts.map(({ name: lathe, cut }) => (
        <td key={lathe}>
          <Figure value={value(cut)} role={role} units={units} />
        </td>
      ))}
    </tr>
  );
  // Below discard thickness no cut is planned: its figures would only mislead.
  const figures = [
    row('Depth outboard, from first contact', (cut) => cut.depthOutboard, 'deviation'),
    row('Depth inboard, from first contact', (cut) => cut.depthInboard, 'deviation'),
    row('Finished thickness', (cut) => cut.finishedThickness, 'size'),
    row(
      `Machine-to thickness${source ? `, ${SOURCE_NAME[source]}` : ''}`,
      (cut) => cut.machineTo,
      'size',
    ),
    row('Left above machine-to', (cut) => cut.finishedThickness - cut.machineTo, 'deviation'),
    row('Budget a side', (cut) => cut.budgetPerSide, 'deviation'),
    row('Runout that remains', (cut) => cut.remainingRunout, 'deviation'),
  ];
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Machining">
      <Table size="sm" className={`align-middle ${styles.cuts}`}>
        <thead>
          <tr>
            <th scope="col">Machining</th>
            {cuts.map(({ name }) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">May it be cut?</th>
            {cuts.map(({ name, cut }) => (
              <td key={name}>
                <VerdictMark state={cut.verdict.state} />
                <div className="zh-muted">
                  {cut.verdict.reasons
                    .map((reason) => describeReason(reason, (um) => formatIn(units, 'size', um)))
                    .join(' ')}
                </div>
              </td>
            ))}
          </tr>
          {!isBelowDiscard && figures}
        </tbody>
      </Table>
      {!onVehicle && (
        <p className="zh-muted">
          On the vehicle it is cut as it sits: measure runout and thickness where it sits now to
          plan that.
        </p>
      )}
    </div>
  );
}
