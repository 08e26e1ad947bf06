import {
  averagedForDrawing,
  machineToSource,
  runoutLimit,
  sayAdvice,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import { shortestTurn } from '@/core/indexing';
import {
  sayChange,
  type Action,
  type Change,
  type Option,
  type OptionsInput,
  type Ranking,
} from '@/core/options';
import type { PlateFit } from '@/core/plate';
import { CORNER_NAME, fastenerName } from '@/core/readings';
import { fieldUnit, formatIn, fromMicrometres, UNIT_SIGN, type UnitSystem } from '@/core/units';
import type { Decision } from '@/core/job';
import type { RotorLife } from '@/server/records/rotorLife';
import { BandsChart } from '@/ui/chart';
import { RotorFace, type RotorMove } from '@/ui/rotor';
import { NextThing } from '@/ui/shell';
import { CutTable } from './CutTable';
import { DecideInputs, type DecideInputsProps } from './DecideInputs';
import { LifeCard } from './LifeCard';
import { barsOf, sayRanking } from './model';
import { OptionsTable } from './OptionsTable';
import { PlateTable } from './PlateTable';
import { RecordDecision } from './RecordDecision';
import { StudTable } from './StudTable';
import { VerdictTable } from './VerdictTable';
import optionsStyles from '@/ui/shell/options.module.css';
import styles from './decide.module.css';

interface CornerDecisionProps {
  readonly jobId: string;
  readonly isClosed: boolean;
  /** The only corner of the job: its figures stand open. */
  readonly isAlone: boolean;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  readonly action: Action | null;
  readonly recorded: string | null;
  readonly decision: Decision | null;
  readonly units: UnitSystem;
  readonly options: readonly Option[];
  readonly input: OptionsInput;
  readonly ranking: Ranking;
  readonly changes: readonly Change[];
  readonly plates: readonly PlateFit[];
  readonly life: RotorLife;
  readonly inputs: DecideInputsProps;
}

const RULED_OUT = { machining: 'No cut:', rotor: 'The rotor is replaced:' } as const;

/** The turn that an advice asks for. */
function moveOf(advice: Advice, studs: number): RotorMove | null {
  const to =
    advice.kind === 'index' || advice.kind === 'second-mounting'
      ? advice.to
      : advice.kind === 'plate'
        ? advice.shift
        : null;
  if (to === null || !('from' in advice)) return null;
  const turn = shortestTurn(advice.from, to, studs);
  return { from: advice.from, studs: turn.studs * turn.sense };
}

/** Predicted runout of every option as bars with the limit. */
function OptionsChart({
  options,
  record,
  units,
}: Pick<CornerDecisionProps, 'options' | 'record' | 'units'>) {
  const unit = fieldUnit(units, 'deviation');
  const bars = barsOf(options, (um) => fromMicrometres(um, unit));
  const limit = runoutLimit(record.limits).value;
  if (bars.length === 0) return null;
  const digits = unit === 'mm' ? 3 : 1;
  const spoken = bars
    .map(
      ({ name, low, high, chance }) =>
        `${name} ${low.toFixed(digits)} to ${high.toFixed(digits)}, ${chance} within`,
    )
    .join('; ');
  return (
    <BandsChart
      caption={`Predicted runout by option, 95 % bands, limit ${formatIn(units, 'deviation', limit)}`}
      bands={bars.map(({ name, low, tir, high }) => ({ name, low, tir, high }))}
      limit={fromMicrometres(limit, unit)}
      xTitle={`Runout, TIR (${UNIT_SIGN[unit]})`}
      digits={digits}
      label={`Predicted runout by option against the limit of ${formatIn(units, 'deviation', limit)}: ${spoken}.`}
    />
  );
}

/** What would put another option first. */
function WhatIf({
  changes,
  units,
  currency,
}: {
  changes: readonly Change[];
  units: UnitSystem;
  currency: string;
}) {
  if (changes.length === 0) return null;
  return (
    <details className={optionsStyles.more}>
      <summary>What would change this</summary>
      <ul>
        {changes.map((change) => {
          const sentence = sayChange(change, units, currency);
          return <li key={sentence}>{sentence}</li>;
        })}
      </ul>
    </details>
  );
}

/** The figures behind the options: verdicts, studs, plates, cuts and the rotor\u2019s life. */
function Figures(props: CornerDecisionProps) {
  const { record, assessment, units, plates, life, options } = props;
  const isConsistent = assessment.index?.consistent !== false;
  return (
    <details className={`zh-card ${optionsStyles.more} mt-3`} open={props.action === null}>
      <summary>The figures behind it</summary>
      <VerdictTable record={record} assessment={assessment} units={units} />
      {assessment.index && isConsistent && (
        <details className={optionsStyles.more} open={props.isAlone}>
          <summary>Hub and rotor, and every {fastenerName(record.fastening)}</summary>
          <StudTable
            record={record}
            assessment={assessment}
            index={assessment.index}
            units={units}
          />
        </details>
      )}
      {plates.length > 0 && isConsistent && (
        <details className={optionsStyles.more}>
          <summary>Tapered plates at every stud</summary>
          <PlateTable record={record} fits={plates} current={assessment.shift} units={units} />
        </details>
      )}
      {assessment.machining && (
        <CutTable {...assessment.machining} units={units} source={machineToSource(record.limits)} />
      )}
      <details className={optionsStyles.more}>
        <summary>Life: rotor and pads</summary>
        <LifeCard
          life={life}
          now={options.find(({ action }) => action === 'leave')?.distance ?? null}
          units={units}
        />
      </details>
      <details className={optionsStyles.more}>
        <summary>Repairs, parts and scores</summary>
        <DecideInputs {...props.inputs} />
      </details>
    </details>
  );
}

/** What to do about one corner, drawn and in words, with every option and figure behind it. */
export function CornerDecision(props: CornerDecisionProps) {
  const { jobId, record, assessment, advice, units, options, input, ranking } = props;
  const words = sayAdvice(advice, { ...record, units });
  const latest = record.sets.findLast((set) => set.kind === 'runout');
  const { currency } = input.shop.prices;
  const struck = options.filter(({ forbidden }) => forbidden.length > 0).length;
  const said = props.action === null ? null : sayRanking(ranking, currency);
  return (
    <section className="mb-4" aria-labelledby={`corner-${record.corner}`}>
      <h2 id={`corner-${record.corner}`}>
        <span className="zh-figure">{record.corner}</span> {CORNER_NAME[record.corner]}
      </h2>
      <div className={optionsStyles.decide} data-part="decide">
        <div className="zh-card">
          <RotorFace
            corner={record.corner}
            studs={record.studs}
            fastening={record.fastening}
            values={latest ? averagedForDrawing(latest) : new Array<null>(12).fill(null)}
            angles={latest?.angles}
            limit={runoutLimit(record.limits).value}
            shift={assessment.shift}
            move={moveOf(advice, record.studs)}
            plateAt={advice.kind === 'plate' ? advice.thickAtStud : null}
            label={`Runout of the rotor ${CORNER_NAME[record.corner]}`}
          />
          <p className="zh-muted mb-0 text-center">
            Runout, seen from outboard. The bar is the chalk mark on the hub, the black dot the
            rotor’s own mark.
          </p>
        </div>
        <div>
          <NextThing todo={words.todo} why={words.why}>
            <RecordDecision
              jobId={jobId}
              corner={record.corner}
              action={props.isClosed ? null : props.action}
              recorded={props.recorded}
            />
          </NextThing>
          {said && <p className="mt-2 mb-1">{said}</p>}
          <WhatIf changes={props.changes} units={units} currency={currency} />
          {(record.ruledOut ?? []).length > 0 && (
            <ul className={`${styles.ruledOut} mt-2`} aria-label="Ruled out">
              {(record.ruledOut ?? []).map(({ what, why }) => (
                <li key={`${what} ${why}`}>
                  <span className={`${optionsStyles.forbids} ms-0`}>{RULED_OUT[what]}</span> {why}.
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
      <details className={`zh-card ${optionsStyles.more} mt-3`}>
        <summary>
          Every option side by side ({options.length}
          {struck > 0 && `, ${struck} ruled out`})
        </summary>
        <OptionsChart options={options} record={record} units={units} />
        <OptionsTable
          jobId={jobId}
          corner={record.corner}
          options={options}
          input={input}
          ranking={ranking}
          taken={props.decision?.action ?? null}
          isClosed={props.isClosed}
          units={units}
        />
      </details>
      <Figures {...props} />
    </section>
  );
}
