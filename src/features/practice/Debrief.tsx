'use client';

import { Table } from 'react-bootstrap';
import {
  workOf,
  type FigureBeside,
  type PlaceBeside,
  type PracticeCase,
  type ReadResult,
} from '@/core/practice';
import { trueRunout } from '@/core/bench';
import { exaggerationOf } from '@/core/drawing';
import { meanOf } from '@/core/numeric';
import { CORNER_NAME } from '@/core/readings';
import { fieldUnit, formatIn, type UnitSystem } from '@/core/units';
import { UnrolledChart } from '@/ui/chart';
import { RotorFace } from '@/ui/rotor';
import { VerdictMark } from '@/ui/verdict';
import styles from './practice.module.css';

interface DebriefProps {
  readonly own: PracticeCase;
  readonly result: ReadResult;
  readonly units: UnitSystem;
}

const FIGURE_NAME: Readonly<Record<FigureBeside['what'], string>> = {
  runout: 'Lateral runout',
  variation: 'Thickness variation',
  least: 'Least thickness',
};

const sayFigure = ({ what }: FigureBeside, value: number | null, units: UnitSystem): string =>
  value === null ? '–' : formatIn(units, what === 'least' ? 'size' : 'deviation', value);

/** Figures as found beside the true ones. */
function Figures({ result, units }: Pick<DebriefProps, 'result' | 'units'>) {
  return (
    <Table className={styles.figures}>
      <thead>
        <tr>
          <th scope="col">Figure</th>
          <th scope="col">Found</th>
          <th scope="col">True</th>
        </tr>
      </thead>
      <tbody>
        {result.figures.map((figure) => (
          <tr key={figure.what}>
            <th scope="row">
              {FIGURE_NAME[figure.what]}
              <div className="zh-muted fw-normal">
                {figure.isRight ? 'right' : 'not right'}, limit{' '}
                {sayFigure(figure, figure.limit, units)}
              </div>
            </th>
            <td>
              <span className="zh-figure">{sayFigure(figure, figure.found, units)}</span>
              <div>
                <VerdictMark state={figure.state} size={16} />
              </div>
            </td>
            <td>
              <span className="zh-figure">{sayFigure(figure, figure.truth, units)}</span>
              <div>
                <VerdictMark state={figure.trueState} size={16} />
              </div>
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

const level = (values: readonly number[]): number[] =>
  values.map((value) => value - meanOf(values));

/** The rotor as it was read beside the rotor as it is, in one scale. */
function Faces({
  own,
  places,
  limit,
  what,
}: {
  readonly own: PracticeCase;
  readonly places: readonly PlaceBeside[];
  readonly limit: number;
  readonly what: string;
}) {
  const [read, truth] = [
    level(places.map((place) => place.read)),
    level(places.map((place) => place.truth)),
  ];
  const shared = {
    ...{ corner: own.corner, studs: own.studs, fastening: 'studs' as const, limit },
    angles: places.map(({ angleDeg }) => angleDeg),
    scale: exaggerationOf([...read, ...truth], limit),
  };
  return (
    <>
      {[
        { name: 'as it is', values: truth },
        { name: 'as it was read', values: read },
      ].map(({ name, values }) => (
        <figure key={name} className="mb-0">
          <RotorFace
            {...shared}
            values={values}
            isPlain
            label={`${what}, ${CORNER_NAME[own.corner]}: ${name}`}
          />
          <figcaption className="text-center">
            {what} {name}
          </figcaption>
        </figure>
      ))}
    </>
  );
}

/** Readings against angle, with the true wave as the line. */
function Readings({ own, result, units }: DebriefProps) {
  const { runout } = result.places;
  if (runout.length === 0) return null;
  const wave = trueRunout(own.virtual, 0);
  return (
    <UnrolledChart
      angles={runout.map(({ angleDeg }) => angleDeg)}
      values={level(runout.map(({ read }) => read))}
      mean={0}
      orders={wave}
      limit={own.limits.runout!.value}
      unit={fieldUnit(units, 'deviation')}
      caption="Your readings (dots) against the true face (line); its first order alone (dashed)"
      label="Your readings against the true face"
    />
  );
}

/** After a case: one sentence, then truth beside what was found, and what was wrong at the bench. */
export function Debrief({ own, result, units }: DebriefProps) {
  const { runout, thickness } = result.places;
  const wrong = Object.keys(own.faults) as (keyof typeof own.faults)[];
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-debrief">
      <h2 id="practice-debrief" className={styles.sentence} tabIndex={-1}>
        {result.sentence}
      </h2>
      {result.harm && (
        <p className="zh-stop">
          <strong>Harm.</strong> The {FIGURE_NAME[result.harm.what].toLowerCase()} is beyond, and it
          was called within: this rotor would have gone back on the road.
        </p>
      )}
      <Figures {...{ result, units }} />
      <p>
        <strong>At the bench:</strong>{' '}
        {wrong.length === 0
          ? 'nothing was wrong.'
          : wrong
              .map(
                (fault) =>
                  `${workOf(fault).why} (${result.missed.includes(fault) ? 'missed' : 'put right'})`,
              )
              .join('; ') + '.'}{' '}
        <span className="zh-figure">{result.minutes.toFixed(0)} min</span>; the shortest way takes{' '}
        <span className="zh-figure">{result.best.toFixed(0)} min</span>.
      </p>
      <div className={styles.faces}>
        {runout.length > 0 && (
          <Faces {...{ own }} places={runout} limit={own.limits.runout!.value} what="Runout" />
        )}
        {thickness.length > 0 && (
          <Faces {...{ own }} places={thickness} limit={own.limits.dtv!.value} what="Thickness" />
        )}
      </div>
      <Readings {...{ own, result, units }} />
    </section>
  );
}
