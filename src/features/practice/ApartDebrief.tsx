'use client';

import { Table } from 'react-bootstrap';
import { faultsLeft, runoutByShift, type ApartResult, type PracticeCase } from '@/core/practice';
import { formatIn, type UnitSystem } from '@/core/units';
import { VerdictMark } from '@/ui/verdict';
import { SOURCE_NAME } from './ApartAnswer';
import { AtBench } from './AtBench';
import { Faces, partFaces, readAndTrue } from './Faces';
import { sayNext } from './later';
import { sayPlace } from './words';
import styles from './practice.module.css';

interface ApartDebriefProps {
  readonly own: PracticeCase;
  readonly result: ApartResult;
  readonly units: UnitSystem;
}

/** What was said and where it stays, beside what is true. */
function Answers({ own, result, units }: ApartDebriefProps) {
  const { stays, possible, limit, said, source } = result;
  const say = (um: number): string => formatIn(units, 'deviation', um);
  return (
    <Table className={styles.figures}>
      <thead>
        <tr>
          <th scope="col">Asked</th>
          <th scope="col">Found</th>
          <th scope="col">True</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">
            Where it comes from
            <div className="zh-muted fw-normal">{said === source ? 'right' : 'not right'}</div>
          </th>
          <td>{said ? SOURCE_NAME[said] : '–'}</td>
          <td>{SOURCE_NAME[source]}</td>
        </tr>
        <tr>
          <th scope="row">
            Runout where it stays
            <div className="zh-muted fw-normal">
              {stays && `${sayPlace(own, stays.shift)}, `}limit {say(limit)}
            </div>
          </th>
          <td>
            <span className="zh-figure">{stays ? say(stays.found) : '–'}</span>
            <div>
              <VerdictMark state={stays?.state ?? 'not-measured'} size={16} />
            </div>
          </td>
          <td>
            {stays && (
              <>
                <span className="zh-figure">{say(stays.truth)}</span>
                <div>
                  <VerdictMark state={stays.truth <= limit ? 'within' : 'beyond'} size={16} />
                </div>
              </>
            )}
          </td>
        </tr>
        <tr>
          <th scope="row">
            The best place
            <div className="zh-muted fw-normal">clean, drawn up evenly</div>
          </th>
          <td />
          <td>
            <span className="zh-figure">{say(possible.truth)}</span>
            <div>{sayPlace(own, possible.shift)}</div>
          </td>
        </tr>
      </tbody>
    </Table>
  );
}

/** True runout in every place that the rotor can sit in. */
function ByShift({ own, units }: Pick<ApartDebriefProps, 'own' | 'units'>) {
  return (
    <p>
      <strong>By place, clean and drawn up evenly:</strong>{' '}
      {runoutByShift(own.virtual).map((truth, shift) => (
        <span key={shift}>
          {shift > 0 && ', '}
          {sayPlace(own, shift)}{' '}
          <span className="zh-figure">{formatIn(units, 'deviation', truth)}</span>
        </span>
      ))}
      .
    </p>
  );
}

/** After telling apart: one sentence, what was said beside the truth, and what the runout is made of. */
export function ApartDebrief({ own, result, units }: ApartDebriefProps) {
  const limit = own.limits.runout!.value;
  const parts = partFaces(own.virtual, faultsLeft(own.faults, []));
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-debrief">
      <h2 id="practice-debrief" className={styles.sentence} tabIndex={-1}>
        {result.sentence}
      </h2>
      {result.isHarm && (
        <p className="zh-stop">
          <strong>Harm.</strong> Runout is beyond where it stays, and it was called within: it would
          have gone back on the road.
        </p>
      )}
      <Answers {...{ own, result, units }} />
      {result.stays && <p>{sayNext(result.stays.comesBack, units)}</p>}
      <AtBench {...{ own, result }} />
      <ByShift {...{ own, units }} />
      <h3>As first marked</h3>
      <div className={styles.faces}>
        <Faces {...{ own, limit }} {...parts} />
      </div>
      {result.places.length > 0 && (
        <>
          <h3 className="mt-3">Where it stays</h3>
          <div className={styles.faces}>
            <Faces {...{ own, limit }} {...readAndTrue('Runout', result.places)} />
          </div>
        </>
      )}
    </section>
  );
}
