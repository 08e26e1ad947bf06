import { Table } from 'react-bootstrap';
import type { UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { Figure } from '@/ui/verdict';

const FIGURES = [
  ['Installed lateral runout', 'runout'],
  ['Thickness variation', 'thicknessVariation'],
  ['Hub face runout', 'hubFaceRunout'],
  ['Taper', 'taper'],
  ['End play of the bearing', 'endPlay'],
  ['Left to right on an axle', 'sideToSide'],
  ['Wear reserve above discard', 'wearReserve'],
] as const;

/** The workshop defaults that stand in where a vehicle has no figure of its maker. */
export function DefaultsTable({ units }: { readonly units: UnitSystem }) {
  return (
    <Table size="sm">
      <thead>
        <tr>
          <th scope="col">Where the maker&rsquo;s figure is missing</th>
          <th scope="col">Workshop default</th>
        </tr>
      </thead>
      <tbody>
        {FIGURES.map(([name, key]) => (
          <tr key={key}>
            <th scope="row" className="fw-normal">
              {name}
            </th>
            <td>
              <Figure value={WORKSHOP_DEFAULTS[key]} role="deviation" units={units} />
            </td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
