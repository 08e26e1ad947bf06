import * as judging from './judging';
import { OpenBench, type MeasureBenchProps } from './OpenBench';
import { JudgingContext } from './useJudging';

/** The bench of a corner of which something is read. */
export const JudgedBench = (props: MeasureBenchProps) => (
  <JudgingContext value={judging}>
    <OpenBench {...props} />
  </JudgingContext>
);
