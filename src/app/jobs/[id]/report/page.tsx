import { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { sayAdvice, sayCleaning } from '@/core/assessment';
import { formatIn } from '@/core/units';
import { ClosedRecord } from '@/features/signoff/ClosedRecord';
import { CornerCauses } from '@/features/signoff/CornerCauses';
import { GuaranteeForm } from '@/features/signoff/GuaranteeForm';
import { SignOff } from '@/features/signoff/SignOff';
import { JobReport } from '@/features/report/JobReport';
import { PrintButton } from '@/features/report/PrintButton';
import {
  cleaningAt,
  earlierAt,
  inspectionAt,
  judgeCorner,
  procedureOf,
  sayAgreed,
  sayPromise,
  sayRepair,
  sourceRepairs,
  vehicleName,
  causesAt,
  isOnlyBeside,
  type Job,
  findCheck,
} from '@/core/job';
import { comebackNumber, loadJob } from '@/server/job/jobs';
import { jobHref } from '@/ui/shell';
import { openLinesOf } from '@/server/signoff/openLines';
import {
  drumCorners,
  drumFigures,
  isDrumWork,
  rotorCorners,
  sayDrumWork,
  signOffOf,
  standingOf,
  tellInvented,
} from '@/core/job';
import { drumSentence } from '@/features/drum/model';
import { DrumReport } from '@/features/report/DrumReport';
import { drumView } from '@/server/drum/drumView';
import { OpenLines } from '@/features/signoff/OpenLines';
import { Warnings } from '@/features/report/Warnings';
import { whoIsHere } from '@/server/web/who';
import type { Blocker } from '@/core/procedure';
import { shopUnits } from '@/server/shop/settings';
import { KNOWLEDGE } from '@/core/contracts';
import { Here } from '@/app/Here';
import { WithNose } from '../JobDiagnosis';
import { FoundDrawn } from './FoundDrawn';

export const metadata: Metadata = { title: 'Report' };

/** What the report tells of the drums of a job. */
const drumsOfReport = (job: Job) =>
  Promise.all(
    drumCorners(job).map(async (corner) => {
      const view = await drumView(job, corner);
      const { decision } = view;
      return {
        corner,
        decided: decision && {
          say: sayDrumWork(decision),
          isDone: decision.isDone || !isDrumWork(decision),
        },
        advice: drumSentence(view).todo,
        rows: drumFigures(job).filter((row) => row.corner === corner),
        sources: [view.sources.size, view.sources.round] as const,
        inspection: inspectionAt(job, corner),
      };
    }),
  );

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const units = await shopUnits();
  const { vehicle } = job;
  const who = await whoIsHere();
  const promise = findCheck(job, 'promise', '', 'guarantee');
  const { blocks, open } = signOffOf(job);
  const { mustNotMove, notDone, isSigned, isSignedElsewhere } = standingOf(job);
  const at = (each: Blocker) => ({
    say: each.say,
    href: jobHref(id, { page: each.place, corner: each.corner }),
  });
  const drums = await drumsOfReport(job);
  const corners = rotorCorners(job).map((corner) => {
    const before = judgeCorner(job, corner, 'before');
    const after = judgeCorner(job, corner, 'after');
    const { cleaning } = cleaningAt(job, corner);
    const isMeasuredAgain = after.record.sets.length > 0;
    return {
      before,
      after: isMeasuredAgain ? after : null,
      done: before.recorded,
      advice: isOnlyBeside(job, corner)
        ? null
        : sayAdvice(before.advice, { ...before.record, units }).todo,
      earlier: earlierAt(job, corner),
      inspection: inspectionAt(job, corner),
      cleaning: cleaning && sayCleaning(cleaning, (value) => formatIn(units, 'deviation', value)),
    };
  });
  return (
    <WithNose job={job} isAsFound>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/report/owner`}>
          Owner’s report
        </ButtonLink>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/report/file`}>
          File report
        </ButtonLink>
        <ButtonLink variant="outline-secondary" href={`/jobs/${id}/history`}>
          History
        </ButtonLink>
        <FileLink variant="outline-secondary" href={`/api/v1/archive?job=${id}`} download>
          Job as an archive
        </FileLink>
      </div>
      {job.closedAt === null ? (
        <>
          <Here isWhole />
          <OpenLines
            jobId={id}
            lines={openLinesOf(job, units)}
            lead={who?.role === 'lead' ? who.name : null}
          />
          <CornerCauses
            jobId={id}
            corners={job.corners.map((corner) => ({
              corner,
              codes: causesAt(job, corner),
              stamp: findCheck(job, 'decide', corner, 'causes')?.stamp ?? null,
            }))}
            causes={KNOWLEDGE.causes.map(({ code, name }) => ({ code, name }))}
          />
          <GuaranteeForm
            key={promise?.stamp ?? 'none'}
            jobId={id}
            promise={promise?.value ?? null}
            say={sayPromise(job)}
            stamp={promise?.stamp ?? null}
          />
          <SignOff
            jobId={id}
            blocks={blocks.map(at)}
            open={open.map(at)}
            causes={KNOWLEDGE.causes.map(({ code, name }) => ({ code, name }))}
            confirmed={job.confirmedCause ?? sourceRepairs(job)[0]?.cause.code ?? null}
            who={who && { name: who.name, isLead: who.role === 'lead' }}
          />
        </>
      ) : (
        <ClosedRecord
          jobId={id}
          signed={{
            by: job.signedBy,
            at: formatDate(job.closedAt, 'D MMMM YYYY, HH:mm'),
            open: job.signedWith?.open ?? [],
            reason: job.signedWith?.reason ?? null,
            isElsewhere: isSignedElsewhere,
          }}
          additions={job.additions.map((each) => ({
            ...each,
            at: formatDate(each.at, 'D MMM YYYY, HH:mm'),
          }))}
        />
      )}
      {/* On the screen the sign-off above says it, while the job is open. */}
      <div
        className={
          isSignedElsewhere || (isSigned && tellInvented(job)) ? '' : 'd-none d-print-block'
        }
      >
        <Warnings
          mustNotMove={mustNotMove.map(({ say }) => say)}
          invented={tellInvented(job)}
          notSigned={isSigned ? null : notDone.map(({ say }) => say)}
        />
      </div>
      <JobReport
        head={{
          number: job.number,
          date: formatDate(job.closedAt ?? new Date(), 'D MMMM YYYY'),
          plate: vehicle.plate,
          vehicle: vehicleName(vehicle),
          odometer: job.odometerKm === null ? null : `${job.odometerKm} km`,
          complaint: job.complaint,
          comebackOf: await comebackNumber(job.comebackOf),
        }}
        corners={corners}
        drums={drums.map((drum) => (
          <DrumReport key={drum.corner} drum={drum} units={units} />
        ))}
        sources={sourceRepairs(job).map((repair) => ({
          ...repair,
          say: sayRepair(repair),
          wanted: repair.cause.proof,
        }))}
        agreed={sayAgreed(job)}
        procedure={procedureOf(job)}
        units={units}
      />
      <FoundDrawn job={job} only="wrong" />
    </WithNose>
  );
}
