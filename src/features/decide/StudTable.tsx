import { Table } from 'react-bootstrap';
import {
  hubTir,
  runoutLimit,
  sayMove,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import type { IndexResult } from '@/core/indexing';
import { formatIn, type UnitSystem } from '@/core/units';
import { BandBar } from '@/ui/chart';
import { Figure } from '@/ui/verdict';

interface StudTableProps {
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly index: IndexResult;
  readonly units: UnitSystem;
}

/** Hub and rotor told apart, and the predicted runout at every stud the rotor allows. */
export function StudTable({ record, assessment, index, units }: StudTableProps) {
  const limit = runoutLimit(record.limits).value;
  const first = index.separation[0];
  const hub = hubTir(assessment);
  const full = Math.max(limit, ...index.predictions.map(({ high }) => high)) * 1.05;
  if (!first?.separable || hub === null) {
    return (
      <p>
        Hub and rotor are not told apart yet: one mounting was measured. A second mounting shows
        what each stud would give.
      </p>
    );
  }
  return (
    <>
      <p>
        Hub alone <Figure value={hub} units={units} />, high spot at{' '}
        {first.hub.highSpotDeg.toFixed(0)}
        °; rotor alone <Figure value={2 * first.rotor.amplitude} units={units} />, high spot at{' '}
        {first.rotor.highSpotDeg.toFixed(0)}° (first order, both at the rotor’s circle).
      </p>
      <div className="table-responsive" tabIndex={0} role="region" aria-label="Predicted runout">
        <Table size="sm" className="align-middle">
          <thead>
            <tr>
              <th scope="col">Rotor, from the first mark</th>
              <th scope="col">Predicted</th>
              <th scope="col">95 % band</th>
              <th scope="col" className="w-25">
                <span className="visually-hidden">Bar with the limit</span>
              </th>
              <th scope="col">Chance within</th>
            </tr>
          </thead>
          <tbody>
            {index.predictions.map((prediction) => {
              const { shift, tir, low, high, probabilityWithin, measured } = prediction;
              const isBest = shift === index.best.shift;
              return (
                <tr key={shift} className={isBest ? 'fw-bold' : ''}>
                  <th scope="row" className={isBest ? '' : 'fw-normal'}>
                    {sayMove({ ...record, units }, 0, shift) ?? 'as first marked'}
                    {measured && ' (measured)'}
                    {isBest && ' – best'}
                  </th>
                  <td>
                    <Figure value={tir} units={units} />
                  </td>
                  <td className="zh-figure text-nowrap fw-normal">
                    {formatIn(units, 'deviation', low)} – {formatIn(units, 'deviation', high)}
                  </td>
                  <td>
                    <BandBar value={tir} low={low} high={high} limit={limit} full={full} />
                  </td>
                  <td className="zh-figure">{Math.round(probabilityWithin * 100)} %</td>
                </tr>
              );
            })}
          </tbody>
        </Table>
      </div>
    </>
  );
}
