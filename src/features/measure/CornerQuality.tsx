'use client';

import type { CornerAssessment, CornerRecord } from '@/core/assessment';
import { waveAt } from '@/core/harmonics';
import { describeSignature, signaturesOf } from '@/core/quality';
import { evenAngles, inRadians } from '@/core/readings';
import { formatIn } from '@/core/units';
import { describeReason, sayReason } from '@/core/verdict';
import { exaggerationOf, RotorFace } from '@/ui/rotor';
import { VerdictMark } from '@/ui/verdict';
import type { BenchCorner } from './model';
import { mountingName } from './mountingName';
import lists from '@/ui/shell/lists.module.css';

interface CornerQualityProps {
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly corner: BenchCorner;
}

const DRAWN_POINTS = 24;

/** Hub’s and rotor’s own share as two small rotors at one scale. */
function Shares({ assessment, corner }: Omit<CornerQualityProps, 'record'>) {
  const { index } = assessment;
  // Mountings that did not seat alike tell nothing apart.
  if (!index?.orders[0]?.separable || index.consistent === false) return null;
  const angles = inRadians(evenAngles(DRAWN_POINTS));
  const drawn = (part: 'hub' | 'rotor'): number[] => {
    const orders = index.orders
      .filter(({ separable }) => separable)
      .map((order) => ({ order: order.order, z: order[part] }));
    return angles.map((angle) => waveAt(orders, angle));
  };
  const [hub, rotor] = [drawn('hub'), drawn('rotor')];
  const limit = index.verdict.limit;
  const scale = exaggerationOf([...hub, ...rotor], limit);
  const first = index.separation[0]!;
  const say = (amplitude: number): string => formatIn(corner.units, 'deviation', 2 * amplitude);
  return (
    <section className="border-top pt-2" aria-labelledby="shares">
      <h3 id="shares">Hub and rotor told apart</h3>
      <div className={lists.shares}>
        {(['hub', 'rotor'] as const).map((part) => (
          <figure key={part} className="mb-0 text-center">
            <RotorFace
              corner={corner.corner}
              studs={corner.studs}
              fastening={corner.fastening}
              values={part === 'hub' ? hub : rotor}
              limit={limit}
              scale={scale}
              isPlain
              label={part === 'hub' ? 'The hub’s share' : 'The rotor’s own share as first marked'}
            />
            <figcaption>
              {part === 'hub' ? 'Hub' : 'Rotor'}{' '}
              <span className="zh-figure">{say(first[part].amplitude)}</span>
            </figcaption>
          </figure>
        ))}
      </div>
    </section>
  );
}

/** Whether the latest mounting sits where the earlier ones predict it. */
function Seating({ assessment, corner }: Omit<CornerQualityProps, 'record'>) {
  const { mounting } = assessment;
  if (!mounting) return null;
  const say = (value: number): string => formatIn(corner.units, 'deviation', value);
  return (
    <section className="border-top pt-2">
      <h3>This mounting against its prediction</h3>
      <p className="mb-1">
        {mountingName(corner, mounting.shift)}: predicted{' '}
        <span className="zh-figure">{say(mounting.predicted)}</span> ({say(mounting.low)} to{' '}
        {say(mounting.high)}), measured <span className="zh-figure">{say(mounting.measured)}</span>.
      </p>
      {mounting.ok === false ? (
        <p className="zh-error">{sayReason({ code: 'inconsistent' }, corner.units)}</p>
      ) : (
        <p className="zh-muted">
          {mounting.ok === null
            ? 'Two mountings give the shares; a third checks them.'
            : 'It seated the same way each time.'}
        </p>
      )}
    </section>
  );
}

/** What the corner’s sets say about each other: cross-check, seating, shares and signatures. */
export function CornerQuality({ record, assessment, corner }: CornerQualityProps) {
  const say = (value: number): string => formatIn(corner.units, 'deviation', value);
  const shift = record.sets.findLast(
    (set) => set.kind === 'thickness' && set.circle !== 'inner',
  )?.shift;
  // A thin place sits to the high spot only where both were read in one mounting.
  const thickness = shift === assessment.shift ? assessment.thickness : null;
  const signatures = signaturesOf(assessment.runout, thickness, corner.studs);
  const check = assessment.crossCheck;
  return (
    <>
      {check && (
        <section className="border-top pt-2">
          <h3>Both faces against the micrometer</h3>
          {check.ok ? (
            <p>
              They agree to {say(Math.abs(check.by))} ({say(check.allowed)} allowed).
            </p>
          ) : (
            <p className="zh-error">{describeReason({ code: 'cross-check', ...check }, say)}</p>
          )}
        </section>
      )}
      {assessment.thickness?.taper !== null && assessment.thickness && (
        <section className="border-top pt-2">
          <h3>Taper</h3>
          <div className="d-flex gap-3 align-items-center">
            <span className="zh-figure">{say(assessment.thickness.taper)}</span>
            <VerdictMark state={assessment.thickness.taperVerdict.state} size={24} />
          </div>
        </section>
      )}
      <Seating assessment={assessment} corner={corner} />
      <Shares assessment={assessment} corner={corner} />
      {signatures.map((signature) => {
        const { title, words } = describeSignature(signature, say);
        return (
          <section key={signature.kind} className="border-top pt-2">
            <h3>{title}</h3>
            <p>{words}</p>
          </section>
        );
      })}
    </>
  );
}
