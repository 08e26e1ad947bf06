'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import {
  BEDDING_SCHOOLS,
  extentOf,
  stopsOf,
  type BeddingSchool,
  type Programme,
} from '@/core/bedding';
import type { BeddingPlan } from '@/core/contracts';
import type { SpeedUnit } from '@/core/units';
import { TextField, useSend } from '@/ui/field';
import { Signed } from '@/ui/procedure';
import { HEAT_FIELDS, wrongHeat } from './beddingForm';
import { StopsTable } from './BeddingStops';
import { HeatChart } from './HeatChart';
import type { StepView } from './model';
import { useStep } from './StepTick';
import { useBeddingPlan, type Planning } from './useBeddingPlan';
import { writeProgramme } from './writes';

const SCHOOL: Readonly<Record<BeddingSchool, string>> = {
  maker: 'Pad maker’s own',
  progressive: 'Progressive stops',
  moderate: 'Repeated moderate stops',
  gentle: 'Gentle distance only',
};

interface PlannerProps {
  readonly jobId: string;
  readonly plan: BeddingPlan;
  readonly written: StepView | null;
  readonly programmes: Readonly<Record<BeddingSchool, Programme>>;
  readonly unit: SpeedUnit;
  readonly axle: 'front' | 'rear';
  /** What takes the heat on that axle. */
  readonly carrier: 'rotor' | 'drum';
}

/** The schools, one of which is planned by. */
const SchoolChoice = ({ planning }: { readonly planning: Planning }) => (
  <div className="d-flex flex-wrap gap-2 mb-2" role="group" aria-label="Way of bedding in">
    {BEDDING_SCHOOLS.map((code) => (
      <Button
        key={code}
        type="button"
        variant={code === planning.typed.school ? 'dark' : 'outline-secondary'}
        aria-pressed={code === planning.typed.school}
        onClick={() => planning.pick(code)}
      >
        {SCHOOL[code]}
      </Button>
    ))}
  </div>
);

/** How many stops a programme has, how long it takes and how far it goes. */
function Extent({ programme, unit }: { readonly programme: Programme; readonly unit: SpeedUnit }) {
  const stops = stopsOf(programme).length;
  if (stops === 0 && programme.gentleKm === 0) return null;
  const { metres, seconds } = extentOf(programme);
  const far =
    unit === 'km/h' ? `${(metres / 1000).toFixed(1)} km` : `${(metres / 1609.344).toFixed(1)} mi`;
  return (
    <p className="mb-0">
      <span className="zh-figure">{stops}</span> stops, about{' '}
      <span className="zh-figure">{Math.round(seconds / 60)} min</span> and{' '}
      <span className="zh-figure">{far}</span>
      {programme.gentleKm > 0 && `; then ${programme.gentleKm} km without hard stops`}.
    </p>
  );
}

/** The programme: its school, its stops and what comes after them. */
function ProgrammeCard({
  planning,
  unit,
}: {
  readonly planning: Planning;
  readonly unit: SpeedUnit;
}) {
  const { typed, read, change } = planning;
  const isBlank = typed.groups.length === 0 && typed.note === '';
  return (
    <section className="zh-card mb-3" aria-label="Programme">
      <SchoolChoice planning={planning} />
      {typed.school === 'maker' && isBlank && (
        <p>
          Nothing is assumed for it: enter the pad maker’s stops below, or his words in the note.
        </p>
      )}
      {typed.groups.length > 0 && <StopsTable planning={planning} unit={unit} />}
      <Button
        type="button"
        variant="outline-secondary"
        className="mb-2"
        disabled={typed.groups.length >= 12}
        onClick={planning.addGroup}
      >
        Add stops
      </Button>
      <div className="zh-limits">
        <TextField
          label="Then drive to cool (minutes)"
          isFigure
          value={typed.cool}
          error={read.coolMinutes === null ? '0 to 120 minutes.' : undefined}
          onChange={(cool) => change({ cool })}
        />
        <TextField
          label="Then no hard stops for (km)"
          isFigure
          value={typed.gentle}
          error={read.gentleKm === null ? '0 to 2000 km.' : undefined}
          onChange={(gentle) => change({ gentle })}
        />
        <TextField
          label="Note"
          hint="Like the pad maker’s own words."
          value={typed.note}
          onChange={(note) => change({ note })}
        />
      </div>
      {read.programme && <Extent programme={read.programme} unit={unit} />}
    </section>
  );
}

