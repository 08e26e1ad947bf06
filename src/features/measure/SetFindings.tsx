'use client';

import {
  dtvLimit,
  machineToSource,
  runoutLimit,
  SOURCE_NAME,
  type LimitSource,
} from '@/core/assessment';
import { formatIn, type LengthRole } from '@/core/units';
import { describeReason, type Reason, type Verdict } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';
import { LimitEntry } from './LimitEntry';
import type { BenchCorner } from './model';
import type { SetResult } from './result';

interface VerdictLineProps {
  readonly name: string;
  readonly verdict: Verdict;
  readonly source: LimitSource | null;
  readonly role?: LengthRole;
  readonly corner: BenchCorner;
  /** False when the figure stands already above. */
  readonly hasFigure?: boolean;
  /** Reasons that stand already above. */
  readonly told?: readonly Reason[];
}

/** The reasons that were not told yet. */
function newTo(told: readonly Reason[], reasons: readonly Reason[]): Reason[] {
  const known = new Set(told.map((reason) => JSON.stringify(reason)));
  return reasons.filter((reason) => !known.has(JSON.stringify(reason)));
}

/** One verdict: figure, limit with its source, margin and guard band, and why. */
function VerdictLine({
  name,
  verdict,
  source,
  role = 'deviation',
  corner,
  hasFigure = true,
  told = [],
}: VerdictLineProps) {
  const say = (value: number): string => formatIn(corner.units, role, value);
  return (
    <div className="mb-3">
      <h3 className="mb-1">{name}</h3>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        {hasFigure && <Figure value={verdict.value} role={role} units={corner.units} large />}
        <VerdictMark state={verdict.state} size={28} />
      </div>
      <div className="zh-muted">
        limit {say(verdict.limit)}
        {source && `, ${SOURCE_NAME[source]}`}
        {verdict.margin !== null && verdict.guardBand !== null && (
          <>
            {' '}
            · margin {formatIn(corner.units, 'deviation', verdict.margin)}, guard band{' '}
            {formatIn(corner.units, 'deviation', verdict.guardBand)}
          </>
        )}
      </div>
      <ul className="mb-0 ps-3">
        {newTo(told, verdict.reasons).map((reason, i) => (
          <li key={i}>{describeReason(reason, say)}</li>
        ))}
      </ul>
    </div>
  );
}

/** What the set says now, in figures and words. */
export function SetFindings({ result, corner }: { result: SetResult; corner: BenchCorner }) {
  const { limits, units } = corner;
  if (result.kind === 'runout') {
    const { runout } = result;
    const first = runout.orders.find(({ order }) => order === 1);
    return (
      <>
        <VerdictLine
          name={result.isHub ? 'Hub face runout' : 'Lateral runout'}
          verdict={runout.verdict}
          source={result.isHub ? 'workshop' : runoutLimit(limits).source}
          corner={corner}
        />
        {first && ['beyond', 'too-close'].includes(runout.verdict.state) && (
          <p className="zh-muted">
            {first.clear
              ? `Wobble (first order) ${formatIn(units, 'deviation', first.peakToPeak)}, high spot at ${first.highSpotDeg.toFixed(0)}° from the chalk mark.`
              : 'No clear high spot of first order.'}
          </p>
        )}
      </>
    );
  }
  const { figures, verdicts } = result;
  return (
    <>
      <VerdictLine
        name="Thickness variation (DTV)"
        verdict={figures.dtvVerdict}
        source={dtvLimit(limits).source}
        corner={corner}
      />
      {verdicts ? (
        <>
          <VerdictLine
            name="Thinnest, against discard thickness"
            verdict={verdicts.verdicts.discard}
            told={figures.dtvVerdict.reasons}
            source={limits.discard?.source ?? null}
            role="size"
            corner={corner}
          />
          <VerdictLine
            name="Against machine-to thickness"
            verdict={verdicts.verdicts.machineTo}
            told={[...figures.dtvVerdict.reasons, ...verdicts.verdicts.discard.reasons]}
            source={machineToSource(limits)}
            role="size"
            corner={corner}
            hasFigure={false}
          />
        </>
      ) : (
        <>
          <p className="zh-error">
            No discard thickness is on file for this axle: no thickness verdict is given. It is
            stamped on the rotor or in the maker’s service information.
          </p>
          <LimitEntry
            corner={corner}
            kind="discard"
            label="Discard thickness, as stamped"
            role="size"
            source="stamped"
          />
        </>
      )}
      {figures.temperatureCorrection !== 0 && (
        <p className="zh-muted">
          Temperature correction {formatIn(units, 'deviation', figures.temperatureCorrection)}.
        </p>
      )}
    </>
  );
}
