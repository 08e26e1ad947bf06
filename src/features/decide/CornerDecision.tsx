import {
  averagedForDrawing,
  machineToSource,
  runoutLimit,
  sayAdvice,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import type { Correction } from '@/core/contracts';
import { shortestTurn } from '@/core/indexing';
import { CORNER_NAME } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { RotorFace, type RotorMove } from '@/ui/rotor';
import { NextThing } from '@/ui/shell';
import { CutTable } from './CutTable';
import { RecordDecision } from './RecordDecision';
import { StudTable } from './StudTable';
import { VerdictTable } from './VerdictTable';

interface CornerDecisionProps {
  readonly jobId: string;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  readonly correction: Correction | null;
  readonly recorded: string | null;
  readonly units: UnitSystem;
}

const RULED_OUT = { machining: 'No cut:', rotor: 'The rotor is replaced:' } as const;

function moveOf(advice: Advice, studs: number): RotorMove | null {
  if (advice.kind !== 'index' && advice.kind !== 'second-mounting') return null;
  const turn = shortestTurn(advice.from, advice.to, studs);
  return { from: advice.from, studs: turn.studs * turn.sense };
}

/** What to do about one corner, drawn and in words, with every figure behind it. */
export function CornerDecision(props: CornerDecisionProps) {
  const { jobId, record, assessment, advice, units } = props;
  const words = sayAdvice(advice, { ...record, units });
  const latest = record.sets.findLast((set) => set.kind === 'runout');
  const isConsistent = assessment.index?.consistent !== false;
  return (
    <section className="mb-4" aria-labelledby={`corner-${record.corner}`}>
      <h2 id={`corner-${record.corner}`}>
        <span className="zh-figure">{record.corner}</span> {CORNER_NAME[record.corner]}
      </h2>
      <div className="zh-decide">
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
              correction={props.correction}
              recorded={props.recorded}
            />
          </NextThing>
          {(record.ruledOut ?? []).length > 0 && (
            <ul className="zh-ruled-out mt-2" aria-label="Ruled out">
              {(record.ruledOut ?? []).map(({ what, why }) => (
                <li key={`${what} ${why}`}>
                  <span className="zh-forbids ms-0">{RULED_OUT[what]}</span> {why}.
                </li>
              ))}
            </ul>
          )}
          <div className="zh-card mt-3">
            <VerdictTable record={record} assessment={assessment} units={units} />
            {assessment.index && isConsistent && (
              <StudTable
                record={record}
                assessment={assessment}
                index={assessment.index}
                units={units}
              />
            )}
            {assessment.machining && (
              <CutTable
                {...assessment.machining}
                units={units}
                source={machineToSource(record.limits)}
              />
            )}
          </div>
        </div>
      </div>
    </section>
  );
}
