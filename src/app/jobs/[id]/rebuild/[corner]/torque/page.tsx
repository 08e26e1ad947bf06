import { formatDate } from '@/core/calendar';
import { notFound } from 'next/navigation';
import { axleOf } from '@/core/readings';
import { StepTick } from '@/features/rebuild/StepTick';
import { TorqueList } from '@/features/rebuild/TorqueList';
import { TorqueSheet } from '@/features/rebuild/TorqueSheet';
import { WheelStar } from '@/features/rebuild/WheelStar';
import { axleAt, findCheck, sinceWheelOn, starAt, vehicleName } from '@/core/job';
import { fastenerViews, stepView } from '@/server/rebuild/rebuildView';
import { PrintButton } from '@/features/report/PrintButton';
import { ReportHead } from '@/features/report/ReportHead';
import { shopTorque } from '@/server/shop/settings';
import { SeenMark } from '@/ui/keeper';
import { FasteningFirst } from '../../../FasteningFirst';
import { openCorner, type CornerParams } from '../../../strip/work';
import { cornerTitle } from '../../../title';

export const generateMetadata = cornerTitle('Torque');

/** What torque figures are kept by, in words. */
const sayKey = ({
  make,
  model,
  year,
  drive,
  variant,
  wheel,
}: {
  make: string;
  model: string;
  year: number | null;
  drive: string | null;
  variant: string;
  wheel?: 'steel' | 'alloy' | null;
}): string =>
  [
    vehicleName({ make, model }),
    year === null ? 'any year' : String(year),
    drive === null ? 'any drive' : `${drive}-wheel drive`,
    variant || 'standard brakes',
    ...(wheel ? [`the wheel’s for ${wheel} wheels`] : []),
  ].join(', ');

export default async function TorquePage(props: CornerParams) {
  const { id, job, work } = await openCorner(props);
  const { corner } = work;
  const axle = axleAt(job, corner);
  if (!axle) notFound();
  const unit = await shopTorque();
  const fasteners = fastenerViews(job, corner);
  const star = starAt(job, corner);
  const wheel = fasteners.find(({ code }) => code === 'wheel-nuts');
  const row = findCheck(job, 'torque', corner, 'star');
  return (
    <FasteningFirst job={job} corner={corner}>
      <SeenMark reach={job.reach} />
      <div className="d-none d-print-block">
        <ReportHead
          title="Torque list"
          job={job.number}
          date={formatDate(new Date(), 'D MMMM YYYY')}
          plate={job.vehicle.plate}
          vehicle={vehicleName(job.vehicle)}
          odometer={null}
        />
      </div>
      <TorqueSheet
        {...{ corner, unit, fasteners }}
        count={axle.studs}
        fastening={axle.fastening}
        kept={sayKey(job.vehicle)}
      />
      <div className="mb-2 zh-no-print">
        <PrintButton isMain={false} />
      </div>
      <section className="zh-card mb-3 zh-no-print">
        <TorqueList
          jobId={id}
          corner={corner}
          axle={axleOf(corner)}
          unit={unit}
          starDone={star.of > 0 && star.pulls.length >= star.of}
          fasteners={fasteners}
          kept={sayKey(job.vehicle)}
        />
      </section>
      <div className="zh-no-print">
        <WheelStar
          key={corner}
          jobId={id}
          corner={corner}
          count={axle.studs}
          fastening={axle.fastening}
          pulls={star.pulls}
          stamp={row?.stamp ?? null}
          torqueNm={wheel?.figure?.nm ?? null}
          unit={unit}
          isNext={fasteners.every(({ code, pulled }) => code === 'wheel-nuts' || pulled !== null)}
        />
      </div>
      <section className="zh-card mt-3 zh-no-print" aria-label="On the ground">
        <StepTick
          jobId={id}
          kind="torque"
          place={corner}
          item="vehicle-down"
          written={stepView(sinceWheelOn(job, corner, 'vehicle-down'))}
          over={findCheck(job, 'torque', corner, 'vehicle-down')?.stamp ?? null}
          label="Checked with the weight on the tyre"
        />
        <p className="zh-muted mb-0">
          Recheck after 50 to 100 km: set it on the Prove page, so that it is not forgotten.
        </p>
      </section>
    </FasteningFirst>
  );
}
