'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { jobFormSchema, type JobForm as Values } from '@/core/contracts';
import { FormField, showServerErrors } from '@/ui/field';
import { ComplaintFields } from './ComplaintFields';
import { QuickVehicleFields } from './QuickVehicleFields';
import { writeJob } from './writes';

export interface VehicleChoice {
  readonly id: string;
  readonly plate: string;
  readonly name: string;
}

const NEW_VEHICLE: NonNullable<Values['newVehicle']> = { plate: '', fastening: 'studs', studs: 5 };

/** A new job: vehicle, complaint in the customer's words, corners. */
export function JobForm({
  vehicles,
  vehicleId,
  isMore = false,
  comeback = null,
}: {
  vehicles: readonly VehicleChoice[];
  /** There are more on file than the list has. */
  isMore?: boolean;
  vehicleId: string;
  /** The earlier job that it came back from, with its corners. */
  comeback?: {
    readonly id: string;
    readonly number: number;
    readonly corners: Values['corners'];
  } | null;
}) {
  const router = useRouter();
  const { register, handleSubmit, setError, setValue, formState } = useForm<Values>({
    resolver: zodResolver(jobFormSchema, undefined, { raw: true }),
    defaultValues: {
      vehicleId,
      complaint: '',
      odometerKm: '',
      corners: comeback?.corners ?? [],
      comebackOf: comeback?.id ?? null,
      newVehicle: vehicles.length === 0 ? NEW_VEHICLE : null,
    },
  });
  const { errors, isSubmitting } = formState;
  const [isNew, setNew] = useState(vehicles.length === 0);
  const askNew = (asked: boolean): void => {
    setNew(asked);
    setValue('vehicleId', '');
    setValue('newVehicle', asked ? NEW_VEHICLE : null);
  };
  // One id for one form: pressed twice, or sent again, it is still one job.
  const [id] = useState(() => crypto.randomUUID());
  const submit = handleSubmit(async (values) => {
    const answer = await writeJob({ ...values, id });
    if (answer.ok) router.push(`/jobs/${answer.value}/complaint`);
    else showServerErrors({ root: answer.message, ...answer.fields }, setError);
  });
  return (
    <form className="zh-card" noValidate onSubmit={submit}>
      {errors.root && (
        <p className="zh-error" role="alert">
          {errors.root.message}
        </p>
      )}
      {comeback && (
        <p>
          <strong>Comeback</strong> of job {comeback.number}: it is linked to it.{' '}
          {errors.comebackOf && <span className="zh-error">{errors.comebackOf.message}</span>}
        </p>
      )}
      {isNew ? (
        <QuickVehicleFields
          fields={{
            plate: register('newVehicle.plate'),
            fastening: register('newVehicle.fastening'),
            studs: register('newVehicle.studs'),
          }}
          messages={{
            plate: errors.newVehicle?.plate?.message,
            fastening: errors.newVehicle?.fastening?.message,
            studs: errors.newVehicle?.studs?.message,
          }}
        />
      ) : (
        <FormField
          label="Vehicle"
          error={errors.vehicleId?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register('vehicleId')} autoFocus>
              <option value="">Choose …</option>
              {vehicles.map(({ id, plate, name }) => (
                <option key={id} value={id}>
                  {plate} · {name}
                </option>
              ))}
            </Form.Select>
          )}
        />
      )}
      <p>
        {isMore && !isNew && (
          <>
            The list is the beginning of all vehicles:{' '}
            <Link href="/vehicles">find the vehicle</Link> and open a job from its page, or{' '}
          </>
        )}
        {!comeback && vehicles.length > 0 && (
          <Button variant="link" className="p-0 align-baseline" onClick={() => askNew(!isNew)}>
            {isNew ? 'It is on file: choose it' : 'It is not on file: its plate will do'}
          </Button>
        )}
        {!comeback && (
          <>
            {vehicles.length > 0 && ', '}
            <Link href="/vehicles/new?then=job">
              {vehicles.length > 0
                ? 'or enter a new one with all its figures'
                : 'Or enter it with all its figures'}
            </Link>
          </>
        )}
      </p>
      <ComplaintFields
        fields={{
          complaint: register('complaint'),
          odometerKm: register('odometerKm'),
          corners: register('corners'),
        }}
        messages={{
          complaint: errors.complaint?.message,
          odometerKm: errors.odometerKm?.message,
          corners: errors.corners?.message,
        }}
      />
      <button className="btn btn-primary" disabled={isSubmitting}>
        {isSubmitting ? 'Opening …' : 'Open the job'}
      </button>
    </form>
  );
}
