import 'server-only';
import { formatDate } from '../../core/calendar';
import { changesToAnswer, takenBackToAnswer, type Job } from '../../core/job';
import { formatIn, type UnitSystem } from '../../core/units';

const FIGURE_NAME: Readonly<Record<string, string>> = {
  discard: 'discard thickness',
  machineTo: 'machine-to thickness',
  nominal: 'nominal thickness',
  runout: 'runout limit',
  dtv: 'thickness variation limit',
  radius: 'radius of the circle',
  piston: 'piston',
};

const about = (line: { who: string | null; at: Date; reason: string | null }): string =>
  `${line.who ?? 'Nobody named'}, ${formatDate(line.at, 'D MMM, HH:mm')}${line.reason ? `: ${line.reason}` : ''}`;

/** What a lead has to answer in a job: what was found and taken back, figures that were changed. */
export function openLinesOf(job: Job, units: UnitSystem) {
  const taken = takenBackToAnswer(job).map((line) => ({
    seq: line.seq,
    say: line.say,
    about: about(line),
  }));
  const changed = changesToAnswer(job).map((line) => {
    const { kind, valueUm } = line.before;
    const role = ['runout', 'dtv'].includes(kind) ? 'deviation' : 'size';
    const now = job.vehicle.axles
      .find(({ position }) => position === line.position)
      ?.limits.find((each) => each.kind === kind);
    const became = now ? `became ${formatIn(units, role, now.valueUm)}` : 'was taken away';
    const axle = line.position === 'front' ? 'Front axle' : 'Rear axle';
    return {
      seq: line.seq,
      say: `${axle}: ${FIGURE_NAME[kind] ?? kind} ${formatIn(units, role, valueUm)} ${became}`,
      about: about(line),
    };
  });
  return [...taken, ...changed];
}
