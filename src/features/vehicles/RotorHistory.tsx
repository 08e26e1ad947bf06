import { CORNER_NAME, type Corner } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import { RotorLines, type RotorLineView } from '@/ui/rotor/RotorLines';

/** What happened to the rotors of a vehicle, corner by corner. */
export function RotorHistory({
  rotors,
  units,
}: {
  readonly rotors: readonly { readonly corner: Corner; readonly lines: readonly RotorLineView[] }[];
  readonly units: UnitSystem;
}) {
  return (
    <div className="zh-pair">
      {rotors.map(({ corner, lines }) => (
        <div key={corner}>
          <h3 className="h5">
            <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
          </h3>
          <RotorLines lines={lines} units={units} />
        </div>
      ))}
    </div>
  );
}
