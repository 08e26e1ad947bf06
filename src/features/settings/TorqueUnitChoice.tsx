'use client';

import { Button } from 'react-bootstrap';
import { TORQUE_UNITS, type TorqueUnit } from '@/core/units';
import { useSend } from '@/ui/field';
import { writeTorqueUnit } from './writes';

/** The unit in which the shop reads torque. */
export function TorqueUnitChoice({ unit }: { unit: TorqueUnit }) {
  const { send, busy } = useSend(writeTorqueUnit);
  return (
    <div className="d-flex flex-wrap gap-2" role="group" aria-label="Torque is read in">
      {TORQUE_UNITS.map((each) => (
        <Button
          key={each}
          type="button"
          variant={each === unit ? 'dark' : 'outline-secondary'}
          aria-pressed={each === unit}
          disabled={busy}
          onClick={() => send([each])}
        >
          {each}
        </Button>
      ))}
    </div>
  );
}
