'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { LIMIT_SOURCES, SOURCE_NAME } from '@/core/assessment';
import type { Caution, PlannedStep } from '@/core/procedure';
import { CORNER_NAME, type Corner } from '@/core/readings';
import { FormField, TextField, useSend } from '@/ui/field';
import { useLaidStep, useTypedBefore } from '@/ui/keeper';
import { Cautions, Signed } from '@/ui/procedure';
import { ReasonForm } from '@/ui/ReasonForm';
import type { StepView } from './model';
import { StepTick, useStep } from './StepTick';
import { writeBleedOrder } from './writes';
import styles from './rebuild.module.css';

export interface HydraulicsProps {
  readonly jobId: string;
  /** Why the system counts as opened; empty where nothing says so. */
  readonly opened: readonly string[];
  /** What was written, by item; corners by "bled FL". */
  readonly steps: Readonly<Record<string, StepView>>;
  readonly method: string | null;
  readonly methodByRule: boolean;
  readonly plan: readonly PlannedStep[];
  readonly order: readonly Corner[] | null;
  readonly orderSource: string | null;
  readonly cautions: readonly Caution[];
  /** What the shop looks twice at. */
  readonly hoseYears: number;
}

const METHODS = [
  ['gravity', 'By gravity'],
  ['pedal', 'By the pedal, two persons'],
  ['pressure', 'By pressure'],
] as const;

type BleedOrder = Parameters<typeof writeBleedOrder>[0];

/** The order that the maker bleeds in, entered with its source. */
function OrderForm({ jobId }: { jobId: string }) {
  const before = useTypedBefore<BleedOrder>(`bleed-order ${jobId}`);
  return <OrderFields key={before?.id ?? ''} jobId={jobId} typed={before?.input} />;
}

function OrderFields({ jobId, typed }: { jobId: string; typed: BleedOrder | undefined }) {
  const [order, setOrder] = useState(typed?.order ?? '');
  const [source, setSource] = useState(typed?.source ?? 'maker');
  const { send, busy, trouble, fields } = useSend(writeBleedOrder);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        send([{ jobId, order, source }]);
      }}
    >
      <div className="zh-limits">
        <TextField
          label="Order by the maker"
          hint="Corners like RR RL FR FL. It is kept with the vehicle; the tool never makes one up."
          value={order}
          error={fields.order ?? trouble ?? undefined}
          onChange={setOrder}
        />
        <FormField
          label="Source"
          error={fields.source}
          control={(ids) => (
            <Form.Select {...ids} value={source} onChange={({ target }) => setSource(target.value)}>
              {LIMIT_SOURCES.map((each) => (
                <option key={each} value={each}>
                  {SOURCE_NAME[each]}
                </option>
              ))}
            </Form.Select>
          )}
        />
      </div>
      <Button type="submit" variant="primary" disabled={busy}>
        Keep the order
      </Button>
    </form>
  );
}

/** One corner: flow without bubbles, screw closed, or left out with the reason. */
function Bled({
  jobId,
  corner,
  number,
  ...stands
}: {
  readonly jobId: string;
  readonly corner: Corner;
  readonly number: number;
  readonly written: StepView | null;
}) {
  const [isAsked, setAsked] = useState(false);
  const key = { jobId, kind: 'hydraulics' as const, place: corner, item: 'bled' };
  const { write, trouble } = useStep(key, stands.written);
  const written = useLaidStep(key, stands.written);
  return (
    <li className={styles.bled}>
      <StepTick
        {...key}
        written={stands.written?.value === 'left-out' ? null : stands.written}
        label={`${number} · ${corner} ${CORNER_NAME[corner]}: flows, no bubbles, closed`}
      />
      {written?.value === 'left-out' && (
        <p className="mb-0">
          Left out: {written.note} <Signed written={written} />{' '}
          <Button type="button" variant="link" onClick={() => write(null)}>
            Open it again
          </Button>
        </p>
      )}
      {!written &&
        (isAsked ? (
          <ReasonForm
            label={`Why ${corner} is not bled`}
            placeholder="Why is it not bled?"
            button="Leave it out"
            onGive={(reason) => write('left-out', reason)}
          />
        ) : (
          <Button type="button" variant="link" onClick={() => setAsked(true)}>
            Leave out …<span className="visually-hidden"> {corner}</span>
          </Button>
        ))}
      {trouble && (
        <span className="zh-error" role="alert">
          {trouble}
        </span>
      )}
    </li>
  );
}

