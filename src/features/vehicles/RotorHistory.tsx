import Link from '@/ui/Link';
import { CORNER_NAME, type Corner } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { RotorLines, type RotorLineView } from '@/ui/rotor/RotorLines';
import lists from '@/ui/shell/lists.module.css';

/** What happened to the rotors of a vehicle, corner by corner. */
export function RotorHistory({
  vehicleId,
  rotors,
  units,
}: {
  readonly vehicleId: string;
  readonly rotors: readonly { readonly corner: Corner; readonly lines: readonly RotorLineView[] }[];
  readonly units: UnitSystem;
}) {
  return (
    <div className={lists.columns}>
      {rotors.map(({ corner, lines }) => (
        <div key={corner}>
          <h3 className="h5">
            <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
          </h3>
          <RotorLines lines={lines} units={units} />
          <Link className="zh-link" href={`/vehicles/${vehicleId}/rotors/${corner}`}>
            Charts and forecast<span className="visually-hidden">: {corner}</span>
          </Link>
        </div>
      ))}
    </div>
  );
}
