'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { LIMIT_SOURCES, SOURCE_NAME, type LimitSource } from '@/core/assessment';
import type { AxlePosition, Corner } from '@/core/readings';
import { pulledAmiss, type FastenerCode } from '@/core/torque';
import { formatTorque, parseTorque, type TorqueUnit } from '@/core/units';
import { FormField, TextField, useSend } from '@/ui/field';
import type { StepView } from './model';
import type { TorqueFigureForm } from '@/core/contracts';
import { useLaidStep, useTypedBefore } from '@/ui/keeper';
import { Signed } from '@/ui/procedure';
import { useStep } from './StepTick';
import { torqueFigurePlace, writeTorqueFigure } from './writes';
import styles from './rebuild.module.css';
import picks from '@/ui/shell/picks.module.css';

/** A torque figure that is on file for the vehicle's like. */
export interface FigureView {
  readonly nm: number;
  /** Entered for any wheel, while it is known what this one is made of. */
  readonly forAnyWheel?: boolean;
  readonly source: LimitSource;
  readonly angle: number;
  readonly treatment: string;
  readonly oneUse: boolean;
  readonly by: string | null;
}

/** One fastener of a corner. */
export interface FastenerView {
  readonly code: FastenerCode;
  readonly name: string;
  readonly say: string;
  readonly stages: readonly number[];
  /** What goes on its thread by the house rules. */
  readonly product: string;
  readonly figure: FigureView | null;
  readonly pulled: (StepView & { readonly nm: number }) | null;
  /** Stamp of what is on file, counting or not. */
  readonly stamp: string | null;
}

interface Place {
  readonly jobId: string;
  readonly corner: Corner;
  readonly axle: AxlePosition;
  readonly unit: TorqueUnit;
  /** Whether every nut of the wheel was pulled: its torque is written down after that. */
  readonly starDone: boolean;
}

type FigureFormProps = Place & {
  readonly fastener: FastenerView;
  readonly onDone: () => void;
};

/** Where a figure is entered with its source; one far from its kind is asked for twice. */
function FigureForm(props: FigureFormProps) {
  const { jobId, axle, fastener } = props;
  const before = useTypedBefore<TorqueFigureForm>(
    torqueFigurePlace({ jobId, axle, fastener: fastener.code }),
  );
  return <FigureFields key={before?.id ?? ''} typed={before?.input} {...props} />;
}

