import { isChoice, type Cause, type Knowledge } from '@/core/diagnosis';

/** A figure speaks for a cause where it is usually this many times what it is without one. */
const CLEARLY_MORE = 2;

interface Spoken {
  readonly words: string;
  readonly decibans: number;
}

/** What speaks for a cause and against it, the strongest first. */
function evidenceOf(knowledge: Knowledge, cause: string): { for: Spoken[]; against: Spoken[] } {
  const all = knowledge.findings.filter(isChoice).flatMap((finding) =>
    finding.evidence.flatMap(({ value, db }) => {
      const decibans = db[cause];
      const label = finding.values.find(({ code }) => code === value)?.label ?? value;
      return decibans ? [{ words: `${finding.title}: ${label.toLowerCase()}`, decibans }] : [];
    }),
  );
  const measured = knowledge.findings.flatMap((finding) => {
    if (isChoice(finding)) return [];
    const median = finding.evidence[0]?.medians[cause];
    return median !== undefined && median >= CLEARLY_MORE * finding.usual
      ? [{ words: `${finding.title}: about ${median} × its limit`, decibans: 9 }]
      : [];
  });
  const strongest = (p: Spoken, q: Spoken): number => Math.abs(q.decibans) - Math.abs(p.decibans);
  return {
    for: [...all.filter(({ decibans }) => decibans > 0), ...measured].sort(strongest),
    against: all.filter(({ decibans }) => decibans < 0).sort(strongest),
  };
}

const MOST_TOLD = 5;
const told = (spoken: readonly Spoken[]): string =>
  spoken
    .slice(0, MOST_TOLD)
    .map(({ words }) => words)
    .join(' · ');

/** One cause: what it is, what speaks for and against it, what is done, and what proves it cured. */
function CauseEntry({
  cause,
  knowledge,
}: {
  readonly cause: Cause;
  readonly knowledge: Knowledge;
}) {
  const evidence = evidenceOf(knowledge, cause.code);
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
      <dl className="zh-leads mb-0">
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
