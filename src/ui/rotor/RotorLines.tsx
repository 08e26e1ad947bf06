import { Table } from 'react-bootstrap';
import Link from '@/ui/Link';
import type { UnitSystem } from '@/core/units';
import { Figure } from '@/ui/verdict';

/** What happened to a rotor in one job. */
export interface RotorLineView {
  readonly jobId: string;
  readonly number: number;
  readonly km: number;
  readonly before: number | null;
  readonly after: number | null;
  readonly what: 'measured' | 'cut' | 'renewed';
  readonly by: string | null;
}

/** The life of a corner\u2019s rotors, a line a job, by distance. */
export function RotorLines({
  lines,
  units,
}: {
  readonly lines: readonly RotorLineView[];
  readonly units: UnitSystem;
}) {
  if (lines.length === 0) return <p className="mb-0">No thickness is on record with a distance.</p>;
  return (
    <div className="zh-scroll">
      <Table size="sm">
        <thead>
          <tr>
            <th scope="col">Odometer</th>
            <th scope="col">Job</th>
            <th scope="col">Thinnest before</th>
            <th scope="col">after</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ jobId, number, km, before, after, what, by }) => (
            <tr key={jobId}>
              <td className="zh-figure">{km.toLocaleString('en')} km</td>
              <td>
                <Link href={`/jobs/${jobId}/decide`}>{number}</Link>
              </td>
              <td>
                <Figure value={before} role="size" units={units} />
              </td>
              <td>
                <Figure value={after} role="size" units={units} />
              </td>
              <td>
                {what}
                {by && ` (${by})`}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