/** How hot the programme makes the brake: its figures, the curve, and stops that leave it time to cool. */
function HeatCard({
  planning,
  axle,
  carrier,
}: { readonly planning: Planning } & Pick<PlannerProps, 'axle' | 'carrier'>) {
  const { typed, heat, said } = planning;
  const { programme } = planning.read;
  return (
    <section className="zh-card mb-3" aria-label="Heat">
      <h2>
        How hot one {axle} {carrier} gets
      </h2>
      <div className="zh-limits">
        {HEAT_FIELDS.map((each) => (
          <TextField
            key={each[0]}
            label={each[0] === 'rotorKg' ? `One ${carrier} (kg)` : each[1]}
            isFigure
            value={typed.heat[each[0]]}
            error={wrongHeat(typed.heat, each)}
            onChange={(text) => planning.typeHeat(each[0], text)}
          />
        ))}
      </div>
      {programme && heat ? (
        <>
          <HeatChart programme={programme} heat={heat} carrier={carrier} />
          <Button
            type="button"
            variant="outline-secondary"
            disabled={stopsOf(programme).length === 0}
            onClick={planning.propose}
          >
            Space the stops out
          </Button>{' '}
          {said && <span role="status">{said}</span>}
        </>
      ) : (
        <p className="zh-muted mb-0">
          Enter the masses to see how hot it gets: nothing is assumed for them. Share, cooling and
          ceiling are workshop defaults.
        </p>
      )}
    </section>
  );
}

/** Keeps the plan for the job, or its programme for the shop. */
function PlanKeeping({
  planning,
  jobId,
  written,
}: { readonly planning: Planning } & Pick<PlannerProps, 'jobId' | 'written'>) {
  const keep = useStep({ jobId, kind: 'bedding', place: '', item: 'plan' }, written);
  const shop = useSend(writeProgramme);
  const { typed, kept, setSaid } = planning;
  const { programme } = planning.read;
  const trouble = keep.trouble ?? shop.trouble;
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
      <Button
        type="button"
        variant="primary"
        disabled={!programme || !kept || keep.busy}
        onClick={() => keep.write({ school: typed.school, programme, heat: kept })}
      >
        Keep this plan
      </Button>
      {written && (
        <>
          <Signed written={written} />
          <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/rebuild/bedding/drive`}>
            Passenger’s view
          </ButtonLink>
        </>
      )}
      <Button
        type="button"
        variant="link"
        disabled={!programme || shop.busy}
        onClick={() =>
          programme &&
          shop.send([typed.school, programme], () => setSaid('Now the shop’s programme too.'))
        }
      >
        Make it the shop’s own programme
      </Button>
      {trouble && (
        <span className="zh-error" role="alert">
          {trouble}
        </span>
      )}
    </div>
  );
}

/** The bedding-in of a job planned: school, stops, predicted heat, spacing, time and distance. */
export function BeddingPlanner(props: PlannerProps) {
  const { jobId, plan, written, programmes, unit, axle, carrier } = props;
  const planning = useBeddingPlan(plan, programmes, unit, carrier);
  return (
    <>
      <ProgrammeCard planning={planning} unit={unit} />
      <HeatCard planning={planning} axle={axle} carrier={carrier} />
      <PlanKeeping planning={planning} jobId={jobId} written={written} />
    </>
  );
}
