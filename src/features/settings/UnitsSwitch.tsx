'use client';

import { Button } from 'react-bootstrap';
import type { UnitSystem } from '@/core/units';
import { useSend } from '@/ui/field';
import { writeUnits } from './writes';

const LABEL: Readonly<Record<UnitSystem, string>> = { mm: 'mm', thou: 'thou' };

/** Switches the shop between millimetres and thousandths of an inch. */
export function UnitsSwitch({ units }: { units: UnitSystem }) {
  const { send, busy } = useSend(writeUnits);
  const other: UnitSystem = units === 'mm' ? 'thou' : 'mm';
  return (
    <Button
      type="button"
      variant="outline-secondary"
      disabled={busy}
      onClick={() => send([other])}
      title={`Units: ${LABEL[units]}. Press for ${LABEL[other]}.`}
    >
      <span className="visually-hidden">Units: </span>
      <span className={units === 'mm' ? 'fw-bold' : 'zh-muted fw-normal'}>mm</span>
      <span className="zh-muted fw-normal"> / </span>
      <span className={units === 'thou' ? 'fw-bold' : 'zh-muted fw-normal'}>thou</span>
      <span className="visually-hidden">
        . Now {LABEL[units]}, press for {LABEL[other]}.
      </span>
    </Button>
  );
}
