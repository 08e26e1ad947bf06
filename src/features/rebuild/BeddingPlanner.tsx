'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { Form } from 'react-bootstrap';
import {
  BEDDING_SCHOOLS,
  extentOf,
  HARDNESS,
  predictHeat,
  proposeSpacing,
  stopRise,
  stopsOf,
  WALKING_PACE,
  type BeddingSchool,
  type Hardness,
  type Heat,
  type Programme,
  type StopGroup,
} from '@/core/bedding';
import type { BeddingPlan } from '@/core/contracts';
import { fromMetresPerSecond, toMetresPerSecond, type SpeedUnit } from '@/core/units';
import { LinesChart } from '@/ui/chart';
import { TextField, useSend } from '@/ui/field';
import { programmeAction } from './actions';
import { figureOf, type StepView } from './model';
import { Signed, useStep } from './StepTick';

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

/** A group of stops as it is typed. */
type Typed = Readonly<Record<'stops' | 'from' | 'to' | 'spacing', string>> & {
  readonly hard: Hardness;
};

const speedIn = (kmh: number, unit: SpeedUnit): string =>
  String(Math.round(fromMetresPerSecond(kmh / 3.6, unit)));
const kmhOf = (figure: number, unit: SpeedUnit): number =>
  Math.round(toMetresPerSecond(figure, unit) * 3.6 * 100) / 100;

const typedGroup = (group: StopGroup, unit: SpeedUnit): Typed => ({
  stops: String(group.stops),
  from: speedIn(group.from, unit),
  to: speedIn(group.to, unit),
  hard: group.hard,
  spacing: String(group.spacing),
});

/** A typed group as the estimate takes it, or what is wrong with it. */
function readGroup(typed: Typed, unit: SpeedUnit): StopGroup | string {
  const stops = figureOf(typed.stops, 1, 50);
  const from = figureOf(typed.from, 5, 250);
  const to = figureOf(typed.to, 0, 200);
  const spacing = figureOf(typed.spacing, 5, 3600);
  if (stops === null || !Number.isInteger(stops)) return 'Stops: a whole number from 1 to 50.';
  if (from === null || to === null) return `Speeds in ${unit}, up to 250.`;
  if (to >= from) return 'A stop ends slower than it begins.';
  if (spacing === null) return 'Apart: 5 to 3600 seconds.';
  return { stops, from: kmhOf(from, unit), to: kmhOf(to, unit), hard: typed.hard, spacing };
}

const HEAT_FIELDS = [
  ['vehicleKg', 'Vehicle as driven (kg)', 300, 40_000],
  ['rotorKg', 'One rotor (kg)', 1, 60],
  ['share', 'Share of the braking, this axle', 0.1, 0.9],
  ['ambient', 'Outside (°C)', -40, 55],
  ['tau', 'Cooling time constant (s)', 30, 3600],
  ['ceiling', 'Not above (°C)', 80, 800],
] as const;
type HeatField = (typeof HEAT_FIELDS)[number][0];

/** The heat estimate’s figures once all are there; null while one is missing or wrong. */
function readHeat(typed: Readonly<Record<HeatField, string>>): Heat | null {
  const values = HEAT_FIELDS.map(([field, , low, high]) => [
    field,
    figureOf(typed[field], low, high),
  ]);
  if (values.some(([, value]) => value === null)) return null;
  return Object.fromEntries(values) as unknown as Heat;
}

