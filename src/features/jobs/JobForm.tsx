'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { jobFormSchema, type JobForm as Values } from '@/core/contracts';
import { FormField, showServerErrors } from '@/ui/field';
import { ComplaintFields } from './ComplaintFields';
import { writeJob } from './writes';

export interface VehicleChoice {
  readonly id: string;
  readonly plate: string;
  readonly name: string;
}

/** A new job: vehicle, complaint in the customer's words, corners. */
export function JobForm({
  vehicle,
  comeback = null,
}: {
  /** The vehicle that it is for; null where its plate is asked. */
  vehicle: VehicleChoice | null;
  /** The earlier job that it came back from, with its corners. */
  comeback?: {
    readonly id: string;
    readonly number: number;
    readonly corners: Values['corners'];
  } | null;
}) {
  const router = useRouter();
  const { register, handleSubmit, setError, formState } = useForm<Values>({
    resolver: zodResolver(jobFormSchema, undefined, { raw: true }),
    defaultValues: {
      vehicleId: vehicle?.id ?? '',
      complaint: '',
      odometerKm: '',
      corners: comeback?.corners ?? [],
      comebackOf: comeback?.id ?? null,
      newVehicle: vehicle ? null : { plate: '' },
    },
  });
  const { errors, isSubmitting } = formState;
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
      {vehicle ? (
        <p>
          <span className="zh-figure fs-4">{vehicle.plate}</span> {vehicle.name}
          {errors.vehicleId && <span className="zh-error d-block">{errors.vehicleId.message}</span>}
          {!comeback && (
            <Link className="zh-link ms-3" href="/jobs/new">
              Another vehicle
            </Link>
          )}
        </p>
      ) : (
        <>
          <FormField
            label="Plate (must be filled)"
            hint="A plate that is on file is that vehicle. All else is asked where it is needed."
            error={errors.newVehicle?.plate?.message}
            control={(ids) => (
              <Form.Control
                {...ids}
                {...register('newVehicle.plate')}
                autoComplete="off"
                autoFocus
                maxLength={20}
              />
            )}
          />
          <p>
            <Link className="zh-link" href="/">
              Find it by a name or a number
            </Link>
            , or{' '}
            <Link className="zh-link" href="/vehicles/new?then=job">
              enter a new one with all its figures
            </Link>
          </p>
        </>
      )}
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
      <Button type="submit" variant="primary" disabled={isSubmitting}>
        {isSubmitting ? 'Opening …' : 'Open the job'}
      </Button>
    </form>
  );
}
