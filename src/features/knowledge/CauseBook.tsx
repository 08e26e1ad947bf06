import { evidenceOn, type Cause, type Evidence, type Knowledge } from '@/core/diagnosis';
import styles from './knowledge.module.css';

const MOST_TOLD = 5;

const say = ({ title, found }: Evidence): string =>
  'answer' in found
    ? `${title}: ${found.answer.toLowerCase()}`
    : `${title}: about ${found.ratio} × its limit`;

const told = (evidence: readonly Evidence[]): string =>
  evidence.slice(0, MOST_TOLD).map(say).join(' · ');

/** One cause: what it is, what speaks for and against it, what is done, and what proves it cured. */
function CauseEntry({
  cause,
  knowledge,
}: {
  readonly cause: Cause;
  readonly knowledge: Knowledge;
}) {
  const evidence = evidenceOn(knowledge, cause.code);
  const rows = [
    ['Speaks for it', told(evidence.for)],
    ['Speaks against it', told(evidence.against)],
    ['What is done', cause.repair],
    ['What proves it', cause.proof],
    ['What the owner reads', cause.owner],
  ].filter(([, words]) => words !== '');
  return (
    <article className="border-top pt-2 mb-3" aria-labelledby={`cause-${cause.code}`}>
      <h3 id={`cause-${cause.code}`} className="mb-1">
        {cause.name}
        {cause.isOutside && <span className="zh-muted fw-normal"> · outside the brakes</span>}
      </h3>
      <p className="mb-1">{cause.means}</p>
      <dl className={`${styles.leads} mb-0`}>
        {rows.map(([name, words]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </article>
  );
}

/** Every cause with where it leads, the most usual first: to be read through once. */
export function CauseBook({ knowledge }: { readonly knowledge: Knowledge }) {
  const causes = knowledge.causes.toSorted((p, q) => q.prior - p.prior);
  return (
    <section aria-labelledby="cause-book">
      <h2 id="cause-book">Causes, and where each leads</h2>
      {causes.map((cause) => (
        <CauseEntry key={cause.code} cause={cause} knowledge={knowledge} />
      ))}
    </section>
  );
}
