'use client';

import { Button } from 'react-bootstrap';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { complaintFormSchema, type ComplaintForm as Values } from '@/core/contracts';
import { showServerErrors } from '@/ui/field';
import { useRefresh, useTypedBefore } from '@/ui/keeper';
import { ComplaintFields } from './ComplaintFields';
import { complaintPlace, writeComplaint } from './writes';

interface ComplaintFormProps {
  readonly jobId: string;
  readonly values: Values;
}

/** The complaint of a job and the corners it is measured at; what was typed before and waits stands in it. */
export function ComplaintForm({ jobId, values }: ComplaintFormProps) {
  const before = useTypedBefore<{ readonly form: Values }>(complaintPlace(jobId));
  return <TypedForm key={before?.id ?? ''} jobId={jobId} values={before?.input.form ?? values} />;
}

function TypedForm({ jobId, values }: ComplaintFormProps) {
  const { refresh } = useRefresh();
  const { register, handleSubmit, setError, formState } = useForm<Values>({
    resolver: zodResolver(complaintFormSchema, undefined, { raw: true }),
    defaultValues: values,
  });
  const { errors, isSubmitting, isSubmitSuccessful } = formState;
  const submit = handleSubmit(async (typed) => {
    const answer = await writeComplaint(jobId, typed);
    if (answer.ok) refresh();
    else showServerErrors({ root: answer.message, ...answer.fields }, setError);
  });
  return (
    <form className="zh-card" noValidate onSubmit={submit}>
      {errors.root && (
        <p className="zh-error" role="alert">
          {errors.root.message}
        </p>
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
      <Button type="submit" variant="outline-secondary" disabled={isSubmitting}>
        {isSubmitting ? 'Saving …' : 'Save the complaint'}
      </Button>{' '}
      <span role="status">{isSubmitSuccessful && !errors.root && 'Saved.'}</span>
    </form>
  );
}
