import { notFound } from 'next/navigation';
import { KNOWLEDGE, PROCEDURE } from '@/core/contracts';
import { isChoice } from '@/core/diagnosis';
import { fateOf } from '@/core/procedure';
import { CORNERS, axleOf, type Corner } from '@/core/readings';
import { sayDrawnUp } from '@/core/torque';
import { formatTorque, type TorqueUnit, type UnitSystem } from '@/core/units';
import {
  type Axle,
  axleAt,
  cornerParts,
  cornerPlan,
  fastenersAt,
  type Job,
  looksOf,
  padsSay,
  rebuildItems,
  rebuildSteps,
  seatToFit,
  type TrayPart as TakenPart,
} from '@/core/job';
import type { CornerWork } from '@/features/strip/CornerOrder';
import type { CornerScene } from '@/features/strip/drawn';
import type { CheckView } from '@/features/strip/model';
import type { StripPhoto } from '@/features/strip/PhotoStrip';
import type { TrayPart } from '@/features/strip/Tray';
import { loadJob } from '@/server/job/jobs';
import { shopTorque, shopUnits } from '@/server/shop/settings';
import { sayTime } from '@/ui/sayTime';

/** The checks of a job as the screens have them. */
export const checkViews = (job: Job): CheckView[] => {
  const written = job.checks.map(({ kind, place, item, value, note, by, at, stamp }) => ({
    ...{ kind, place, item, value, note, by, stamp },
    at: sayTime(at),
  }));
  const answered = looksOf(job)
    .filter(
      ({ corner, item }) =>
        !written.some(
          (each) => each.kind === 'look' && each.place === corner && each.item === item,
        ),
    )
    .map(({ corner, item, found }) => ({
      ...{ kind: 'look' as const, place: corner, item, value: found, note: null, by: null },
      at: '',
      stamp: '',
    }));
  return [...written, ...answered];
};

const photosOf = (job: Job, isMeant: (photo: Job['photos'][number]) => boolean): StripPhoto[] =>
  job.photos
    .filter(isMeant)
    .map(({ id, sha256, width, height }) => ({ id, sha256, width, height }));

export const trayPart = (job: Job, part: TakenPart): TrayPart => ({
  ...part,
  back: part.backAt && sayTime(part.backAt),
  photos: photosOf(job, ({ partId }) => partId === part.id),
});

/** The address of a corner's screen. */
export interface CornerParams {
  readonly params: Promise<{ id: string; corner: string }>;
}

/** The job and the work of the corner that an address names; not found where there is none. */
export async function openCorner({ params }: CornerParams) {
  const { id, corner } = await params;
  const job = await loadJob(id);
  const units = await shopUnits();
  const work = job && cornerWork(job, corner, units, await shopTorque());
  if (!job || !work) notFound();
  return { id, job, units, work };
}

/** The figures that steps ask for. */
const figuresOf = (steps: CornerWork['steps']): CornerWork['figures'] => {
  const asked = new Set(steps.flatMap(({ figures }) => figures));
  return PROCEDURE.figures.filter(({ code, group }) => asked.has(code) || asked.has(group));
};

/** The questions of the nose that steps ask at a corner, with what was answered there. */
const questionsAt = (
  job: Job,
  corner: Corner,
  steps: CornerWork['steps'],
): CornerWork['questions'] =>
  steps
    .flatMap(({ asks }) => asks)
    .flatMap((code) => {
      const finding = KNOWLEDGE.findings.find((each) => each.code === code);
      if (!finding || !isChoice(finding)) return [];
      const { question, how = null, values } = finding;
      const said = job.findings.find((each) => each.code === code && each.corner === corner);
      return [{ code, question, how, values, value: said?.value ?? null }];
    });

/** The work of a corner as it goes together again. */
export const rebuildWork = (job: Job, work: CornerWork): CornerWork => {
  const steps = rebuildSteps(job, work.corner);
  const items = rebuildItems(job, work.corner);
  return { ...work, kind: 'rebuild', steps, items, figures: figuresOf(steps) };
};

/** Where the rotor of a corner goes on, for its drawing; null where nothing says so. */
function seatView(
  job: Job,
  corner: Corner,
  { studs, fastening }: Pick<Axle, 'studs' | 'fastening'>,
): CornerWork['seat'] {
  const shift = seatToFit(job, corner);
  return shift === null ? null : { corner, studs, fastening, shift };
}

/** The corner as it is drawn, with what its fasteners are drawn up to. */
function cornerScene(job: Job, corner: Corner, unit: TorqueUnit): CornerScene {
  return {
    parts: cornerParts(job, corner),
    torque: Object.fromEntries(
      fastenersAt(job, corner).map(({ fastener, figure, pulled }) => [
        fastener.code,
        {
          figure: figure && sayDrawnUp(fastener.code, figure.valueNm, figure.angle, unit),
          pulled: pulled && formatTorque(pulled.torque.nm, unit),
        },
      ]),
    ),
  };
}

/** Everything that the screens of one corner are made of; null where the job lacks it. */
function cornerWork(
  job: Job,
  name: string,
  units: UnitSystem,
  torque: TorqueUnit,
): CornerWork | null {
  const corner = CORNERS.find((each) => each === name);
  const plan = corner && cornerPlan(job, corner);
  const axle = corner && axleAt(job, corner);
  if (!corner || !plan || !axle) return null;
  const { rules } = plan.context;
  const coming = new Set(plan.steps.flatMap(({ parts }) => parts));
  return {
    jobId: job.id,
    kind: 'step',
    corner,
    steps: plan.steps,
    items: plan.items,
    figures: figuresOf(plan.steps),
    questions: questionsAt(job, corner, plan.steps),
    meanings: padsSay(job, corner),
    checks: checkViews(job).filter(({ place }) => place === corner),
    choices: PROCEDURE.parts
      .filter(({ code }) => coming.has(code))
      .map((part) => ({ ...part, fate: fateOf(rules, part.rule) ?? 'reuse' })),
    parts: job.tray.filter((part) => part.corner === corner).map((part) => trayPart(job, part)),
    pistons: {
      count: axle.pistons,
      diameterUm: axle.limits.find(({ kind }) => kind === 'piston')?.valueUm ?? null,
      calipers: job.corners.filter((each) => axleOf(each) === axleOf(corner)).length,
    },
    seat: seatView(job, corner, axle),
    scene: cornerScene(job, corner, torque),
    photos: photosOf(job, (photo) => photo.corner === corner && photo.partId === null),
    units,
  };
}
