import { percent } from '@/core/diagnosis';
import type { ReplayCase, ReplayResult } from '@/core/practice';
import type { Replay } from '@/server/practice/replay';
import { CardTable } from '@/ui/table';
import { sayMinutes } from '../find/FindChecks';
import { causeName } from '../words';
import styles from '../practice.module.css';

const COLUMNS = ['What was asked', 'What it was signed with, then'] as const;

const Lines = ({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) =>
  lines.length === 0 ? null : (
    <>
      <h3 className="fs-6 fw-bold mb-1">{title}</h3>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );

/** After a job that was worked again: one sentence, what it was signed with, what was done, and what was not asked. */
export function ReplayDebrief({
  own,
  answer,
  result,
  told,
}: {
  readonly own: ReplayCase;
  readonly answer: string;
  readonly result: ReplayResult;
  readonly told: Replay['told'];
}) {
  const { sentence, isSame, nose, noseOfAll, minutes, allMinutes, steps, missed } = result;
  const titleOf = (code: string): string =>
    own.knowledge.findings.find((each) => each.code === code)?.title ?? code;
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-debrief">
      <h2 id="practice-debrief" className={styles.sentence} tabIndex={-1}>
        {sentence}
      </h2>
      <p>
        You took it for <strong>{causeName(answer)}</strong>
        {nose && (
          <>
            ; by what you asked the nose says <strong>{nose.name.toLowerCase()}</strong> first
          </>
        )}
        {noseOfAll && noseOfAll.code !== nose?.code && (
          <>
            , by all that was recorded <strong>{noseOfAll.name.toLowerCase()}</strong>
          </>
        )}
        . You asked for <span className="zh-figure">{sayMinutes(minutes)}</span>; everything that
        was recorded takes <span className="zh-figure">{sayMinutes(allMinutes)}</span>.
      </p>
      <Lines title="What was found" lines={told.found} />
      <Lines title="What was done" lines={told.done} />
      {told.verdict && <p>{told.verdict}</p>}
      {isSame === false && missed.length > 0 && (
        <Lines
          title="Recorded, and not asked"
          lines={missed.slice(0, 4).map(({ title }) => title)}
        />
      )}
      <p className="zh-muted">
        What a job was signed with is what this shop held to be true; nobody knows more of it.
      </p>
      {steps.length > 0 && (
        <details>
          <summary className="zh-fold">{`Your way (${steps.length} ${steps.length === 1 ? 'step' : 'steps'})`}</summary>
          <CardTable columns={COLUMNS}>
            {steps.map(({ code, before, after }) => (
              <tr key={code} role="row">
                <th role="rowheader" scope="row">
                  {titleOf(code)}
                </th>
                <td role="cell" data-label={COLUMNS[1]} className="zh-figure text-nowrap">
                  {before === after ? '–' : `${percent(before)} → ${percent(after)}`}
                </td>
              </tr>
            ))}
          </CardTable>
        </details>
      )}
    </section>
  );
}
