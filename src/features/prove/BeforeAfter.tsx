import type { UnitSystem } from '@/core/units';
import type { Verdict } from '@/core/verdict';
import type { BeforeAfterRow } from '@/server/prove/proveView';
import { Figure, VerdictMark } from '@/ui/verdict';

function Cell({ verdict, units }: { verdict: Verdict | null; units: UnitSystem }) {
  if (!verdict) return <VerdictMark state="not-measured" size={18} />;
  return (
    <>
      <Figure value={verdict.value} role="deviation" units={units} />{' '}
      <VerdictMark state={verdict.state} size={18} />
    </>
  );
}

/** Runout and thickness variation of every corner, before and after. */
export function BeforeAfter({
  corners,
  units,
}: {
  readonly corners: readonly BeforeAfterRow[];
  readonly units: UnitSystem;
}) {
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Before and after">
      <table className="table table-sm align-middle mb-0">
        <thead>
          <tr>
            <th scope="col">Corner</th>
            <th scope="col">What</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
          </tr>
        </thead>
        <tbody>
          {corners.flatMap(({ corner, runout, dtv }) =>
            (
              [
                ['Lateral runout', runout],
                ['Thickness variation', dtv],
              ] as const
            ).map(([name, { before, after }]) => (
              <tr key={`${corner} ${name}`}>
                <th scope="row" className="zh-figure">
                  {corner}
                </th>
                <td>{name}</td>
                <td>
                  <Cell verdict={before} units={units} />
                </td>
                <td>
                  <Cell verdict={after} units={units} />
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </div>
  );
}
