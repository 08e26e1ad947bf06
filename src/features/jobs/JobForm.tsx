'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
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
  const { register, handleSubmit, setError, formState } = useForm<Values>({
    resolver: zodResolver(jobFormSchema, undefined, { raw: true }),
    defaultValues: {
      vehicleId,
      complaint: '',
      odometerKm: '',
      corners: comeback?.corners ?? [],
      comebackOf: comeback?.id ?? null,
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
      <p>
        {isMore && (
          <>
            The list is the beginning of all vehicles:{' '}
            <Link href="/vehicles">find the vehicle</Link> and open a job from its page, or{' '}
          </>
        )}
        <Link href="/vehicles/new?then=job">
          {isMore ? 'enter a new one' : 'The vehicle is not in the list: enter a new one'}
        </Link>
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
