'use client';

import { Form } from 'react-bootstrap';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { FormField } from '@/ui/field';
import { CornerChoice } from './CornerChoice';

type Name = 'complaint' | 'odometerKm' | 'corners';

interface ComplaintFieldsProps {
  readonly fields: Readonly<Record<Name, UseFormRegisterReturn>>;
  readonly messages: Readonly<Record<Name, string | undefined>>;
}

/** What is asked of every job, new or on file: the complaint, the distance, the corners. */
export function ComplaintFields({ fields, messages }: ComplaintFieldsProps) {
  return (
    <>
      <FormField
        label="Complaint, in the customer’s words"
        error={messages.complaint}
        control={(ids) => <Form.Control as="textarea" rows={3} {...ids} {...fields.complaint} />}
      />
      <FormField
        label="Distance on the clock (km)"
        hint="May be left empty."
        error={messages.odometerKm}
        control={(ids) => <Form.Control inputMode="numeric" {...ids} {...fields.odometerKm} />}
      />
      <CornerChoice field={fields.corners} error={messages.corners} />
    </>
  );
}
