import { Button, FormSelect } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { isChoice, type NextCheck } from '@/core/diagnosis';
import { findingOf } from './model';
import { AnswerForm } from './NoseForm';
import type { JobNoseProps } from './props';
import styles from './nose.module.css';
import causes from '@/ui/shell/causes.module.css';
import options from '@/ui/shell/options.module.css';

const OWN_PLACE: Readonly<Record<string, string>> = {
  recording: 'road-test',
  'felt-order': 'road-test',
};

/** The first corner of the job at which a check is not on record, else the first of all. */
const cornerLeft = (code: string, { corners, view }: JobNoseProps): string | undefined =>
  corners.find(
    (corner) => !view.findings.some((found) => found.code === code && found.corner === corner),
  ) ?? corners[0];

/** The outcomes of a check as buttons, each with what it would change. */
function Outcomes({ check, ...props }: JobNoseProps & { readonly check: NextCheck }) {
  const finding = findingOf(props.view.knowledge, check.code);
  if (!finding) return null;
  const stage = isChoice(finding) ? OWN_PLACE[check.code] : 'measure';
  if (stage || !isChoice(finding) || finding.stage === 'measure') {
    const place =
      stage === 'road-test' ? 'road-test' : `measure/${cornerLeft(check.code, props) ?? 'FL'}`;
    return (
      <>
        <ul className="zh-muted ps-3 mb-1">
          {check.changes.map((change) => (
            <li key={change}>{change}</li>
          ))}
        </ul>
        <ButtonLink variant="outline-secondary" href={`/jobs/${props.jobId}/${place}`}>
          {stage === 'road-test' ? 'Go to the road test' : 'Go to measuring'}
        </ButtonLink>
      </>
    );
  }
  return (
    <AnswerForm jobId={props.jobId} code={check.code}>
      {finding.perCorner && (
        <label className="zh-row mb-1">
          <span>Found at</span>
          <FormSelect
            key={cornerLeft(check.code, props)}
            className="w-auto"
            name="corner"
            defaultValue={cornerLeft(check.code, props)}
          >
            {props.corners.map((corner) => (
              <option key={corner}>{corner}</option>
            ))}
          </FormSelect>
        </label>
      )}
      {finding.values.map(({ code, label }, i) => (
        <div key={code} className={styles.outcome}>
          <Button type="submit" variant="outline-secondary" name="value" value={code}>
            {label}
          </Button>
          <span className="zh-muted">{check.changes[i]?.replace(`${label}: `, '')}</span>
        </div>
      ))}
    </AnswerForm>
  );
}

/** The three checks that say most for their minutes. */
export function NextChecks(props: JobNoseProps) {
  const { nextChecks } = props.view.diagnosis;
  return (
    <section aria-labelledby="zh-checks">
      <h3 id="zh-checks">What to check next</h3>
      {props.view.noDrive && (
        <p className="zh-error">
          Do not drive it: {props.view.noDrive}. The vehicle stays where it is until that is put
          right.
        </p>
      )}
      {nextChecks.length === 0 && <p className="zh-muted">No check would say more.</p>}
      {nextChecks.map((check, i) => (
        <details key={check.code} className={causes.cause} open={i === 0}>
          <summary>
            <span className={causes.causeName}>{check.title}</span>
            <span className="zh-muted">
              {check.minutes} min{check.wheelOff ? ', wheel off' : ''}
            </span>
          </summary>
          <div className={causes.terms}>
            <p className="mb-1">
              <strong>{check.question}</strong> {check.how}
            </p>
            <Outcomes check={check} {...props} />
            <details className={`${options.more} zh-muted`}>
              <summary>How much it says</summary>
              {check.bits.toFixed(2)} bits on average, {(check.bits / check.minutes).toFixed(3)} a
              minute.
            </details>
          </div>
        </details>
      ))}
    </section>
  );
}
