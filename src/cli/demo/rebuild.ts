import { FASTENERS, pullsOf, WHEEL_STAGES, type FastenerCode } from '../../core/torque';
import { axleOf, type Corner } from '../../core/readings';
import { fastenersAt, type Job, rebuildSteps } from '../../core/job';
import { fillChecks, saveTorqueFigure, torqueKeyOf } from '../../db/repositories';
import { database } from '../../server/database';
import { loadJob } from '../../server/job/jobs';

/** Torque figures of the invented makers, in N·m. */
const FIGURES: Readonly<Partial<Record<FastenerCode, number>>> = {
  'wheel-nuts': 140,
  'bracket-bolts': 115,
  'pin-bolts': 32,
  'caliper-bolts': 105,
  'rotor-screw': 9,
};

/** Enters the makers’ figures of a vehicle for both axles, but for those named. */
export async function enterFigures(job: Job, without: readonly FastenerCode[] = []): Promise<void> {
  const db = await database();
  for (const axle of ['front', 'rear'] as const) {
    for (const { code, stages } of FASTENERS) {
      const valueNm = FIGURES[code];
      if (valueNm === undefined || without.includes(code)) continue;
      await saveTorqueFigure(db, {
        ...torqueKeyOf(job.vehicle),
        ...{ axle, fastener: code, valueNm, text: String(valueNm), unit: 'N·m' },
        ...{ stages: [...stages], source: 'maker', by: 'Ines' },
      });
    }
  }
}

/** Puts a corner together on record, up to the step named; to the end without one. */
export async function rebuildCorner(
  jobId: string,
  corner: Corner,
  by: string,
  upTo?: string,
): Promise<void> {
  const job = await loadJob(jobId);
  if (!job) throw new Error('The job is gone');
  const db = await database();
  const row = (kind: 'rebuild' | 'torque', item: string, value: unknown) => ({
    ...{ jobId, kind, place: corner, item, value, note: null, by },
  });
  const steps = rebuildSteps(job, corner).map(({ code }) => code);
  const end = upTo === undefined ? steps.length : steps.indexOf(upTo);
  await fillChecks(
    db,
    steps.slice(0, end).map((code) => row('rebuild', code, 'done')),
  );
  if (upTo !== undefined) return;
  const studs = job.vehicle.axles.find(({ position }) => position === axleOf(corner))?.studs ?? 5;
  const pulls = pullsOf(studs, WHEEL_STAGES.length).map(({ stage }) =>
    stage === WHEEL_STAGES.length - 1 ? (FIGURES['wheel-nuts'] ?? null) : null,
  );
  const torques = fastenersAt(job, corner).flatMap(({ fastener, figure }) =>
    figure
      ? [
          row('torque', fastener.code, {
            ...{ text: figure.text, unit: figure.unit, nm: figure.valueNm, confirmed: false },
          }),
        ]
      : [],
  );
  await fillChecks(db, [
    ...torques,
    row('torque', 'star', { pulls }),
    row('torque', 'vehicle-down', 'done'),
  ]);
}

/** Pumps, holds and levels the pedal, turns the wheels, stops in the yard, drives it again. */
export async function finishJob(
  jobId: string,
  corners: readonly Corner[],
  by: string,
): Promise<void> {
  const db = await database();
  const row = (
    kind: 'pedal' | 'hydraulics' | 'bedding' | 'prove',
    item: string,
    value: unknown,
  ) => ({
    ...{ jobId, kind, place: '', item, value, note: null, by },
  });
  await fillChecks(db, [row('hydraulics', 'none-opened', 'done')]);
  await fillChecks(db, [
    row('pedal', 'firm', 'done'),
    row('pedal', 'hold', 'done'),
    row('pedal', 'held', 'held'),
    row('pedal', 'level', 'done'),
    row('pedal', 'first-stop', 'done'),
    row('bedding', 'driven', { stops: 12 }),
    row('prove', 'feel-before', { wheel: 3, pedal: 2, seat: 0 }),
    row('prove', 'feel-after', { wheel: 0, pedal: 0, seat: 0 }),
    ...corners.map((place) => ({ ...row('pedal', 'turns', 'free'), place })),
  ]);
}
