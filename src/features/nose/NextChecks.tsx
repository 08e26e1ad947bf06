import type { ReactNode } from 'react';
import { Button, FormSelect } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { isAnswered, type ChoiceFinding, type NextCheck } from '@/core/diagnosis';
import { findingOf } from './model';
import { CarSays } from '@/ui/practice';
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

/** Where a check is done that no button answers: what it would change, and the way there. */
function Elsewhere({
  check,
  place,
  jobId,
}: {
  readonly check: NextCheck;
  readonly place: string;
  readonly jobId: string;
}) {
  return (
    <>
      <ul className="zh-muted ps-3 mb-1">
        {check.changes.map((change) => (
          <li key={change}>{change}</li>
        ))}
      </ul>
      <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/${place}`}>
        {place === 'road-test' ? 'Go to the road test' : 'Go to measuring'}
      </ButtonLink>
    </>
  );
}

/** The answers to a check as buttons, each with what it would change, where that is reckoned. */
function Answers({
  finding,
  changes = [],
  ...props
}: JobNoseProps & { readonly finding: ChoiceFinding; readonly changes?: readonly string[] }) {
  const left = cornerLeft(finding.code, props);
  return (
    <AnswerForm jobId={props.jobId} code={finding.code}>
      {finding.perCorner && (
        <label className="zh-row mb-1">
          <span>Found at</span>
          <FormSelect key={left} className="w-auto" name="corner" defaultValue={left}>
            {props.corners.map((corner) => (
              <option key={corner}>{corner}</option>
            ))}
          </FormSelect>
        </label>
      )}
      <CarSays kind="finding" code={finding.code} corner={null} />
      {finding.values.map(({ code, label }, i) => (
        <div key={code} className={styles.outcome}>
          <Button type="submit" variant="outline-secondary" name="value" value={code}>
            {label}
          </Button>
          <span className="zh-muted">{changes[i]?.replace(`${label}: `, '')}</span>
        </div>
      ))}
    </AnswerForm>
  );
}

/** The outcomes of a check: its buttons, or the way to where it is done. */
function Outcomes({ check, ...props }: JobNoseProps & { readonly check: NextCheck }) {
  const finding = findingOf(props.view.knowledge, check.code);
  if (!finding) return null;
  const own = OWN_PLACE[check.code];
  if (!own && isAnswered(finding)) {
    return <Answers finding={finding} changes={check.changes} {...props} />;
  }
  const place = own ?? `measure/${cornerLeft(check.code, props) ?? 'FL'}`;
  return <Elsewhere check={check} place={place} jobId={props.jobId} />;
}

/** What can be told beside the readings once there are some, whether it would say most now or not. */
const besideReadings = ({ view }: JobNoseProps): readonly ChoiceFinding[] =>
  view.findings.some(({ code }) => code === 'runout')
    ? view.knowledge.findings.filter(isAnswered).filter(({ stage, code }) => {
        const isProposed = view.diagnosis.nextChecks.some((check) => check.code === code);
        return stage === 'measure' && !isProposed;
      })
    : [];

/** A check with its minutes; folded out it tells what is asked and how, and takes the answer. */
const CheckFold = ({
  of: { title, minutes, wheelOff, question, how },
  isOpen = false,
  children,
}: {
  readonly of: NextCheck | ChoiceFinding;
  readonly isOpen?: boolean;
  readonly children: ReactNode;
}) => (
  <details className={causes.cause} open={isOpen}>
    <summary>
      <span className={causes.causeName}>{title}</span>
      <span className="zh-muted">
        {minutes} min{wheelOff ? ', wheel off' : ''}
      </span>
    </summary>
    <div className={causes.terms}>
      <p className="mb-1">
        <strong>{question}</strong> {how}
      </p>
      {children}
    </div>
  </details>
);

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
        <CheckFold key={check.code} of={check} isOpen={i === 0}>
          <Outcomes check={check} {...props} />
          <details className={`${options.more} zh-muted`}>
            <summary>How much it says</summary>
            {check.bits.toFixed(2)} bits on average, {(check.bits / check.minutes).toFixed(3)} a
            minute.
          </details>
        </CheckFold>
      ))}
      {besideReadings(props).map((finding) => (
        <CheckFold key={finding.code} of={finding}>
          <Answers finding={finding} {...props} />
        </CheckFold>
      ))}
    </section>
  );
}
