'use client';

import { useTransition } from 'react';
import type { UnitSystem } from '@/core/units';
import { chooseUnitsAction } from './actions';

const LABEL: Readonly<Record<UnitSystem, string>> = { mm: 'mm', thou: 'thou' };

/** Switches the shop between millimetres and thousandths of an inch. */
export function UnitsSwitch({ units }: { units: UnitSystem }) {
  const [pending, start] = useTransition();
  const other: UnitSystem = units === 'mm' ? 'thou' : 'mm';
  return (
    <button
      type="button"
      className="btn btn-outline-secondary"
      disabled={pending}
      onClick={() => start(() => chooseUnitsAction(other))}
      title={`Units: ${LABEL[units]}. Press for ${LABEL[other]}.`}
    >
      <span className="visually-hidden">Units: </span>
      <span className={units === 'mm' ? 'fw-bold' : 'zh-muted fw-normal'}>mm</span>
      <span className="zh-muted fw-normal"> / </span>
      <span className={units === 'thou' ? 'fw-bold' : 'zh-muted fw-normal'}>thou</span>
      <span className="visually-hidden">
        . Now {LABEL[units]}, press for {LABEL[other]}.
      </span>
    </button>
  );
}
