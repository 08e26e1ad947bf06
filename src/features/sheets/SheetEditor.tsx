'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { SheetForm } from '@/core/contracts';
import { SHEET_KINDS, type SheetCode, type SheetKind } from '@/core/sheets';
import type { UnitSystem } from '@/core/units';
import { FormField, TextField, useSend } from '@/ui/field';
import { SheetFigureField } from './SheetFigureField';
import { dropSheet, writeSheet } from './writes';

interface SheetEditorProps {
  readonly id: string | null;
  readonly form: SheetForm;
  readonly units: UnitSystem;
  /** Who entered each figure and when, by its code. */
  readonly entered: Readonly<Record<string, string>>;
}

const GROUPS: readonly (readonly [string, (kind: SheetKind) => boolean])[] = [
  ['How it is built', ({ manner }) => ['choice', 'several', 'mass'].includes(manner.as)],
  ['Limits', ({ manner }) => manner.as === 'length'],
  ['Torque', ({ manner }) => manner.as === 'torque'],
];

/** What a sheet is of: make and model must be filled, the rest narrows it. */
function KeyFields({
  form,
  fields,
  onChange,
}: {
  readonly form: SheetForm;
  readonly fields: Readonly<Record<string, string>>;
  readonly onChange: (change: Partial<SheetForm>) => void;
}) {
  const line = (
    name: 'make' | 'model' | 'yearFrom' | 'yearTo' | 'variant',
    label: string,
    hint?: string,
  ) => (
    <TextField
      label={label}
      {...(hint && { hint })}
      error={fields[name]}
      value={form[name]}
      onChange={(text) => onChange({ [name]: text })}
    />
  );
  return (
    <div className="zh-card mb-3 zh-limits">
      {line('make', 'Make (must be filled)')}
      {line('model', 'Model (must be filled)')}
      <FormField
        label="Axle"
        error={fields.axle}
        control={(ids) => (
          <Form.Select
            {...ids}
            value={form.axle}
            onChange={({ target }) => onChange({ axle: target.value as SheetForm['axle'] })}
          >
            <option value="front">front</option>
            <option value="rear">rear</option>
          </Form.Select>
        )}
      />
      {line('yearFrom', 'First model year', 'Empty: every year before.')}
      {line('yearTo', 'Last model year', 'Empty: every year since.')}
      {line('variant', 'Brake variant', 'Like “heavy duty”; empty for the usual one.')}
      <FormField
        label="Wheels"
        hint="Where the wheel nuts’ torque goes by them."
        error={fields.wheel}
        control={(ids) => (
          <Form.Select
            {...ids}
            value={form.wheel}
            onChange={({ target }) => onChange({ wheel: target.value as SheetForm['wheel'] })}
          >
            <option value="">any</option>
            <option value="steel">steel</option>
            <option value="alloy">alloy</option>
          </Form.Select>
        )}
      />
    </div>
  );
}

/** A model’s sheet: what it is of, then every figure with where it is from. */
export function SheetEditor({ id, form: first, units, entered }: SheetEditorProps) {
  const router = useRouter();
  const [form, setForm] = useState(first);
  const [isSure, setSure] = useState(false);
  const { send, busy, trouble, fields } = useSend(writeSheet);
  const drop = useSend(dropSheet);
  const change = (part: Partial<SheetForm>): void => setForm((before) => ({ ...before, ...part }));
  const figure = (code: SheetCode, typed: NonNullable<SheetForm['figures'][SheetCode]>): void =>
    change({ figures: { ...form.figures, [code]: typed } });
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        send([id, form], (kept) => router.push(`/models/${kept}`));
      }}
    >
      <KeyFields form={form} fields={fields} onChange={change} />
      {GROUPS.map(([title, isOf]) => (
        <fieldset key={title} className="zh-card mb-3">
          <legend className="fs-5 fw-bold">{title}</legend>
          <div className="zh-limits">
            {SHEET_KINDS.filter(isOf).map((kind) => (
              <SheetFigureField
                key={kind.code}
                kind={kind}
                units={units}
                typed={form.figures[kind.code] ?? { text: '', source: 'maker' }}
                error={fields[`figures.${kind.code}.text`]}
                entered={entered[kind.code]}
                onChange={(typed) => figure(kind.code, typed)}
              />
            ))}
          </div>
        </fieldset>
      ))}
      {(trouble ?? drop.trouble) && (
        <p className="zh-error" role="alert">
          {trouble ?? drop.trouble}
        </p>
      )}
      <div className="d-flex flex-wrap gap-2">
        <Button type="submit" disabled={busy}>
          {busy ? 'Saving …' : 'Save the sheet'}
        </Button>
        {id !== null && (
          <Button
            variant="link"
            disabled={drop.busy}
            onClick={() => (isSure ? drop.send([id], () => router.push('/models')) : setSure(true))}
          >
            {isSure ? 'Vehicles keep their figures: take it off file' : 'Take the sheet off file …'}
          </Button>
        )}
      </div>
    </form>
  );
}
