import { Table } from 'react-bootstrap';
import { isChoice, signedDecibans, weightOf, type Finding, type Knowledge } from '@/core/diagnosis';
import styles from './knowledge.module.css';
import causes from '@/ui/shell/causes.module.css';

const STAGE_NAME: Readonly<Record<Finding['stage'], string>> = {
  complaint: 'asked',
  'road-test': 'road test',
  inspect: 'inspected',
  measure: 'measured',
};

const WORTH_SHOWING = 0.3;

/** What an answer says of each cause, strongest first. */
function Answer({
  knowledge,
  finding,
  value,
  label,
  why,
}: {
  readonly knowledge: Knowledge;
  readonly finding: Finding;
  readonly value: string | number;
  readonly label: string;
  readonly why: string | undefined;
}) {
  const weights = knowledge.causes
    .map(({ code, name }) => ({ code, name, decibans: weightOf(finding, value, code) }))
    .filter(({ decibans }) => Math.abs(decibans) >= WORTH_SHOWING)
    .sort((p, q) => q.decibans - p.decibans);
  return (
    <tr>
      <th scope="row">{label}</th>
      <td>
        {why && <div>{why}</div>}
        <span className={styles.weights}>
          {weights.map(({ code, name, decibans }) => (
            <span key={code}>
              <span className="zh-figure">{signedDecibans(decibans)}</span> {name}
            </span>
          ))}
          {weights.length === 0 && <span className="zh-muted">says nothing</span>}
        </span>
      </td>
    </tr>
  );
}

const RATIOS = [0.3, 1, 2];

/** One finding with all that it weighs. */
export function FindingWeights({
  knowledge,
  finding,
}: {
  readonly knowledge: Knowledge;
  readonly finding: Finding;
}) {
  const answers = isChoice(finding)
    ? finding.values.map(({ code, label }) => ({
        value: code,
        label,
        why: finding.evidence.find((row) => row.value === code)?.why,
      }))
    : RATIOS.map((ratio) => ({
        value: ratio,
        label: `${ratio} \u00d7 the limit`,
        why: ratio < 1 ? finding.evidence[0]?.whyLow : finding.evidence[0]?.why,
      }));
  return (
    <details className={causes.cause}>
      <summary>
        <span className={causes.causeName}>{finding.title}</span>
        <span className="zh-muted">
          {STAGE_NAME[finding.stage]} · group {finding.group}
        </span>
      </summary>
      <div className={`${causes.terms} table-responsive`}>
        <p className="mb-1">
          <strong>{finding.question}</strong> {finding.how}
        </p>
        <Table size="sm">
          <tbody>
            {answers.map((answer) => (
              <Answer
                key={String(answer.value)}
                knowledge={knowledge}
                finding={finding}
                {...answer}
              />
            ))}
          </tbody>
        </Table>
      </div>
    </details>
  );
}