/** One group of stops in the table. */
function GroupRow({
  group,
  unit,
  number,
  wrong,
  onChange,
  onDrop,
}: {
  readonly group: Typed;
  readonly unit: SpeedUnit;
  readonly number: number;
  readonly wrong: string | null;
  readonly onChange: (group: Typed) => void;
  readonly onDrop: () => void;
}) {
  const cell = (field: 'stops' | 'from' | 'to' | 'spacing', label: string) => (
    <td>
      <Form.Control
        inputMode="decimal"
        aria-label={`${label}, group ${number}`}
        value={group[field]}
        onChange={({ target }) => onChange({ ...group, [field]: target.value })}
      />
    </td>
  );
  return (
    <>
      <tr>
        {cell('stops', 'Stops')}
        {cell('from', `From (${unit})`)}
        {cell('to', `To (${unit})`)}
        <td>
          <Form.Select
            aria-label={`How hard, group ${number}`}
            value={group.hard}
            onChange={({ target }) => onChange({ ...group, hard: target.value as Hardness })}
          >
            {Object.keys(HARDNESS).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Form.Select>
        </td>
        {cell('spacing', 'Seconds apart')}
        <td>
          <button type="button" className="btn btn-outline-secondary" onClick={onDrop}>
            Drop<span className="visually-hidden"> group {number}</span>
          </button>
        </td>
      </tr>
      {wrong && (
        <tr>
          <td colSpan={6} className="zh-error" role="alert">
            {wrong}
          </td>
        </tr>
      )}
    </>
  );
}

/** The predicted temperature over time, with the ceiling. */
function HeatChart({ programme, heat }: { programme: Programme; heat: Heat }) {
  const { stops, highest, over, end } = predictHeat(programme, heat);
  const last = stops.at(-1);
  if (!last) return null;
  const minutes = (seconds: number): number => Math.round((seconds / 60) * 100) / 100;
  const total = last.at + programme.coolMinutes * 60;
  const points = [
    ...stops.flatMap(({ at, before, after }) => [
      { x: minutes(at), y: Math.round(before as number) },
      { x: minutes(at + 0.6), y: Math.round(after as number) },
    ]),
    ...(total > last.at ? [{ x: minutes(total), y: Math.round(end as number) }] : []),
  ];
  const ceiling = heat.ceiling as number;
  return (
    <>
      <LinesChart
        caption="Predicted rotor temperature by stop (planning estimate)"
        xTitle="Minutes"
        yTitle="Rotor (°C)"
        digits={0}
        label={`Predicted temperature of one rotor: ${stops.length} stops, highest ${Math.round(highest as number)} °C, ceiling ${ceiling} °C${over.length > 0 ? `, passed at stops ${over.join(', ')}` : ''}.`}
        lines={[
          { name: 'Rotor', points, look: 'plain' },
          {
            name: 'Ceiling',
            points: [
              { x: 0, y: ceiling },
              { x: minutes(Math.max(total, 1)), y: ceiling },
            ],
            look: 'strong',
          },
        ]}
      />
      <p role="status" className="mt-2">
        {over.length > 0 ? (
          <strong className="zh-missing">
            Above {ceiling} °C at stop {over.join(', ')}: highest{' '}
            <span className="zh-figure">{Math.round(highest as number)} °C</span>.
          </strong>
        ) : (
          <>
            Highest <span className="zh-figure">{Math.round(highest as number)} °C</span>, below{' '}
            {ceiling} °C.
          </>
        )}
      </p>
    </>
  );
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
  const shop = useSend(programmeAction);

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
        <div className="d-flex flex-wrap gap-2 mb-2" role="group" aria-label="School">
          {BEDDING_SCHOOLS.map((code) => (
            <button
              key={code}
              type="button"
              className={`btn ${code === school ? 'btn-dark' : 'btn-outline-secondary'}`}
              aria-pressed={code === school}
              onClick={() => {
                setSchool(code);
                setSaid(null);
                load(programmes[code]);
              }}
            >
              {SCHOOL[code]}
            </button>
          ))}
        </div>
        {school === 'maker' && groups.length === 0 && note === '' && (
          <p>
            Nothing is assumed for it: enter the pad maker’s stops below, or his words in the note.
          </p>
        )}
        {groups.length > 0 && (
          <div className="table-responsive" tabIndex={0} role="region" aria-label="Stops">
            <table className="table table-sm zh-stops mb-2">
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
        <button
          type="button"
          className="btn btn-outline-secondary mb-2"
          disabled={groups.length >= 12}
          onClick={() => {
            const usual = { stops: 3, from: 50, to: WALKING_PACE, hard: 'moderate' as const };
            setGroups([...groups, typedGroup({ ...usual, spacing: 60 }, unit)]);
          }}
        >
          Add stops
        </button>
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
            <button
              type="button"
              className="btn btn-outline-secondary"
              disabled={stops === 0}
              onClick={propose}
            >
              Space the stops out
            </button>{' '}
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
        <button
          type="button"
          className="btn btn-primary"
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
        </button>
        {written && (
          <>
            <Signed written={written} />
            <Link
              className="btn btn-outline-secondary"
              href={`/jobs/${jobId}/rebuild/bedding/drive`}
            >
              Passenger’s view
            </Link>
          </>
        )}
        <button
          type="button"
          className="btn btn-link"
          disabled={!programme || shop.busy}
          onClick={() =>
            programme &&
            shop.send([school, programme], () => setSaid('Now the shop’s programme too.'))
          }
        >
          Make it the shop’s own programme
        </button>
        {(keep.trouble ?? shop.trouble) && (
          <span className="zh-error" role="alert">
            {keep.trouble ?? shop.trouble}
          </span>
        )}
      </div>
    </>
  );
}