function FigureFields({
  fastener,
  onDone,
  typed,
  ...place
}: FigureFormProps & { readonly typed: TorqueFigureForm | undefined }) {
  const { jobId, axle, unit } = place;
  const begin = typed ?? fastener.figure;
  const [text, setText] = useState(typed?.figure.text ?? '');
  const [source, setSource] = useState<LimitSource>(typed?.source ?? 'maker');
  const [angle, setAngle] = useState(typed && typed.angle > 0 ? String(typed.angle) : '');
  const [treatment, setTreatment] = useState(begin?.treatment ?? '');
  const [oneUse, setOneUse] = useState(begin?.oneUse ?? false);
  const { send, busy, trouble, fields, clear } = useSend(writeTorqueFigure);
  const isChallenged = fields.challenge !== undefined;
  const submit = (confirmed: boolean): void =>
    send(
      [
        {
          ...{ jobId, axle, source, treatment, oneUse },
          fastener: fastener.code,
          figure: { text, unit, confirmed },
          angle: angle.trim() === '' ? 0 : Math.round(Number(angle.replace(',', '.'))),
        },
      ],
      onDone,
    );
  return (
    <form
      className={styles.torqueForm}
      aria-label={`Figure for ${fastener.name.toLowerCase()}`}
      onSubmit={(event) => {
        event.preventDefault();
        submit(false);
      }}
    >
      <div className="zh-limits">
        <TextField
          label={`Torque (${unit})`}
          hint="110, 81 lb·ft, 11,2 kgf·m"
          isFigure
          value={text}
          error={trouble !== null && !isChallenged ? trouble : undefined}
          onChange={(next) => {
            clear();
            setText(next);
          }}
        />
        <FormField
          label="Source"
          error={fields.source}
          control={(ids) => (
            <Form.Select
              {...ids}
              value={source}
              onChange={({ target }) =>
                setSource(LIMIT_SOURCES.find((each) => each === target.value) ?? 'maker')
              }
            >
              {LIMIT_SOURCES.map((each) => (
                <option key={each} value={each}>
                  {SOURCE_NAME[each]}
                </option>
              ))}
            </Form.Select>
          )}
        />
        <TextField
          label="Then turned on by (degrees)"
          hint="Empty where there is no angle stage."
          isFigure
          value={angle}
          error={fields.angle}
          onChange={setAngle}
        />
        <TextField
          label="Thread, where the maker says"
          hint={`Else by house rule: ${fastener.product}`}
          value={treatment}
          error={fields.treatment}
          onChange={setTreatment}
        />
      </div>
      <label className={picks.check}>
        <input
          type="checkbox"
          checked={oneUse}
          onChange={({ target }) => setOneUse(target.checked)}
        />{' '}
        Renewed each time (one-use)
      </label>
      {isChallenged ? (
        <div className="zh-stop my-2" role="alert">
          <strong>Is that right?</strong> {trouble}{' '}
          <div className="d-flex flex-wrap gap-2 mt-2">
            <Button type="button" variant="primary" onClick={clear}>
              Change it
            </Button>
            <Button
              type="button"
              variant="outline-secondary"
              disabled={busy}
              onClick={() => submit(true)}
            >
              I read it again: it is so
            </Button>
          </div>
        </div>
      ) : (
        <Button type="submit" variant="primary" disabled={busy}>
          Keep the figure
        </Button>
      )}
    </form>
  );
}

/** What was pulled, as this device holds it or as the page came. */
function pulledAs(
  laid: ReturnType<typeof useLaidStep>,
  onPage: FastenerView['pulled'],
): FastenerView['pulled'] {
  if (laid === null || laid === onPage) return laid && onPage;
  const { text, unit } = laid.value as { readonly text: string; readonly unit: TorqueUnit };
  const read = parseTorque(text, unit);
  return read.ok ? { ...laid, nm: read.torque.value } : null;
}

/** Where the value that was pulled is written down by who pulled it. */
function PulledForm({ fastener, ...place }: Place & { readonly fastener: FastenerView }) {
  const { jobId, corner, unit } = place;
  const { figure } = fastener;
  const key = { jobId, kind: 'torque' as const, place: corner, item: fastener.code };
  const { write, busy, trouble } = useStep(
    key,
    fastener.stamp === null ? null : { stamp: fastener.stamp },
  );
  const laid = useLaidStep(key, fastener.pulled);
  const pulled = pulledAs(laid, fastener.pulled);
  const usual = figure ? formatTorque(figure.nm, unit).replace(/ .*/, '') : '';
  const [text, setText] = useState('');
  const [amiss, setAmiss] = useState<string | null>(null);
  if (!figure) return null;
  if (fastener.code === 'wheel-nuts' && !place.starDone && !pulled) {
    return <p className="mb-1">First the star below, nut by nut.</p>;
  }
  if (pulled) {
    return (
      <p className="zh-row mb-0">
        <span>
          ✓ <span className="zh-figure">{formatTorque(pulled.nm, unit)}</span>{' '}
          <Signed written={pulled} />
        </span>
        <Button
          type="button"
          variant="link"
          disabled={busy}
          onClick={() => write(null)}
          aria-label={`Take back ${fastener.name.toLowerCase()}`}
        >
          Take back
        </Button>
      </p>
    );
  }
  const submit = (confirmed: boolean): void => {
    const own = text.trim() === '' ? usual : text;
    const read = parseTorque(own, unit);
    const wrong = read.ok ? pulledAmiss(read.torque.value, figure.nm) : null;
    if (wrong && !confirmed) return setAmiss(wrong);
    setAmiss(null);
    write({ text: own, unit, confirmed });
  };
  return (
    <form
      className="zh-row justify-content-start"
      onSubmit={(event) => {
        event.preventDefault();
        submit(amiss !== null);
      }}
    >
      <Form.Control
        className={picks.pulled}
        inputMode="decimal"
        autoComplete="off"
        aria-label={`Pulled, ${fastener.name.toLowerCase()} (${unit})`}
        placeholder={usual}
        value={text}
        isInvalid={trouble !== null}
        aria-invalid={trouble !== null}
        onChange={({ target }) => {
          setAmiss(null);
          setText(target.value);
        }}
      />
      <Button type="submit" variant="outline-secondary" disabled={busy}>
        {amiss ? 'It was pulled so' : text.trim() === '' ? `Pulled to ${usual}` : 'Pulled'}
      </Button>
      {(amiss ?? trouble) && (
        <span className="zh-error" role="alert">
          {amiss ?? trouble}
        </span>
      )}
    </form>
  );
}

