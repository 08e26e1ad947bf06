import { fieldUnit, formatNumber, UNIT_SIGN, type LengthRole, type UnitSystem } from '@/core/units';

interface FigureProps {
  /** In micrometres; null shows a dash. */
  readonly value: number | null;
  readonly role?: LengthRole;
  readonly units: UnitSystem;
  readonly large?: boolean;
}

/** A length in the shop's unit, the figure large and the unit small. */
export function Figure({ value, role = 'deviation', units, large = false }: FigureProps) {
  const unit = fieldUnit(units, role);
  return (
    <span className={`zh-figure text-nowrap ${large ? 'zh-figure-large' : ''}`}>
      {value === null ? '\u2013' : formatNumber(value, unit)}
      {value !== null && <span className="zh-figure-unit">{UNIT_SIGN[unit]}</span>}
    </span>
  );
}
