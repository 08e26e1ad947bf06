import { CORNER_NAME } from '@/core/readings';
import { RotorBase, type RotorFaceProps } from '@/ui/rotor';
import { sayResult } from './heard';
import { LapVerdict } from './LapVerdict';
import { KIND_NAME } from './model';
import { activePlace, drawnCurve, drawnMarks, drawnValues, limitOf, turningIn } from './result';
import type { BenchView } from './useBenchView';
import type { Judging } from './useJudging';

/** The rotor as it was read so far; a place on it is picked by touch. */
export function BenchRotor({
  view,
  judging,
}: {
  readonly view: BenchView;
  readonly judging: Judging | null;
}) {
  const { corner, result, next, move } = view;
  const { set, state, dispatch } = view.bench;
  const lap = state.cursor?.lap ?? 0;
  const ahead = next.plan.sweep ? 0 : next.plan.positions;
  const values = !set
    ? new Array<null>(ahead).fill(null)
    : view.curve
      ? drawnCurve(set, view.curve)
      : drawnValues(set, result, lap);
  // What a gauge sent by itself is not picked and typed again.
  const isSwept = (set?.sweeps ?? null) !== null;
  const said = result ? `: ${sayResult(result, corner)}` : '';
  const face: RotorFaceProps = {
    ...{ corner: corner.corner, studs: corner.studs, fastening: corner.fastening },
    ...{ values, angles: set?.angles, limit: limitOf(set, corner), isSwept },
    active: activePlace(set, state.cursor),
    turning: turningIn(set, state.cursor),
    marks: set ? drawnMarks(set, result, state.cursor) : [],
    suspects: view.suspects,
    shift: set?.shift ?? move?.from ?? 0,
    move,
    label: `${KIND_NAME[set?.kind ?? 'runout']} of the rotor ${CORNER_NAME[corner.corner]}${said}`,
    ...(!isSwept && {
      onPick: (position: number) =>
        set && dispatch({ type: 'pick-place', cursor: { lap, position } }),
    }),
  };
  return (
    <section className="zh-card" aria-label="Rotor">
      <RotorBase {...face} outline={judging && <judging.RotorOutline {...face} />} />
      <p className="zh-muted mb-0 text-center">
        Seen from outboard. Turn the wheel forward; positions run{' '}
        {corner.corner.endsWith('L') ? 'clockwise' : 'counter-clockwise'}.
      </p>
      {view.isReading && <LapVerdict result={result} corner={corner} />}
    </section>
  );
}
