import { sayBand, sayKm, sayRate, type At, type PadFamily, type RotorOfCorner } from '@/core/wear';
import type { UnitSystem } from '@/core/units';
import type { RotorCharts } from '@/server/records/rotorCharts';
import { Figure } from '@/ui/verdict';

const km = (distance: number): string => `${distance.toLocaleString('en')} km`;
const sayAt = ({ number, km: distance }: At): string => `${km(distance)}, job ${number}`;

/** One rotor of the corner in its life: fitted, measured, cut, removed. */
function Life({ rotor, units }: { readonly rotor: RotorOfCorner; readonly units: UnitSystem }) {
  const { count, fitted, removed, thicknesses, cuts } = rotor;
  const last = thicknesses.at(-1);
  return (
    <li className="mb-2">
      <strong>Rotor {count}</strong>
      {removed === null && ' (on the vehicle)'}:{' '}
      {fitted ? `fitted at ${sayAt(fitted)}` : 'there when it was first measured'}; measured{' '}
      {thicknesses.length === 1 ? 'once' : `${thicknesses.length} times`}
      {last && (
        <>
          , last <Figure value={last.thickness} role="size" units={units} /> at {km(last.km)}
        </>
      )}
      {cuts.map((cut) => (
        <span key={cut.number}>
          ; cut at {sayAt(cut)}
          {cut.removed !== null && (
            <>
              , <Figure value={cut.removed} role="deviation" units={units} /> off
            </>
          )}
        </span>
      ))}
      {removed && `; taken off at ${sayAt(removed)}`}.
    </li>
  );
}

/** The rotors of a corner with what is left of the one on the vehicle. */
export function RotorLives({
  charts,
  units,
  padFamily,
}: {
  readonly charts: RotorCharts;
  readonly units: UnitSystem;
  readonly padFamily: PadFamily;
}) {
  const { rotors, left, rate, limits } = charts;
  return (
    <section className="zh-card">
      {left && left.km > 0 && (
        <p>
          <span className="zh-figure zh-figure-large">{sayKm(left.km)}</span> to discard thickness,
          from {km(left.fromKm)} on; {sayBand(left)}.
        </p>
      )}
      {left?.km === 0 && (
        <p role="alert">
          <strong>At or below discard thickness</strong> when it was last measured: it must not stay
          on the vehicle.
        </p>
      )}
      {!limits.discard && <p>The discard thickness is not on file: enter it on the vehicle.</p>}
      {limits.discard && !left && (
        <p>
          Nothing is forecast: the rotor on the vehicle was not measured since it was fitted or cut.
        </p>
      )}
      <p className="zh-muted">
        Wear {sayRate(rate, padFamily)} A forecast, not a promise: measure at every visit.
      </p>
      <ol className="list-unstyled mb-0">
        {rotors.map((rotor) => (
          <Life key={rotor.count} rotor={rotor} units={units} />
        ))}
      </ol>
    </section>
  );
}
