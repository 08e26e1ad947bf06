'use client';

import { Table } from 'react-bootstrap';
import { type FigureBeside, type PracticeCase, type ReadResult } from '@/core/practice';
import { trueRunout } from '@/core/bench';
import { fieldUnit, formatIn, type UnitSystem } from '@/core/units';
import { UnrolledChart } from '@/ui/chart';
import { VerdictMark } from '@/ui/verdict';
import { AtBench } from './AtBench';
import { evened, Faces, readAndTrue } from './Faces';
import { sayNext } from './later';
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
export function Figures({
  figures,
  units,
}: {
  readonly figures: readonly FigureBeside[];
  readonly units: UnitSystem;
}) {
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
        {figures.map((figure) => (
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

/** Readings against angle, with the true wave as the line. */
function Readings({ own, result, units }: DebriefProps) {
  const { runout } = result.places;
  if (runout.length === 0) return null;
  const wave = trueRunout(own.virtual, 0);
  return (
    <UnrolledChart
      angles={runout.map(({ angleDeg }) => angleDeg)}
      values={evened(runout.map(({ read }) => read))}
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
      <Figures figures={result.figures} units={units} />
      <p>
        <strong>Left so:</strong> {sayNext(result.comesBack, units)}
      </p>
      <AtBench {...{ own, result }} />
      <div className={styles.faces}>
        {runout.length > 0 && (
          <Faces {...{ own }} {...readAndTrue('Runout', runout)} limit={own.limits.runout!.value} />
        )}
        {thickness.length > 0 && (
          <Faces
            {...{ own }}
            {...readAndTrue('Thickness', thickness)}
            limit={own.limits.dtv!.value}
          />
        )}
      </div>
      <Readings {...{ own, result, units }} />
    </section>
  );
}