/** One fastener: its figure with source and stages, and what was pulled. */
function FastenerRow({ fastener, ...place }: Place & { readonly fastener: FastenerView }) {
  const [isOpen, setOpen] = useState(false);
  const { name, figure, stages, say, product } = fastener;
  const shares = stages.map((share) => `${Math.round(share * 100)} %`).join(' → ');
  return (
    <li className={styles.torque} data-fastener={fastener.code}>
      <div className={styles.torqueHead}>
        <h2 className="mb-0">{name}</h2>
        {figure ? (
          <span className={`${styles.torqueFigure} zh-figure`}>
            {formatTorque(figure.nm, place.unit)}
          </span>
        ) : (
          <strong className={styles.missing}>No figure yet</strong>
        )}
      </div>
      <p className="zh-muted mb-1">
        {figure
          ? `From ${SOURCE_NAME[figure.source]}${figure.by ? `, entered by ${figure.by}` : ''}. `
          : 'The tool never makes one up: enter it with its source. '}
        {stages.length > 1 && `Stages ${shares}. `}
        {figure !== null && figure.angle > 0 && `Then turned on by ${figure.angle}°. `}
        Thread: {figure?.treatment || product}. {figure?.oneUse && 'One-use: renew. '}
        {say}
      </p>
      {figure?.forAnyWheel && (
        <p className="zh-stop mb-1">
          Entered before it was known what these wheels are made of: hold it against the maker’s
          figure for them, and enter that.
        </p>
      )}
      <PulledForm fastener={fastener} {...place} />
      {isOpen || !figure ? (
        <FigureForm fastener={fastener} onDone={() => setOpen(false)} {...place} />
      ) : (
        <Button type="button" variant="link" className="px-0" onClick={() => setOpen(true)}>
          Change the figure<span className="visually-hidden"> of {name.toLowerCase()}</span>
        </Button>
      )}
    </li>
  );
}

/** Everything at a corner that is drawn up to a figure. */
export function TorqueList({
  fasteners,
  kept,
  ...place
}: Place & {
  readonly fasteners: readonly FastenerView[];
  /** What the figures are kept by, in words. */
  readonly kept: string;
}) {
  return (
    <section aria-label="Torque list">
      <p className="zh-muted">
        Figures are kept for {kept}. Start every bolt by hand before any is tightened; wrench set to
        the tightening direction; no impact gun for the last of it.
      </p>
      <ul className="list-unstyled mb-0">
        {fasteners.map((fastener) => (
          <FastenerRow
            key={`${fastener.code} ${fastener.pulled?.stamp ?? ''}`}
            fastener={fastener}
            {...place}
          />
        ))}
      </ul>
    </section>
  );
}
