'use client';

import { actionRecord } from '@/core/options';
import { sayCrowns, type DecideResult, type PracticeCase, type WayOutcome } from '@/core/practice';
import { formatIn, type UnitSystem } from '@/core/units';
import { CardTable } from '@/ui/table';
import { VerdictMark } from '@/ui/verdict';
import { AtBench } from './AtBench';
import { Figures } from './Debrief';
import { sayLater, sayNext } from './later';
import styles from './practice.module.css';

interface DecideDebriefProps {
  readonly own: PracticeCase;
  readonly result: DecideResult;
  readonly units: UnitSystem;
}

const HARM: Readonly<Record<NonNullable<WayOutcome['harm']>, string>> = {
  'below-machine-to': 'It ends below machine-to: such a rotor is scrap, and must not go back.',
  'below-discard': 'It goes back on the road below its discard thickness.',
};

const HARM_NAME: Readonly<Record<NonNullable<WayOutcome['harm']>, string>> = {
  'below-machine-to': 'below machine-to',
  'below-discard': 'below discard',
};

const [ENDS, RUNOUT, VARIATION, LEAST, LATER, COST] = [
  'Ends',
  'Runout',
  'Thickness variation',
  'Thinnest',
  'Driven on',
  'Cost',
] as const;
const COLUMNS = ['Way', ENDS, RUNOUT, VARIATION, LEAST, LATER, COST];

/** One way with what truly comes of it. */
function Row({
  outcome,
  note,
  units,
}: {
  readonly outcome: WayOutcome;
  readonly note: string;
  readonly units: UnitSystem;
}) {
  const { way, isCured, harm, runout, variation, least, cost } = outcome;
  return (
    <tr role="row" data-chosen={note !== ''}>
      <th role="rowheader" scope="row">
        {actionRecord(way).name}
        {note && <div className="zh-muted fw-normal">{note}</div>}
      </th>
      <td role="cell" data-label={ENDS}>
        <VerdictMark state={isCured && harm === null ? 'within' : 'beyond'} size={16} />
        {harm && <div>{HARM_NAME[harm]}</div>}
      </td>
      <td role="cell" data-label={RUNOUT} className="zh-figure">
        {formatIn(units, 'deviation', runout)}
      </td>
      <td role="cell" data-label={VARIATION} className="zh-figure">
        {formatIn(units, 'deviation', variation)}
      </td>
      <td role="cell" data-label={LEAST} className="zh-figure">
        {formatIn(units, 'size', least)}
      </td>
      <td role="cell" data-label={LATER}>
        {sayLater(outcome.comesBack)}
      </td>
      <td role="cell" data-label={COST} className="zh-figure text-nowrap">
        {sayCrowns(cost)}
      </td>
    </tr>
  );
}

/** After deciding: one sentence, what was read beside the truth, and what every way would have come to. */
export function DecideDebrief({ own, result, units }: DecideDebriefProps) {
  const { chosen, ways, bestWay } = result;
  const noteOf = ({ way }: WayOutcome): string =>
    [way === chosen?.way && 'your way', way === bestWay.way && 'the best way']
      .filter((each) => each !== false)
      .join(', ');
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-debrief">
      <h2 id="practice-debrief" className={styles.sentence} tabIndex={-1}>
        {result.sentence}
      </h2>
      {chosen?.harm && (
        <p className="zh-stop">
          <strong>Harm.</strong> {HARM[chosen.harm]}
        </p>
      )}
      {chosen && <p>{sayNext(chosen.comesBack, units)}</p>}
      <Figures figures={result.figures} units={units} />
      <AtBench {...{ own, result }} />
      <h3>What truly comes of every way</h3>
      <p className="zh-muted">
        From where the rotor was marked. Parts, work and, where it is not within afterwards, a
        comeback; tolerances of lathe and new parts as they fell this time. Driven on: pads wear it
        evenly, and touch what comes out to them with the brake released; assumptions of this
        program, no promise for a car.
      </p>
      <CardTable columns={COLUMNS}>
        {ways.map((each) => {
          const outcome = chosen?.way === each.way ? chosen : each;
          return <Row key={each.way} {...{ outcome, units }} note={noteOf(each)} />;
        })}
      </CardTable>
    </section>
  );
}
