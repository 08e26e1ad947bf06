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

/**
 * What a screen holds of a job for when the server is away: the pages where work is done, corner after corner, and then
 * the photos that they show, small ones first.
 */
export function pagesToHold({
  id,
  corners,
  photos,
}: Pick<Job, 'id' | 'corners' | 'photos'>): string[] {
  const ofCorners = corners.flatMap((corner) =>
    OF_CORNER.map((page) => page.replace(/^([a-z-]+)/, `$1/${corner}`)),
  );
  const pages = [...OF_VEHICLE, ...ofCorners].map((page) => `/jobs/${id}/${page}`);
  const pictures = [...new Set(photos.map(({ sha256 }) => `/api/v1/photos/${sha256}`))];
  return [...pages, ...pictures.map((each) => `${each}?size=thumb`), ...pictures];
}
