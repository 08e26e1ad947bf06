'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { sayMove } from '@/core/assessment';
import { fastenerName } from '@/core/readings';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';

/** What a new set begins with. */
export interface SetPlan {
  readonly kind: BenchSet['kind'];
  readonly positions: 8 | 10 | 12 | 16 | 24;
  readonly shift: number;
  readonly face: 'outboard' | 'inboard';
}

const POSITIONS = [8, 10, 12, 16, 24] as const;
const KINDS = ['runout', 'thickness', 'hub'] as const;

const DIAL =
  'base on something solid, dial preloaded and zeroed at the chalk mark, 10 to 13 mm in from the edge. Neutral, other axle chocked.';

/** What must be so before a set is begun; as found nothing is cleaned yet. */
function readyFor(kind: BenchSet['kind'], { fastening, phase }: BenchCorner): string {
  if (kind === 'thickness') {
    return 'Micrometer 10 to 13 mm in from the edge, inside the wear lip, at the same positions. Let a hot rotor cool.';
  }
  if (kind === 'hub') {
    return 'Rotor off. Dial on the flange near its edge, clear of studs and holes, zeroed at the chalk mark; the radius of that circle goes into the set. Neutral, other axle chocked.';
  }
  const nuts = fastening === 'studs' ? 'nuts' : 'bolts';
  return phase === 'as-found'
    ? `All ${nuts} on with spacers and drawn up evenly, nothing cleaned yet, ${DIAL}`
    : `All ${nuts} on and drawn up evenly, faces clean, ${DIAL}`;
}

/** "as first marked" or the move from there, as you face the corner. */
export const mountingName = (corner: BenchCorner, shift: number): string =>
  sayMove(corner, 0, shift) ?? `as first marked (${fastenerName(corner.fastening)} 1)`;

interface SetStarterProps {
  readonly corner: BenchCorner;
  readonly plan: SetPlan;
  readonly busy: boolean;
  readonly onStart: (plan: SetPlan) => void;
}

/** Chooses kind, positions and mounting of a new set; the likely ones are chosen already. */
export function SetStarter({ corner, plan, busy, onStart }: SetStarterProps) {
  const [own, setOwn] = useState(plan);
  const shifts = Array.from({ length: corner.studs }, (_, shift) => shift).filter(
    (shift) => corner.allowedShifts?.includes(shift) ?? true,
  );
  return (
    <form
      className="zh-card"
      onSubmit={(event) => {
        event.preventDefault();
        onStart(own);
      }}
    >
      <h2>New set</h2>
      <div className="zh-tabs mb-3" role="group" aria-label="What is measured">
        {KINDS.filter((kind) => kind !== 'hub' || corner.phase !== 'after').map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-outline-secondary"
            aria-pressed={own.kind === kind}
            onClick={() => setOwn({ ...own, kind })}
          >
            {KIND_NAME[kind]}
          </button>
        ))}
      </div>
      <div className="zh-limits">
        <Form.Group controlId="set-positions">
          <Form.Label>Positions</Form.Label>
          <Form.Select
            value={own.positions}
            onChange={(event) =>
              setOwn({
                ...own,
                positions: POSITIONS.find((n) => String(n) === event.target.value) ?? 12,
              })
            }
          >
            {POSITIONS.map((n) => (
              <option key={n} value={n}>
                {n}
                {n === 12 ? ' (recommended)' : ''}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {own.kind !== 'hub' && (
          <Form.Group controlId="set-shift">
            <Form.Label>Rotor sits</Form.Label>
            <Form.Select
              value={own.shift}
              onChange={(event) => setOwn({ ...own, shift: Number(event.target.value) })}
            >
              {shifts.map((shift) => (
                <option key={shift} value={shift}>
                  {mountingName(corner, shift)}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        )}
        {own.kind === 'runout' && (
          <Form.Group controlId="set-face">
            <Form.Label>Dial on the face</Form.Label>
            <Form.Select
              value={own.face}
              onChange={(event) =>
                setOwn({ ...own, face: event.target.value === 'inboard' ? 'inboard' : 'outboard' })
              }
            >
              <option value="outboard">outboard (wheel side)</option>
              <option value="inboard">inboard (sign is turned)</option>
            </Form.Select>
          </Form.Group>
        )}
      </div>
      <p className="zh-muted mt-3">{readyFor(own.kind, corner)}</p>
      <button className="btn btn-primary" disabled={busy} autoFocus>
        {busy ? 'Starting …' : `Start ${KIND_NAME[own.kind].toLowerCase()}`}
      </button>
    </form>
  );
}
