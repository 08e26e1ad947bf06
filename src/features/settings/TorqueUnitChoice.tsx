'use client';

import { useTransition } from 'react';
import { TORQUE_UNITS, type TorqueUnit } from '@/core/units';
import { chooseTorqueAction } from './actions';

/** The unit in which the shop reads torque. */
export function TorqueUnitChoice({ unit }: { unit: TorqueUnit }) {
  const [pending, start] = useTransition();
  return (
    <div className="d-flex flex-wrap gap-2" role="group" aria-label="Torque is read in">
      {TORQUE_UNITS.map((each) => (
        <button
          key={each}
          type="button"
          className={`btn ${each === unit ? 'btn-dark' : 'btn-outline-secondary'}`}
          aria-pressed={each === unit}
          disabled={pending}
          onClick={() => start(() => chooseTorqueAction(each))}
        >
          {each}
        </button>
      ))}
    </div>
  );
}
