'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { useMemo, useState } from 'react';
import {
  BEDDING_SCHOOLS,
  extentOf,
  proposeSpacing,
  stopRise,
  stopsOf,
  WALKING_PACE,
  type BeddingSchool,
  type Programme,
  type StopGroup,
} from '@/core/bedding';
import type { BeddingPlan } from '@/core/contracts';
import type { SpeedUnit } from '@/core/units';
import { TextField, useSend } from '@/ui/field';
import { HEAT_FIELDS, readGroup, readHeat, typedGroup, type HeatField } from './beddingForm';
import { GroupRow } from './BeddingStops';
import { HeatChart } from './HeatChart';
import { figureOf, type StepView } from './model';
import { Signed } from '@/ui/procedure';
import { useStep } from './StepTick';
import { writeProgramme } from './writes';
import styles from './rebuild.module.css';

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
}

/** The bedding-in of a job planned: school, stops, predicted heat, spacing, time and distance. */
export function BeddingPlanner(props: PlannerProps) {
  const { jobId, plan, written, programmes, unit, axle } = props;
  const [school, setSchool] = useState(plan.school);
  const [groups, setGroups] = useState(plan.programme.groups.map((each) => typedGroup(each, unit)));
  const [cool, setCool] = useState(String(plan.programme.coolMinutes));
  const [gentle, setGentle] = useState(String(plan.programme.gentleKm));
  const [note, setNote] = useState(plan.programme.note);
  const [heatText, setHeatText] = useState<Record<HeatField, string>>(() => {
    const text = (field: HeatField): string => String(plan.heat[field] ?? '');
    return Object.fromEntries(HEAT_FIELDS.map(([field]) => [field, text(field)])) as Record<
      HeatField,
      string
    >;
  });
  const [said, setSaid] = useState<string | null>(null);
  const keep = useStep({ jobId, kind: 'bedding', place: '', item: 'plan' }, written);
  const shop = useSend(writeProgramme);

  const read = useMemo(() => groups.map((group) => readGroup(group, unit)), [groups, unit]);
  const isSound = read.every((each) => typeof each !== 'string');
  const coolMinutes = figureOf(cool === '' ? '0' : cool, 0, 120);
  const gentleKm = figureOf(gentle === '' ? '0' : gentle, 0, 2000);
  const programme: Programme | null =
    isSound && coolMinutes !== null && gentleKm !== null
      ? {
          groups: read.filter((each): each is StopGroup => typeof each !== 'string'),
          coolMinutes,
          gentleKm,
          note,
        }
      : null;
  const heat = readHeat(heatText);
  const load = (next: Programme): void => {
    setGroups(next.groups.map((each) => typedGroup(each, unit)));
    setCool(String(next.coolMinutes));
    setGentle(String(next.gentleKm));
    setNote(next.note);
  };
  const propose = (): void => {
    if (!programme || !heat) return;
    const proposed = proposeSpacing(programme, heat);
    if (!proposed) {
      const worst = Math.max(...programme.groups.map((group) => stopRise(heat, group)));
      setSaid(
        `No spacing does it: one stop alone heats the rotor by ${Math.round(worst)} °C. Lower the speed.`,
      );
      return;
    }
    const isSame = JSON.stringify(proposed.groups) === JSON.stringify(programme.groups);
    setSaid(
      isSame
        ? 'It stays below the ceiling as it is.'
        : 'Spaced out: the rotor stays below the ceiling.',
    );
    load(proposed);
  };
  const extent = programme && extentOf(programme);
  const stops = programme ? stopsOf(programme).length : 0;
  const far = extent
    ? unit === 'km/h'
      ? `${(extent.metres / 1000).toFixed(1)} km`
      : `${(extent.metres / 1609.344).toFixed(1)} mi`
    : '';
  return (
    <>
      <section className="zh-card mb-3" aria-label="Programme">
        <div className="d-flex flex-wrap gap-2 mb-2" role="group" aria-label="RuleChoice">
          {BEDDING_SCHOOLS.map((code) => (
            <Button
              key={code}
              type="button"
              variant={code === school ? 'dark' : 'outline-secondary'}
              aria-pressed={code === school}
              onClick={() => {
                setSchool(code);
                setSaid(null);
                load(programmes[code]);
              }}
            >
              {SCHOOL[code]}
            </Button>
          ))}
        </div>
        {school === 'maker' && groups.length === 0 && note === '' && (
          <p>
            Nothing is assumed for it: enter the pad maker’s stops below, or his words in the note.
          </p>
        )}
        {groups.length > 0 && (
          <div className="table-responsive" tabIndex={0} role="region" aria-label="Stops">
            <table className={`table table-sm ${styles.stops} mb-2`}>
              <thead>
                <tr>
                  <th scope="col">Stops</th>
                  <th scope="col">From ({unit})</th>
                  <th scope="col">To ({unit})</th>
                  <th scope="col">How hard</th>
                  <th scope="col">Seconds apart</th>
                  <th scope="col">
                    <span className="visually-hidden">Drop</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {groups.map((group, i) => (
                  <GroupRow
                    key={i}
                    number={i + 1}
                    group={group}
                    unit={unit}
                    wrong={typeof read[i] === 'string' ? read[i] : null}
                    onChange={(next) => setGroups(groups.map((each, j) => (j === i ? next : each)))}
                    onDrop={() => setGroups(groups.filter((_, j) => j !== i))}
                  />
                ))}
              </tbody>
            </table>
          </div>
        )}
        <Button
          type="button"
          variant="outline-secondary"
          className="mb-2"
          disabled={groups.length >= 12}
          onClick={() => {
            const usual = { stops: 3, from: 50, to: WALKING_PACE, hard: 'moderate' as const };
            setGroups([...groups, typedGroup({ ...usual, spacing: 60 }, unit)]);
          }}
        >
          Add stops
        </Button>
        <div className="zh-limits">
          <TextField
            label="Then drive to cool (minutes)"
            isFigure
            value={cool}
            error={coolMinutes === null ? '0 to 120 minutes.' : undefined}
            onChange={setCool}
          />
          <TextField
            label="Then no hard stops for (km)"
            isFigure
            value={gentle}
            error={gentleKm === null ? '0 to 2000 km.' : undefined}
            onChange={setGentle}
          />
          <TextField
            label="Note"
            hint="Like the pad maker’s own words."
            value={note}
            onChange={setNote}
          />
        </div>
        {programme && (stops > 0 || programme.gentleKm > 0) && (
          <p className="mb-0">
            <span className="zh-figure">{stops}</span> stops, about{' '}
            <span className="zh-figure">{Math.round((extent?.seconds ?? 0) / 60)} min</span> and{' '}
            <span className="zh-figure">{far}</span>
            {gentleKm !== null && gentleKm > 0 && `; then ${gentleKm} km without hard stops`}.
          </p>
        )}
      </section>
      <section className="zh-card mb-3" aria-label="Heat">
        <h2>How hot one {axle} rotor gets</h2>
        <div className="zh-limits">
          {HEAT_FIELDS.map(([field, label, low, high]) => (
            <TextField
              key={field}
              label={label}
              isFigure
              value={heatText[field]}
              error={
                heatText[field].trim() !== '' && figureOf(heatText[field], low, high) === null
                  ? `${low} to ${high}.`
                  : undefined
              }
              onChange={(text) => setHeatText({ ...heatText, [field]: text })}
            />
          ))}
        </div>
        {programme && heat ? (
          <>
            <HeatChart programme={programme} heat={heat} />
            <Button
              type="button"
              variant="outline-secondary"
              disabled={stops === 0}
              onClick={propose}
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
      <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
        <Button
          type="button"
          variant="primary"
          disabled={!programme || keep.busy}
          onClick={() => {
            if (!programme) return;
            const share = figureOf(heatText.share, 0.1, 0.9) ?? plan.heat.share;
            const kept = {
              ...{ vehicleKg: figureOf(heatText.vehicleKg, 300, 40_000), share },
              rotorKg: figureOf(heatText.rotorKg, 1, 60),
              ambient: figureOf(heatText.ambient, -40, 55) ?? plan.heat.ambient,
              tau: figureOf(heatText.tau, 30, 3600) ?? plan.heat.tau,
              ceiling: figureOf(heatText.ceiling, 80, 800) ?? plan.heat.ceiling,
            };
            keep.write({ school, programme, heat: kept });
          }}
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
            shop.send([school, programme], () => setSaid('Now the shop’s programme too.'))
          }
        >
          Make it the shop’s own programme
        </Button>
        {(keep.trouble ?? shop.trouble) && (
          <span className="zh-error" role="alert">
            {keep.trouble ?? shop.trouble}
          </span>
        )}
      </div>
    </>
  );
}
