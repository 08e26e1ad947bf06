import { isChoice } from '@/core/diagnosis';
import type { FindCase } from '@/core/practice';
import type { WrittenOtherwise } from '@/core/practiceJob';
import type { UnitSystem } from '@/core/units';
import { sayShown } from './say';

/** What was written down otherwise than it was, each with what it was. */
export function Otherwise({
  own,
  otherwise,
  units,
}: {
  readonly own: FindCase;
  readonly otherwise: readonly WrittenOtherwise[];
  readonly units: UnitSystem;
}) {
  if (otherwise.length === 0) return null;
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-otherwise">
      <h2 id="practice-otherwise">Written down otherwise than it was</h2>
      <ul className="mb-0">
        {otherwise.map(({ code, written }) => {
          const finding = own.knowledge.findings.find((each) => each.code === code)!;
          const label = isChoice(finding)
            ? (finding.values.find((each) => each.code === written)?.label ?? written)
            : written;
          return (
            <li key={code}>
              {finding.title}: written “{label}”, it was{' '}
              <strong>{sayShown(own, finding, units)}</strong>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
