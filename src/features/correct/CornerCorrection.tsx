import { ButtonLink } from '@/ui/Link';
import { runoutLimit, sayMove, averagedForDrawing } from '@/core/assessment';
import { shortestTurn } from '@/core/indexing';
import { CORNER_NAME, fastenerName } from '@/core/readings';
import { fieldUnit, type UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { CorrectView } from '@/server/correct/correct';
import { RotorFace } from '@/ui/rotor';
import { NextThing } from '@/ui/shell';
import { CutResult } from './CutResult';
import { MachiningSheet } from './MachiningSheet';
import { AFTER_CUT, judgeFinished, PLATE_CAUTIONS } from './model';
import { DoneTick, SendStep, ThicknessStep, TickStep } from './CorrectStep';
import styles from './correct.module.css';
import optionsStyles from '@/ui/shell/options.module.css';

interface CornerCorrectionProps {
  readonly jobId: string;
  readonly job: number;
  readonly plate: string;
  readonly view: CorrectView;
  readonly units: UnitSystem;
  /** The corner that is corrected next, or null. */
  readonly next: string | null;
}

const { repeatability, resolution, mpe } = WORKSHOP_DEFAULTS.micrometer;
/** Standard uncertainty of one thickness with the workshop\u2019s micrometer, in µm. Source: handbook 3, 5. */
const THICKNESS_U = Math.sqrt(repeatability ** 2 + resolution ** 2 / 12 + mpe ** 2 / 3);

/** How the rotor and the plate stand when it is done. */
function Drawing({ view }: { view: CorrectView }) {
  const { record, assessment, decision } = view.judgement;
  const latest = record.sets.findLast((set) => set.kind === 'runout');
  const to = decision?.shift ?? assessment.shift;
  const turn = shortestTurn(assessment.shift, to, record.studs);
  return (
    <RotorFace
      corner={record.corner}
      studs={record.studs}
      fastening={record.fastening}
      values={latest ? averagedForDrawing(latest) : new Array<null>(12).fill(null)}
      angles={latest?.angles}
      limit={runoutLimit(record.limits).value}
      shift={assessment.shift}
      move={turn.studs === 0 ? null : { from: assessment.shift, studs: turn.studs * turn.sense }}
      isPlain
      plateAt={decision?.detail?.plate?.thickAtStud ?? null}
      label={`Rotor ${CORNER_NAME[record.corner]}`}
    />
  );
}

/** Steps of a plate: the cautions, and what must be confirmed before it counts as done. */
function PlateSteps({ jobId, view }: { jobId: string; view: CorrectView }) {
  const { record } = view.judgement;
  const nuts = record.fastening === 'studs' ? 'nuts' : 'bolts';
  return (
    <>
      <ul>
        {PLATE_CAUTIONS.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
      <TickStep
        jobId={jobId}
        corner={view.corner}
        item="maker-allows"
        written={view.step('maker-allows')}
        label="The vehicle maker allows a plate here"
      />
      <TickStep
        jobId={jobId}
        corner={view.corner}
        item="threads"
        written={view.step('threads')}
        label={`Thread engagement of the wheel ${nuts} checked with the plate on`}
      />
    </>
  );
}

/** The tag of a rotor that goes to another shop, and its return. */
function SentOut({ jobId, job, plate, view, units }: Omit<CornerCorrectionProps, 'next'>) {
  const { corner, sent, step } = view;
  const unit = fieldUnit(units, 'size');
  const fastener = fastenerName(view.judgement.record.fastening);
  return (
    <section
      className={`zh-card mt-3 ${sent ? '' : 'zh-no-print'}`}
      aria-label="Another shop’s lathe"
    >
      <h2>Another shop’s lathe</h2>
      <SendStep
        key={sent ? 'sent' : 'here'}
        jobId={jobId}
        corner={corner}
        item="sent"
        written={step('sent')}
        usualMark={`outboard, at ${fastener} 1`}
      />
      {sent && (
        <>
          <div className={`${styles.tag} my-2`}>
            <div>
              Job <span className="zh-figure">{job}</span> · {plate}
            </div>
            <div>
              Rotor <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
            </div>
            <div>
              Mark: {sent.mark}. Goes to: {sent.to}.
            </div>
            <div>The vehicle stays until it is back.</div>
          </div>
          <TickStep
            jobId={jobId}
            corner={corner}
            item="identity"
            written={step('identity')}
            label={`Back: it is this rotor, the mark “${sent.mark}” is on it`}
          />
          <ThicknessStep
            key={step('returned')?.stamp ?? ''}
            jobId={jobId}
            corner={corner}
            item="returned"
            written={step('returned')}
            label="Thinnest place on return"
            unit={unit}
          />
        </>
      )}
    </section>
  );
}

/** The sheet, the result of the cut, and a rotor sent out. */
function CutSteps(props: Omit<CornerCorrectionProps, 'next'>) {
  const { jobId, view, units } = props;
  const { judgement, corner, scores, step } = view;
  const { assessment, record, decision } = judgement;
  const lathe = decision?.correction === 'machine-bench' ? 'bench' : 'on-vehicle';
  const { machining } = assessment;
  if (!machining)
    return <p>Measure runout and thickness in one mounting first: no sheet without them.</p>;
  const [cut, other] =
    lathe === 'bench'
      ? [machining.bench, machining.onVehicle]
      : [machining.onVehicle, machining.bench];
  if (!cut)
    return (
      <div className="zh-stop" role="alert">
        <strong>Do not cut.</strong> The rotor sits elsewhere than where it was read: measure runout
        and thickness as it sits now, then decide again.
      </div>
    );
  if (cut.verdict.state !== 'within') {
    return (
      <div className="zh-stop" role="alert">
        <strong>Do not cut.</strong> As things stand now it would not stay above machine-to. Decide
        again.
      </div>
    );
  }
  const measured = step('finished')?.um ?? step('returned')?.um ?? null;
  const floors = {
    machineTo: cut.machineTo,
    discard: record.limits.discard?.value ?? cut.machineTo,
  };
  return (
    <>
      <MachiningSheet
        cut={cut}
        other={other}
        lathe={lathe}
        isEqual={record.equalCuts ?? false}
        scores={scores}
        units={units}
      />
      {lathe === 'bench' && <SentOut {...props} />}
      <section className="zh-card mt-3" aria-label="After the cut">
        <h2>After the cut</h2>
        <ul>
          {AFTER_CUT.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        <ThicknessStep
          key={step('finished')?.stamp ?? ''}
          jobId={jobId}
          corner={corner}
          item="finished"
          written={step('finished')}
          label="Thinnest place measured"
          unit={fieldUnit(units, 'size')}
        />
        {measured !== null && (
          <CutResult
            outcome={judgeFinished(measured, cut.finishedThickness, floors, THICKNESS_U)}
            remaining={cut.remainingRunout}
            measuredRunout={view.measuredRunout}
            units={units}
          />
        )}
        <TickStep
          jobId={jobId}
          corner={corner}
          item="washed"
          written={step('washed')}
          label="Washed with hot soapy water, dried, mounting face clean"
        />
      </section>
    </>
  );
}

/** Of a rotor that was moved already: it was measured where it sits. */
const THERE_ALREADY =
  'It sits there: nothing is turned any more. Draw it up evenly in a star to the stated torque.';

/** What a decision asks for beside its sentence. */
const HOW = {
  clean:
    'Brush hub face, register and hat to bright metal; never grind the flange. Wipe, refit, draw up evenly.',
  index:
    'Loosen, turn the rotor on the hub, seat it on its face, draw up evenly in a star to the stated torque.',
  replace:
    'Hold the new rotor against the old and the record first. Clean packing oil off the faces, clean hub face and register, fit both rotors of the axle.',
  hub: 'Follow the maker’s procedure for hub or bearing; measure end play, then the hub face, then the rotor on it.',
  'hub-replace':
    'Follow the maker’s procedure for hub or bearing; measure the hub face before the new rotor goes on.',
} as const;

/** The correction that was decided for a corner, step by step until it is done. */
export function CornerCorrection(props: CornerCorrectionProps) {
  const { jobId, view, units, next } = props;
  const { judgement, corner, step } = view;
  const { record, assessment, decision } = judgement;
  if (!decision) return null;
  const done = step('done');
  const isCut =
    decision.correction === 'machine-bench' || decision.correction === 'machine-on-vehicle';
  const isPlate = decision.correction === 'plate';
  const waitsForPlate = isPlate && !(step('maker-allows') && step('threads'));
  const waitsForRotor = view.sent !== null && !(step('identity') && step('returned'));
  const waitsForCut = isCut && !step('finished') && !step('returned');
  const move =
    decision.shift === null
      ? null
      : sayMove({ ...record, units }, assessment.shift, decision.shift);
  const fromNow = move && !isCut ? `From where it sits now: ${move}.` : null;
  const isThere = decision.correction === 'index' && move === null;
  const how = isThere
    ? THERE_ALREADY
    : decision.correction in HOW
      ? HOW[decision.correction as keyof typeof HOW]
      : null;
  // It stands where the hands are when they finish: under the sentence, or under the last figure.
  const tick = <DoneTick jobId={jobId} corner={corner} written={done} />;
  return (
    <div className={styles.correct}>
      <div className={optionsStyles.decide} data-part="decide">
        <div className="zh-card">
          <Drawing view={view} />
        </div>
        <div>
          <NextThing
            todo={done ? `Done at ${corner}. Measure again to prove it.` : decision.words}
            why={done ? undefined : [fromNow, how].filter(Boolean).join(' ')}
          >
            {done && (
              <ButtonLink variant="primary" href={`/jobs/${jobId}/prove/${corner}`}>
                Prove: measure again
              </ButtonLink>
            )}
            {!done && !isCut && !isPlate && tick}
            {next && done && (
              <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/correct/${next}`}>
                Correct {next}
              </ButtonLink>
            )}
          </NextThing>
          {isPlate && <PlateSteps jobId={jobId} view={view} />}
          {waitsForCut && (
            <p className="mt-2">Cut by the sheet below, then write down what it measures.</p>
          )}
          {isPlate && !waitsForPlate && tick}
          {done && !isPlate && tick}
        </div>
      </div>
      {isCut && (
        <div className="zh-card mt-3">
          <CutSteps {...props} />
          {!waitsForRotor && !waitsForCut && !done && tick}
        </div>
      )}
    </div>
  );
}
