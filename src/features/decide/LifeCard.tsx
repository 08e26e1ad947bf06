import type { UnitSystem } from '@/core/units';
import type { RotorLife } from '@/server/records/rotorLife';
import { RotorLines } from '@/ui/rotor/RotorLines';
import { Figure } from '@/ui/verdict';
import { sayDistance, sayOutlasts, sayRate, type DistanceLeft } from '@/core/wear';
import options from '@/ui/shell/options.module.css';

interface LifeCardProps {
  readonly life: RotorLife;
  /** Distance to discard of the rotor as it is. */
  readonly now: DistanceLeft | null;
  readonly units: UnitSystem;
}

/** How long the rotor lasts against its pads, and what its history says. */
export function LifeCard({ life, now, units }: LifeCardProps) {
  const { rate, family, pads, newPads, padLeft, lines } = life;
  return (
    <>
      <p>
        Wear: {sayRate(rate, family)} {sayOutlasts(now, pads)}
      </p>
      <dl className={options.life}>
        <dt>Rotor as it is, to discard</dt>
        <dd className="zh-figure">{sayDistance(now)}</dd>
        <dt>
          Pads as they are
          {padLeft !== null && (
            <span className="zh-muted">
              {' '}
              (<Figure value={padLeft} role="size" units={units} /> at the thinnest)
            </span>
          )}
        </dt>
        <dd className="zh-figure">
          {padLeft === null
            ? 'pads not measured'
            : pads
              ? sayDistance(pads)
              : 'wear not on the shop\u2019s list'}
        </dd>
        <dt>A new set of pads</dt>
        <dd className="zh-figure">
          {newPads ? sayDistance(newPads) : 'not on the shop\u2019s list'}
        </dd>
      </dl>
      <RotorLines lines={lines} units={units} />
    </>
  );
}
