import {
  fieldUnit,
  fromMicrometres,
  UNIT_SIGN,
  type LengthRole,
  type UnitSystem,
} from '@/core/units';
import { forecastAt, odometerSpan } from '@/core/wear';
import type { RotorCharts as Charts, RotorPoint } from '@/server/records/rotorCharts';
import { LinesChart, type ChartLine } from '@/ui/chart';
import lists from '@/ui/shell/lists.module.css';

/** A line across the chart at one height. */
const across = (name: string, [from, to]: readonly [number, number], y: number): ChartLine => ({
  name,
  look: 'strong',
  points: [
    { x: from, y },
    { x: to, y },
  ],
});

/** The forecast from the last thickness to where the chart ends, with its band. */
function forecastOf({ left, rate }: Charts, to: number): ChartLine[] {
  if (left === null) return [];
  const { fromKm: km, thickness } = left;
  const { thickness: ends, fastest, slowest } = forecastAt({ km, thickness }, to, rate);
  const line = (name: string, look: ChartLine['look'], end: number | null): ChartLine[] =>
    end === null
      ? []
      : [
          {
            ...{ name, look },
            points: [
              { x: km, y: thickness },
              { x: to, y: end },
            ],
          },
        ];
  return [
    ...line('forecast', 'dashed', ends),
    ...line('at the fastest', 'dotted', fastest),
    ...line('at the slowest', 'dotted', slowest),
  ];
}

/** Figures of a job before and after its work, as two lines. */
const byPhase = (points: readonly RotorPoint[]): ChartLine[] =>
  (['before', 'after'] as const).flatMap((phase): ChartLine[] => {
    const own = points.filter((point) => point.phase === phase);
    if (own.length === 0) return [];
    return [
      {
        name: phase === 'before' ? 'as it came' : 'after the work',
        look: phase === 'before' ? 'plain' : 'dashed',
        points: own.map(({ km, value }) => ({ x: km, y: value })),
      },
    ];
  });

/** Thickness, thickness variation and runout of a corner's rotors on the odometer. */
export function RotorCharts({
  charts,
  units,
}: {
  readonly charts: Charts;
  readonly units: UnitSystem;
}) {
  const { rotors, limits, dtv, runout, left } = charts;
  const span = odometerSpan(
    charts.lines.map(({ km }) => km),
    left,
  );
  const inUnits = (lines: readonly ChartLine[], role: LengthRole): ChartLine[] =>
    lines.map((line) => ({
      ...line,
      points: line.points.map(({ x, y }) => ({
        x,
        y: fromMicrometres(y, fieldUnit(units, role)),
      })),
    }));
  const sign = (role: LengthRole): string => UNIT_SIGN[fieldUnit(units, role)];
  const digits = { size: units === 'mm' ? 2 : 3, deviation: units === 'mm' ? 3 : 1 } as const;
  const thickness: ChartLine[] = [
    ...rotors
      .filter(({ thicknesses }) => thicknesses.length > 0)
      .map(({ count, thicknesses }): ChartLine => ({
        name: `rotor ${count}`,
        look: 'plain',
        points: thicknesses.map(({ km, thickness: y }) => ({ x: km, y })),
      })),
    ...forecastOf(charts, span[1]),
    ...(limits.discard ? [across('discard', span, limits.discard.value)] : []),
  ];
  const cuts = rotors.flatMap((rotor) => rotor.cuts.map(({ km }) => ({ x: km, name: 'cut' })));
  return (
    <>
      <LinesChart
        caption="Minimum thickness"
        xTitle="Odometer (km)"
        yTitle={`Thinnest (${sign('size')})`}
        digits={digits.size}
        yFrom="data"
        marks={cuts}
        label={`Thinnest place of ${rotors.length} rotors against the odometer${left ? `, with the forecast to discard thickness` : ''}.`}
        lines={inUnits(thickness, 'size')}
      />
      <div className={lists.columns}>
        {dtv.length > 0 && (
          <LinesChart
            caption="Thickness variation"
            xTitle="Odometer (km)"
            yTitle={`DTV (${sign('deviation')})`}
            digits={digits.deviation}
            label={`Thickness variation of ${dtv.length} measurements against the odometer, with its limit.`}
            lines={inUnits([...byPhase(dtv), across('limit', span, charts.dtvLimit)], 'deviation')}
          />
        )}
        {runout.length > 0 && (
          <LinesChart
            caption="Runout"
            xTitle="Odometer (km)"
            yTitle={`TIR (${sign('deviation')})`}
            digits={digits.deviation}
            label={`Runout of ${runout.length} measurements against the odometer, with its limit.`}
            lines={inUnits(
              [...byPhase(runout), across('limit', span, charts.runoutLimit)],
              'deviation',
            )}
          />
        )}
      </div>
    </>
  );
}
