import { predictHeat, type Heat, type Programme } from '@/core/bedding';
import { LinesChart } from '@/ui/chart';
import styles from './rebuild.module.css';

/** The predicted temperature over time, with the ceiling. */
export function HeatChart({
  programme,
  heat,
  carrier,
}: {
  readonly programme: Programme;
  readonly heat: Heat;
  readonly carrier: 'rotor' | 'drum';
}) {
  const { stops, highest, over, end } = predictHeat(programme, heat);
  const last = stops.at(-1);
  if (!last) return null;
  const minutes = (seconds: number): number => Math.round((seconds / 60) * 100) / 100;
  const total = last.at + programme.coolMinutes * 60;
  const points = [
    ...stops.flatMap(({ at, before, after }) => [
      { x: minutes(at), y: Math.round(before as number) },
      { x: minutes(at + 0.6), y: Math.round(after as number) },
    ]),
    ...(total > last.at ? [{ x: minutes(total), y: Math.round(end as number) }] : []),
  ];
  const ceiling = heat.ceiling as number;
  const name = carrier === 'drum' ? 'Drum' : 'Rotor';
  return (
    <>
      <LinesChart
        caption={`Predicted ${carrier} temperature by stop (planning estimate)`}
        xTitle="Minutes"
        yTitle={`${name} (°C)`}
        digits={0}
        label={`Predicted temperature of one ${carrier}: ${stops.length} stops, highest ${Math.round(highest as number)} °C, ceiling ${ceiling} °C${over.length > 0 ? `, passed at stops ${over.join(', ')}` : ''}.`}
        lines={[
          { name, points, look: 'plain' },
          {
            name: 'Ceiling',
            points: [
              { x: 0, y: ceiling },
              { x: minutes(Math.max(total, 1)), y: ceiling },
            ],
            look: 'strong',
          },
        ]}
      />
      <p role="status" className="mt-2">
        {over.length > 0 ? (
          <strong className={styles.missing}>
            Above {ceiling} °C at stop {over.join(', ')}: highest{' '}
            <span className="zh-figure">{Math.round(highest as number)} °C</span>.
          </strong>
        ) : (
          <>
            Highest <span className="zh-figure">{Math.round(highest as number)} °C</span>, below{' '}
            {ceiling} °C.
          </>
        )}
      </p>
    </>
  );
}
