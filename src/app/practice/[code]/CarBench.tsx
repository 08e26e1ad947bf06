'use client';

import { useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { assessCorner, measuredFindings } from '@/core/assessment';
import {
  CASE_LIMITS,
  cornerAfter,
  GAUGED,
  readMinutes,
  readSoFar,
  type CarCorner,
  type FindCase,
  type ReadFinding,
} from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { withHeld } from '@/features/measure/held';
import { MeasureBench } from '@/features/measure/MeasureBench';
import type { BenchCorner, BenchSet } from '@/features/measure/model';
import { recordOf } from '@/features/measure/result';
import { sayMinutes, sayShown, sinceRepair, type CarBenchProps } from '@/features/practice';
import { NextThing } from '@/ui/shell';

/** The corner of a car as the bench takes it. */
const cornerOf = (
  own: FindCase,
  { virtual, faults }: CarCorner,
  id: string,
  units: UnitSystem,
): BenchCorner => ({
  ...{ jobId: id, whose: `Practice ${own.code}`, corner: own.corner, phase: 'before' },
  ...{ fastening: 'studs', studs: virtual.studs, allowedShifts: null },
  ...{ limits: CASE_LIMITS, isCheck: true, isAnswered: true, units, gauges: [] },
  practice: { corner: virtual, faults },
});

/** What the sets say to the weighing of causes, as those of a job do. */
function readOf(sets: readonly BenchSet[], corner: BenchCorner): ReadFinding[] {
  const record = recordOf(sets, corner);
  return measuredFindings(record, assessCorner(record)).flatMap(({ code, value }) => {
    const gauged = GAUGED.find((each) => each === code);
    return gauged ? [{ code: gauged, value }] : [];
  });
}

/** The bench of a car’s corner: virtual gauges on the screens of real corners; what they say is noted with the car. */
export function CarBench({ own, id, writes, state, units, onNote, onLeave }: CarBenchProps) {
  const { repairs } = state;
  const isAgain = repairs.length > 0;
  // What was read before a repair is of another corner.
  const sets = useMemo(() => withHeld([], sinceRepair(writes)), [writes]);
  const corner = useMemo(
    () => cornerOf(own, cornerAfter(own, repairs), id, units),
    [own, repairs, id, units],
  );
  const read = useMemo(() => readOf(sets, corner), [sets, corner]);
  const isNoted = ({ code, value }: ReadFinding): boolean =>
    readSoFar(state).some((each) => each.code === code && each.value === value);
  const fresh = read.filter((each) => !isNoted(each));
  const minutes = readMinutes(own, state, fresh);
  const say = ({ code, value }: ReadFinding) => {
    const finding = own.knowledge.findings.find((each) => each.code === code)!;
    return (
      <li key={code}>
        {finding.title}: <strong>{sayShown(own, finding, units, value)}</strong>
      </li>
    );
  };
  return (
    <>
      <NextThing
        todo={
          fresh.length > 0
            ? 'Note what was read, or read on.'
            : `Read the rotor at ${own.corner}${isAgain ? ' again' : ''}.`
        }
        why={
          isAgain
            ? 'What was beyond its limit with the fault is within once that is put right; what is noted takes its minutes.'
            : 'Runout, thickness, and the rotor moved on its studs, as at any corner; what is noted is weighed and takes its minutes.'
        }
      >
        <Button disabled={fresh.length === 0} onClick={() => onNote(fresh)}>
          Note it{fresh.length > 0 && ` (${sayMinutes(minutes)})`}
        </Button>
        <Button variant="outline-secondary" onClick={onLeave}>
          Back to the car
        </Button>
      </NextThing>
      {fresh.length > 0 && <ul className="mb-2">{fresh.map(say)}</ul>}
      <MeasureBench
        {...{ corner, sets }}
        lead={null}
        scent={null}
        expectedShift={null}
        wanted="runout"
        nextHref="/practice"
        nextLabel="All cases"
      />
    </>
  );
}
