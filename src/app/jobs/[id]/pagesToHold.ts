import type { Job } from '@/core/job';

/** Pages of the whole vehicle, below the address of a job. */
const OF_VEHICLE = [
  ...['complaint', 'road-test', 'strip', 'decide', 'correct', 'rules'],
  ...['rebuild', 'rebuild/hydraulics', 'rebuild/pedal', 'rebuild/bedding'],
  ...['prove', 'prove/road-test', 'report'],
];
/** Pages of each of its corners. */
const OF_CORNER = [
  ...['strip', 'strip/findings', 'strip/tray', 'strip/hub', 'as-found', 'measure', 'correct'],
  ...['rebuild', 'rebuild/torque', 'rebuild/tray', 'prove'],
];

/** Pages of a job that a screen holds for when the server is away: those where work is done, corner after corner. */
export function pagesToHold({ id, corners }: Pick<Job, 'id' | 'corners'>): string[] {
  const ofCorners = corners.flatMap((corner) =>
    OF_CORNER.map((page) => page.replace(/^([a-z-]+)/, `$1/${corner}`)),
  );
  return [...OF_VEHICLE, ...ofCorners].map((page) => `/jobs/${id}/${page}`);
}
