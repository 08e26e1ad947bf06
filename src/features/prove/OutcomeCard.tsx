import { OUTCOME_NAME, type Outcome } from '@/core/assessment';
import { OUTCOME_RING, RingMark } from '@/ui/verdict';
import styles from './prove.module.css';

/** The verdict on the job: by word, shape and colour, with what it rests on and what is left. */
export function OutcomeCard({ outcome }: { readonly outcome: Outcome }) {
  const { state, reasons, left } = outcome;
  return (
    <section className="zh-card my-3" aria-label="Verdict on the job">
      <p className={`${styles.jobOutcome} mb-1`}>
        <RingMark state={OUTCOME_RING[state]} word={OUTCOME_NAME[state]} size={36} />
      </p>
      {reasons.length > 0 && (
        <ul className="mb-1">
          {reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
      {left.length > 0 && (
        <>
          <h3 className="mb-0">What is left</h3>
          <ul className="mb-0">
            {left.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
