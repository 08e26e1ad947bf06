import { FormControl, FormSelect, Table } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import type { ShopKnowledge } from '@/server/nose/nose';
import { FindingWeights } from './FindingWeights';
import { answersOf } from './model';
import { SaidForm } from './SaidForm';
import asking from '@/ui/shell/asking.module.css';

const percent = (share: number): string => `${(100 * share).toFixed(1)}\u00a0%`;

/** Shares of the causes and minutes of the findings, as the shop has them. */
function Numbers({ shop }: { readonly shop: ShopKnowledge }) {
  const { knowledge, priors, confirmedJobs } = shop;
  return (
    <SaidForm what="numbers" label="Keep shares and minutes">
      <div className="table-responsive">
        <Table size="sm">
          <caption>
            Causes: how many jobs in about a hundred, before any finding (workshop default).
            {confirmedJobs > 0
              ? ` Your ${confirmedJobs} closed jobs with a confirmed cause count beside it; the default weighs as 40.`
              : ' No closed job has a confirmed cause yet.'}
          </caption>
          <thead>
            <tr>
              <th scope="col">Cause</th>
              <th scope="col">Jobs in a hundred</th>
              <th scope="col">Confirmed</th>
              <th scope="col">In use</th>
            </tr>
          </thead>
          <tbody>
            {knowledge.causes.map(({ code, name, prior, means }) => {
              const counted = priors.find((each) => each.code === code);
              return (
                <tr key={code}>
                  <th scope="row">
                    {name}
                    <div className="zh-muted fw-normal">{means}</div>
                  </th>
                  <td>
                    <FormControl
                      className={asking.number}
                      name={`prior.${code}`}
                      defaultValue={prior}
                      inputMode="decimal"
                      aria-label={`${name}: jobs in a hundred`}
                    />
                  </td>
                  <td className="zh-figure">
                    {counted?.confirmed ?? 0} of {confirmedJobs}
                  </td>
                  <td className="zh-figure">{percent(counted?.share ?? 0)}</td>
                </tr>
              );
            })}
          </tbody>
        </Table>
      </div>
      <details className="mb-3">
        <summary className="zh-fold">Minutes of the findings</summary>
        <div className="zh-limits">
          {knowledge.findings.map(({ code, title, minutes, wheelOff }) => (
            <label key={code} className="zh-row mb-1">
              <span>
                {title}
                {wheelOff && <span className="zh-muted"> · wheel off</span>}
              </span>
              <FormControl
                className={asking.number}
                name={`minutes.${code}`}
                defaultValue={minutes}
                inputMode="decimal"
              />
            </label>
          ))}
        </div>
      </details>
    </SaidForm>
  );
}

/** The shop's own weights, each of which can be taken back. */
function OwnWeights({ shop }: { readonly shop: ShopKnowledge }) {
  const labels = new Map(answersOf().map(({ value, label }) => [value, label]));
  const name = (code: string): string =>
    KNOWLEDGE.causes.find((cause) => cause.code === code)?.name ?? code;
  return shop.overrides.weights.map(({ finding, value, cause, decibans }) => (
    <SaidForm
      key={`${finding} ${value} ${cause}`}
      what="drop-weight"
      label="As shipped again"
      className="zh-row"
      isQuiet
    >
      <input type="hidden" name="answer" value={`${finding} ${value}`} />
      <input type="hidden" name="cause" value={cause} />
      <span>
        {labels.get(`${finding} ${value}`)} → {name(cause)}:{' '}
        <span className="zh-figure">{decibans}</span>
      </span>
    </SaidForm>
  ));
}

/** All that the nose knows, and what the shop has made its own. */
export function KnowledgeBook({ shop }: { readonly shop: ShopKnowledge }) {
  const { knowledge, overrides } = shop;
  const isChanged =
    overrides.weights.length +
      Object.keys(overrides.priors).length +
      Object.keys(overrides.minutes).length >
    0;
  return (
    <>
      <section className="zh-card mb-3" aria-labelledby="zh-shares">
        <h2 id="zh-shares">Causes</h2>
        <Numbers key={JSON.stringify([overrides.priors, overrides.minutes])} shop={shop} />
      </section>
      <section className="zh-card mb-3" aria-labelledby="zh-own">
        <h2 id="zh-own">Your own weights</h2>
        {overrides.weights.length === 0 && (
          <p className="zh-muted">None: every weight is as shipped.</p>
        )}
        <OwnWeights shop={shop} />
        <SaidForm what="weight" label="Keep this weight">
          <div className="zh-limits mt-2">
            <label className="d-block mb-2">
              Answer
              <FormSelect name="answer" aria-label="Answer">
                {answersOf().map(({ value, label }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </FormSelect>
            </label>
            <label className="d-block mb-2">
              Cause
              <FormSelect name="cause" aria-label="Cause">
                {knowledge.causes.map(({ code, name }) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </FormSelect>
            </label>
            <label className="d-block mb-2">
              Decibans
              <FormControl name="decibans" inputMode="decimal" />
            </label>
          </div>
        </SaidForm>
        {isChanged && (
          <SaidForm what="reset" label="Everything as shipped again" className="mt-3" isQuiet />
        )}
      </section>
      <section className="zh-card" aria-labelledby="zh-findings">
        <h2 id="zh-findings">Findings and what they weigh</h2>
        <p className="zh-muted">
          In decibans: +10 makes the odds of a cause ten times as high, −10 a tenth. Of one group
          only the strongest counts for a cause. What speaks for a cause when found speaks against
          it when looked for and not found.
        </p>
        {knowledge.findings.map((finding) => (
          <FindingWeights key={finding.code} knowledge={knowledge} finding={finding} />
        ))}
      </section>
    </>
  );
}