/** The way through a system that was opened. */
function Opened(props: HydraulicsProps) {
  const { jobId, steps, method, methodByRule, plan, order, orderSource, cautions } = props;
  const { write, busy } = useStep(
    { jobId, kind: 'hydraulics', place: '', item: 'method' },
    steps.method ?? null,
  );
  const before = plan.filter(({ code }) => code !== 'closed');
  const after = plan.filter(({ code }) => code === 'closed');
  const tick = (step: PlannedStep) => (
    <li key={step.code} className="mb-3">
      <strong>{step.title}.</strong> {step.say} <span className="zh-muted">{step.why}</span>
      <StepTick
        jobId={jobId}
        kind="hydraulics"
        place=""
        item={step.code}
        written={steps[step.code] ?? null}
        label="Done"
      />
    </li>
  );
  return (
    <>
      <Cautions cautions={cautions} />
      <p className="zh-muted">
        A hose older than {props.hoseYears} years is looked at twice (workshop default).
      </p>
      <h2>How it is bled</h2>
      <div className="d-flex flex-wrap gap-2 mb-3" role="group" aria-label="How it is bled">
        {METHODS.map(([code, name]) => (
          <Button
            key={code}
            type="button"
            variant={code === method ? 'dark' : 'outline-secondary'}
            aria-pressed={code === method}
            disabled={busy}
            onClick={() => write(code)}
          >
            {name}
          </Button>
        ))}
        {methodByRule && method !== null && <span className="zh-muted">by house rule</span>}
      </div>
      <ol className="list-unstyled">{before.map(tick)}</ol>
      <h2>Corner by corner</h2>
      {order ? (
        <>
          <p className="zh-muted mb-0">
            In the vehicle’s order{orderSource && ` (${orderSource})`}. The reservoir never below
            minimum; each screw closed before the pressure is let off.
          </p>
          <ol className="list-unstyled">
            {order.map((corner, i) => (
              <Bled
                key={corner}
                jobId={jobId}
                corner={corner}
                number={i + 1}
                written={steps[`bled ${corner}`] ?? null}
              />
            ))}
          </ol>
        </>
      ) : (
        <OrderForm jobId={jobId} />
      )}
      <ol className="list-unstyled">{after.map(tick)}</ol>
    </>
  );
}

/** Whether the hydraulics were opened, and the whole way through where they were. */
export function Hydraulics(props: HydraulicsProps) {
  const { jobId, opened, steps } = props;
  const key = { jobId, kind: 'hydraulics' as const, place: '' };
  if (opened.length === 0) {
    return (
      <section className="zh-card" aria-label="Hydraulics">
        <p>Was a bleeder, hose or line opened in this job, also just to push pistons back?</p>
        <div className="d-flex flex-wrap gap-3">
          <StepTick
            {...key}
            item="none-opened"
            written={steps['none-opened'] ?? null}
            label="Nothing was opened"
          />
          <StepTick {...key} item="opened" written={null} label="A bleeder was opened" />
          <StepTick {...key} item="hose-off" written={null} label="A hose or line was off" />
        </div>
      </section>
    );
  }
  return (
    <section className="zh-card" aria-label="Hydraulics">
      <p>
        <strong>The hydraulics were opened:</strong> {opened.join('; ')}.
      </p>
      {(steps.opened ?? steps['hose-off']) && (
        <div className="d-flex flex-wrap gap-3">
          {steps.opened && (
            <StepTick {...key} item="opened" written={steps.opened} label="A bleeder was opened" />
          )}
          {steps['hose-off'] && (
            <StepTick
              {...key}
              item="hose-off"
              written={steps['hose-off']}
              label="A hose or line was off"
            />
          )}
        </div>
      )}
      <Opened {...props} />
    </section>
  );
}
