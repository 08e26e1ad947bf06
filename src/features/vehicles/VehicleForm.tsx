'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import { vehicleFormSchema, type VehicleForm as Values } from '@/core/contracts';
import type { UnitSystem } from '@/core/units';
import { FormField, showServerErrors } from '@/ui/field';
import { useTypedBefore } from '@/ui/keeper';
import type { Asked } from '@/ui/ask';
import type { VerdictChange } from '@/core/job';

import { AxleFields } from './AxleFields';
import type { Entered } from './model';
import { effectsOfVehicle } from './requests';
import { VerdictChanges } from './VerdictChanges';
import { vehiclePlace, writeVehicle } from './writes';
import picks from '@/ui/shell/picks.module.css';

type Refusal = Pick<Extract<Asked<unknown>, { ok: false }>, 'message' | 'fields'>;

interface VehicleFormProps {
  readonly id: string | null;
  readonly values: Values;
  readonly units: UnitSystem;
  /** Who entered the figures on file. */
  readonly entered?: Entered;
  /** Where to go once it is saved; the id is put at the end. */
  readonly then: string;
}

/** A vehicle with the figures of both axles; what was typed before and waits stands in it. */
export function VehicleForm(props: VehicleFormProps) {
  const before = useTypedBefore<{ readonly form: Values }>(vehiclePlace(props.id ?? ''));
  return (
    <TypedForm {...props} key={before?.id ?? ''} values={before?.input.form ?? props.values} />
  );
}

function TypedForm({ id, values, units, entered = {}, then }: VehicleFormProps) {
  const router = useRouter();
  const { register, handleSubmit, setError, formState, control } = useForm<Values>({
    resolver: zodResolver(vehicleFormSchema(units), undefined, { raw: true }),
    defaultValues: values,
  });
  const { errors, isSubmitting } = formState;
  const [effects, setEffects] = useState<readonly VerdictChange[]>([]);
  const refuse = (answer: Refusal): void =>
    showServerErrors({ root: answer.message, ...answer.fields }, setError);
  const save = async (typed: Values): Promise<void> => {
    const answer = await writeVehicle(id, typed);
    if (answer.ok) router.push(`${then}${answer.value}`);
    else refuse(answer);
  };
  // What open verdicts a change bears on is said before it is written.
  const ask = async (typed: Values): Promise<void> => {
    if (id === null) return save(typed);
    const answer = await effectsOfVehicle(id, typed);
    if (!answer.ok) return refuse(answer);
    setEffects(answer.value);
    if (answer.value.length === 0) return save(typed);
  };
  const submit = handleSubmit(ask);
  const fields = { units, register, errors, entered };
  const [front, rear] = useWatch({ control, name: ['front', 'rear'] });
  const why = (
    <FormField
      label="Why figures change"
      hint="Asked while a job of this vehicle is open. It is judged by the stricter figure until a lead agrees."
      error={errors.why?.message}
      control={(ids) => <Form.Control autoComplete="off" {...ids} {...register('why')} />}
    />
  );
  const line = (
    name: 'plate' | 'make' | 'model' | 'tyre' | 'finalDrive' | 'year' | 'variant' | 'massKg',
    label: string,
    hint?: string,
  ) => (
    <FormField
      label={label}
      hint={hint}
      error={errors[name]?.message}
      control={(ids) => (
        <Form.Control
          autoComplete="off"
          autoFocus={name === 'plate' && id === null}
          {...ids}
          {...register(name)}
        />
      )}
    />
  );
  return (
    // What was asked about is what is written: a figure that is changed since is asked about anew.
    <form noValidate onSubmit={submit} onChange={() => setEffects([])}>
      {errors.root && (
        <p className="zh-error" role="alert">
          {errors.root.message}
        </p>
      )}
      <fieldset className="zh-card mb-3">
        <legend className="fs-5 fw-bold">Which vehicle</legend>
        <div className="zh-limits">
          {line('plate', 'Plate', 'Must be filled; nothing else must.')}
          {line('make', 'Make')}
          {line(
            'model',
            'Model',
            'What its model’s sheet says is taken over where it is empty here.',
          )}
          {line('year', 'Model year', 'Torque figures are kept by year, drive and brakes.')}
          <FormField
            label="Driven wheels"
            error={errors.drive?.message}
            control={(ids) => (
              <Form.Select {...ids} {...register('drive')}>
                <option value="">not known</option>
                <option value="front">front</option>
                <option value="rear">rear</option>
                <option value="all">all</option>
              </Form.Select>
            )}
          />
          {line('variant', 'Brake variant', 'Like “heavy duty”; empty for the usual one.')}
          <FormField
            label="Wheels"
            hint="The torque of wheel nuts is kept by it."
            error={errors.wheel?.message}
            control={(ids) => (
              <Form.Select {...ids} {...register('wheel')}>
                <option value="">not known</option>
                <option value="alloy">alloy</option>
                <option value="steel">steel</option>
              </Form.Select>
            )}
          />
        </div>
      </fieldset>
      <fieldset className="zh-card mb-3">
        <legend className="fs-5 fw-bold">For the road test and bedding-in</legend>
        <div className="zh-limits">
          {line('tyre', 'Tyre code', 'Like 215/65R16; for the road test.')}
          {line('finalDrive', 'Final drive ratio', 'Like 3.73; for the propshaft order.')}
          {line('massKg', 'Mass as driven (kg)', 'For the bedding-in estimate.')}
        </div>
        <label className={picks.check}>
          <input type="checkbox" {...register('brakeByWire')} /> Brake-by-wire: brakes can apply by
          themselves
        </label>
      </fieldset>
      <p className="zh-muted">
        Leave a figure empty when it is not known: a workshop default is used where there is one,
        and said so. Discard thickness has none. The maker’s service information comes first.
      </p>
      <AxleFields axle="front" {...fields} chosen={front} />
      <AxleFields axle="rear" {...fields} chosen={rear} />
      {id !== null && <div className="zh-card mb-3">{why}</div>}
      {effects.length > 0 && (
        <VerdictChanges
          changes={effects}
          isBusy={isSubmitting}
          onSave={handleSubmit(save)}
          onBack={() => setEffects([])}
        />
      )}
      <Button type="submit" variant="primary" disabled={isSubmitting} hidden={effects.length > 0}>
        {isSubmitting ? 'Saving …' : 'Save the vehicle'}
      </Button>
    </form>
  );
}
