'use client';

import { useState } from 'react';
import { rollingDiameter } from '@/core/roadtest';
import type { SpeedUnit } from '@/core/units';
import { FeltRate } from './FeltRate';
import { FrequencyCard } from './FrequencyCard';
import { KeptTests, type KeptTest } from './KeptTests';
import { figureIn } from './model';
import { RecordingCard } from './RecordingCard';
import { TyreCard, type Tyre } from './TyreCard';

interface RoadTestProps {
  readonly jobId: string;
  /** Before the work, or after it: the same drive again. */
  readonly phase?: 'before' | 'after';
  readonly tyre: Tyre;
  readonly unit: SpeedUnit;
  readonly tests: readonly KeptTest[];
  /** Why no drive is advised, in words; null where one is. */
  readonly noDrive: string | null;
  /** What stands in the way after the work, in whole sentences; null where nothing does. */
  readonly before?: string | null;
}

/** What is so before anybody drives, or why nobody may. */
const BeforeDriving = ({
  noDrive,
  before,
}: {
  readonly noDrive: string | null;
  readonly before: string | null;
}) =>
  noDrive !== null || before !== null ? (
    <div className="zh-next mb-3" role="alert">
      <strong>{before === null ? `Do not drive it: ${noDrive}.` : 'Do not drive it yet.'}</strong>
      {before !== null && <div>{before}</div>}
      <div>No road test is advised. Put that right first; the vehicle stays where it is.</div>
    </div>
  ) : (
    <div className="zh-card mb-3">
      <h2>Before you drive</h2>
      <p className="mb-0">
        A passenger records; the driver drives. Quiet dry road, within the law. No test if the pedal
        is soft, metal is on metal, or fluid leaks. Drive steadily, coast, then brake gently three
        times from 90 to 30 km/h (55 to 20 mph).
      </p>
    </div>
  );

/** The road test of a job: safety, tyre, felt rate, recording, what is kept. */
export function RoadTest(props: RoadTestProps) {
  const { jobId, unit, noDrive, before = null, phase = 'before' } = props;
  const [tyre, setTyre] = useState(props.tyre);
  const diameter = rollingDiameter(tyre.tyre) ?? figureIn(tyre.tyre, 0.3, 1.5);
  const finalDrive = figureIn(tyre.finalDrive, 1.5, 8);
  return (
    <>
      <BeforeDriving {...{ noDrive, before }} />
      <KeptTests jobId={jobId} tests={props.tests} unit={unit} />
      <TyreCard jobId={jobId} values={tyre} onChange={setTyre} />
      {diameter === null ? (
        <p className="zh-muted">
          Enter the tyre first: without it a rate cannot be told from a speed.
        </p>
      ) : (
        <>
          <RecordingCard jobId={jobId} phase={phase} diameter={diameter} unit={unit} />
          {phase === 'before' && (
            <FeltRate jobId={jobId} diameter={diameter} finalDrive={finalDrive} unit={unit} />
          )}
          <FrequencyCard diameter={diameter} finalDrive={finalDrive} unit={unit} />
        </>
      )}
    </>
  );
}
