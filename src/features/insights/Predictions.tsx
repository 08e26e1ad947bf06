import { Table } from 'react-bootstrap';
import type { Prediction } from '@/core/insights';
import { fieldUnit, formatIn, fromMicrometres, UNIT_SIGN, type UnitSystem } from '@/core/units';
import type { InsightsView } from '@/server/records/insights';
import { PointsChart } from '@/ui/chart';
import { biasOf, correctionName, sayShare } from './model';

const BIAS = {
  more: 'It ends worse than predicted: look for dirt under the hat, and at the gauges.',
  less: 'It ends better than predicted: the predictions are on the careful side.',
  none: 'No lean to either side.',
  unknown: 'Too few to say.',
} as const;

function Row({ row, units }: { readonly row: Prediction; readonly units: UnitSystem }) {
  const { correction, miss, within } = row;
  const signed = (um: number): string =>
    `${um < 0 ? '\u2212' : '+'}${formatIn(units, 'deviation', Math.abs(um))}`;
  return (
    <tr>
      <th scope="row">{correctionName(correction)}</th>
      <td className="zh-figure">{miss.of}</td>
      <td>
        <span className="zh-figure">{miss.mean === null ? '' : signed(miss.mean)}</span>
        {miss.spread !== null && (
          <span className="zh-muted"> ± {formatIn(units, 'deviation', miss.spread)} a corner</span>
        )}
        <br />
        <span className="zh-muted">{BIAS[biasOf(miss)]}</span>
      </td>
      <td>{sayShare(within)}</td>
    </tr>
  );
}

/** Whether the tool was right: runout as predicted against runout as it ended. */
export function Predictions({
  rows,
  proofs,
  units,
}: {
  readonly rows: readonly Prediction[];
  readonly proofs: InsightsView['proofs'];
  readonly units: UnitSystem;
}) {
  if (rows.length === 0) {
    return (
      <p className="mb-0">
        No corner yet whose runout was predicted and then measured after the correction.
      </p>
    );
  }
  const unit = fieldUnit(units, 'deviation');
  const digits = units === 'mm' ? 3 : 1;
  const at = (um: number): number => fromMicrometres(um, unit);
  return (
    <>
      <div className="zh-scroll">
        <Table size="sm">
          <thead>
            <tr>
              <th scope="col">Correction</th>
              <th scope="col">Corners</th>
              <th scope="col">Measured less predicted, on average</th>
              <th scope="col">Within the 95 % band</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row key={row.correction} row={row} units={units} />
            ))}
          </tbody>
        </Table>
      </div>
      {proofs.length > 1 && (
        <PointsChart
          caption="Runout after the correction, the latest corners"
          xTitle={`Predicted (${UNIT_SIGN[unit]})`}
          yTitle={`Measured (${UNIT_SIGN[unit]})`}
          digits={digits}
          label={`Measured against predicted runout of ${proofs.length} corners; the line is where both are the same.`}
          points={proofs.map(({ number, corner, predicted, miss }) => ({
            name: `job ${number} ${corner}`,
            x: at(predicted),
            y: at(predicted + miss),
          }))}
        />
      )}
    </>
  );
}
