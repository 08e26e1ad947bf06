'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import type { GaugeForm } from '@/core/contracts';
import { exactNumber, fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { fitFrom } from '@/core/readings';
import { reachOfDial } from '@/core/runout';
import { reachOfMicrometer } from '@/core/thickness';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { GaugeRow } from '@/server/measure/gauges';
import { useSend } from '@/ui/field';
import { retireGauge, writeGauge } from './writes';
import { LineFormatField } from './LineFormatField';

const KIND_NAME = { dial: 'Dial indicator', micrometer: 'Micrometer' } as const;

const EMPTY: GaugeForm = {
  name: '',
  kind: 'dial',
  resolution: '',
  repeatability: '',
  mpe: '',
  due: '',
  unit: '',
  turned: false,
  isUsual: true,
  lineFormat: null,
};

function formOf(gauge: GaugeRow, units: UnitSystem): GaugeForm {
  const say = (value: number | null): string =>
    value === null ? '' : exactNumber(value, fieldUnit(units, 'deviation'));
  const { id, name, kind, turned, isUsual, lineFormat } = gauge;
  const unit = (['um', 'mm', 'thou', 'in'] as const).find((each) => each === gauge.unit) ?? '';
  return {
    id,
    name,
    kind,
    turned,
    isUsual,
    lineFormat,
    unit,
    resolution: say(gauge.resolutionUm),
    repeatability: say(gauge.repeatabilityUm),
    mpe: say(gauge.mpeUm),
    due: gauge.due ?? '',
  };
}

interface GaugeEditorProps {
  readonly initial: GaugeForm;
  readonly units: UnitSystem;
  readonly onDone: () => void;
}

function GaugeEditor({ initial, units, onDone }: GaugeEditorProps) {
  const { register, handleSubmit, setValue, control } = useForm<GaugeForm>({
    defaultValues: initial,
  });
  const [lineFormat, unit] = useWatch({ control, name: ['lineFormat', 'unit'] });
  const { send, busy, trouble, fields } = useSend(writeGauge);
  const messages: Readonly<Record<string, string>> =
    trouble && Object.keys(fields).length === 0 ? { name: trouble } : fields;
  const sign = UNIT_SIGN[fieldUnit(units, 'deviation')];
  const text = (
    field: 'name' | 'resolution' | 'repeatability' | 'mpe' | 'due',
    label: string,
    type = 'text',
  ) => (
    <Form.Group controlId={`gauge-${field}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type={type}
        autoComplete="off"
        isInvalid={messages[field] !== undefined}
        aria-invalid={messages[field] !== undefined}
        {...register(field)}
      />
      {messages[field] && <div className="zh-error">{messages[field]}</div>}
    </Form.Group>
  );
  return (
    <form
      className="zh-card my-2"
      noValidate
      onSubmit={handleSubmit((form) => send([form], onDone))}
    >
      <div className="zh-limits">
        {text('name', 'Name or number on it')}
        <Form.Group controlId="gauge-kind">
          <Form.Label>Kind</Form.Label>
          <Form.Select {...register('kind')}>
            <option value="dial">{KIND_NAME.dial}</option>
            <option value="micrometer">{KIND_NAME.micrometer}</option>
          </Form.Select>
        </Form.Group>
        {text('resolution', `Smallest step (${sign})`)}
        {text('repeatability', `Repeats to, standard deviation (${sign})`)}
        {text('mpe', `Maximum permissible error (${sign})`)}
        {text('due', 'Calibration runs out on', 'date')}
        <Form.Group controlId="gauge-unit">
          <Form.Label>A bare figure of it is in</Form.Label>
          <Form.Select {...register('unit')}>
            <option value="">the shop’s unit</option>
            {(['mm', 'um', 'thou', 'in'] as const).map((unit) => (
              <option key={unit} value={unit}>
                {UNIT_SIGN[unit]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <Form.Check
        id="gauge-turned"
        label="It counts the other way round (its sign is turned)"
        {...register('turned')}
      />
      <Form.Check id="gauge-usual" label="The usual one for new sets" {...register('isUsual')} />
      <LineFormatField
        format={lineFormat}
        unit={unit}
        onLearn={(learnt) => setValue('lineFormat', learnt)}
      />
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="primary" disabled={busy}>
          {busy ? 'Keeping …' : 'Keep this gauge'}
        </Button>
        <Button type="button" variant="outline-secondary" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

/** What a gauge can settle and what it cannot, in words. */
function sayReach(
  { kind, resolutionUm, repeatabilityUm }: GaugeRow,
  say: (value: number) => string,
): string {
  const gauge = { resolution: resolutionUm, repeatability: repeatabilityUm };
  const isDial = kind === 'dial';
  const reach = isDial ? reachOfDial(gauge) : reachOfMicrometer(gauge);
  const { band, readings } = reach;
  const what = isDial
    ? `With ${readings} slow turns a runout`
    : `With ${readings} readings a thickness variation`;
  const fit = fitFrom(reach);
  const usual = isDial ? WORKSHOP_DEFAULTS.runout : WORKSHOP_DEFAULTS.thicknessVariation;
  return `${what} that lies ${say(Math.round(band * 10) / 10)} or more from its limit is settled: fit for limits from ${say(fit)} on${fit <= usual ? '.' : `, too coarse for ${say(usual)}.`}`;
}

interface GaugeBookProps {
  readonly gauges: readonly GaugeRow[];
  readonly units: UnitSystem;
  /** Day by which an overdue calibration is told, like 2031-04-30. */
  readonly today: string;
}

/** The workshop’s gauges: what each can tell, and when its calibration runs out. */
export function GaugeBook({ gauges, units, today }: GaugeBookProps) {
  const [editing, setEditing] = useState<string | null>(null);
  const retire = useSend(retireGauge);
  const { busy } = retire;
  const unit = fieldUnit(units, 'deviation');
  const say = (value: number): string => `${exactNumber(value, unit)} ${UNIT_SIGN[unit]}`;
  const done = (): void => setEditing(null);
  return (
    <>
      {gauges.length === 0 && (
        <p className="zh-muted">
          No gauge is on file: the workshop defaults are used (dial 1 µm, micrometer 1 µm). Enter
          yours, so that verdicts know how good it is.
        </p>
      )}
      <ul className="list-unstyled mb-0">
        {gauges.map((gauge) => (
          <li key={gauge.id}>
            <div className="zh-row">
              <span>
                <strong>{gauge.name}</strong>{' '}
                <span className="zh-muted">
                  {KIND_NAME[gauge.kind]}, steps of {say(gauge.resolutionUm)}, repeats to{' '}
                  {say(gauge.repeatabilityUm)}
                  {gauge.isUsual && ', the usual one'}
                </span>{' '}
                {gauge.due !== null && gauge.due < today && (
                  <span className="zh-error">calibration ran out on {gauge.due}</span>
                )}
                <span className="zh-muted d-block">{sayReach(gauge, say)}</span>
              </span>
              <span>
                <Button
                  type="button"
                  variant="link"
                  onClick={() => setEditing(editing === gauge.id ? null : gauge.id)}
                >
                  Change<span className="visually-hidden"> {gauge.name}</span>
                </Button>
                <Button
                  type="button"
                  variant="link"
                  disabled={busy}
                  onClick={() => retire.send([gauge.id])}
                >
                  Out of use<span className="visually-hidden">: {gauge.name}</span>
                </Button>
              </span>
            </div>
            {editing === gauge.id && (
              <GaugeEditor initial={formOf(gauge, units)} units={units} onDone={done} />
            )}
          </li>
        ))}
      </ul>
      {editing === 'new' ? (
        <GaugeEditor initial={EMPTY} units={units} onDone={done} />
      ) : (
        <Button
          type="button"
          variant="outline-secondary"
          className="mt-2"
          onClick={() => setEditing('new')}
        >
          Add a gauge
        </Button>
      )}
    </>
  );
}
