import { Table } from 'react-bootstrap';
import { sayMove, type CornerRecord } from '@/core/assessment';
import { bestPlate, type PlateFit } from '@/core/plate';
import { fastenerName } from '@/core/readings';
import { formatIn, formatNumber, fieldUnit, type UnitSystem } from '@/core/units';

interface PlateTableProps {
  readonly record: CornerRecord;
  readonly fits: readonly PlateFit[];
  readonly current: number;
  readonly units: UnitSystem;
}

/** Predicted runout of every plate at every stud, the rotor at the best of its places. */
export function PlateTable({ record, fits, current, units }: PlateTableProps) {
  const corrections = [...new Set(fits.map(({ correction }) => correction))];
  const studs = [...new Set(fits.map(({ thickAtStud }) => thickAtStud))];
  const best = bestPlate(fits, current, record.studs);
  const fastener = fastenerName(record.fastening);
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Tapered plates">
      <Table size="sm">
        <caption className="zh-muted">
          Predicted runout ({formatIn(units, 'deviation', 0).split(' ').at(-1)}) by plate and by the{' '}
          {fastener} at its thick place, the rotor at its best place for each. Only where the
          vehicle maker allows a plate; never more than one; hub and rotor sound and clean; thread
          engagement of the {fastener === 'stud' ? 'nuts' : 'bolts'} checked again.
        </caption>
        <thead>
          <tr>
            <th scope="col">Plate</th>
            {studs.map((stud) => (
              <th key={stud} scope="col">
                {fastener} {stud}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {corrections.map((correction) => (
            <tr key={correction}>
              <th scope="row">{formatIn(units, 'deviation', correction)}</th>
              {studs.map((stud) => {
                const own = fits.filter(
                  (fit) => fit.correction === correction && fit.thickAtStud === stud,
                );
                const least = bestPlate(own, current, record.studs);
                if (!least) return <td key={stud}>–</td>;
                const move = sayMove({ ...record, units }, current, least.shift);
                return (
                  <td
                    key={stud}
                    className="zh-figure"
                    title={move ? `rotor moved ${move}` : 'rotor where it is'}
                  >
                    {least === best ? (
                      <strong>
                        {formatNumber(least.tir, fieldUnit(units, 'deviation'))} – least
                      </strong>
                    ) : (
                      formatNumber(least.tir, fieldUnit(units, 'deviation'))
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
