'use client';

import { Form } from 'react-bootstrap';
import { sayChosen, type SheetChoice } from '@/core/sheets';
import { FormField, useSend } from '@/ui/field';
import { useRefresh } from '@/ui/keeper';
import { takeSheet } from './writes';

interface ModelChoiceProps {
  readonly vehicleId: string;
  /** Models whose sheets are on file. */
  readonly models: readonly SheetChoice[];
}

/** Says of which model a vehicle is: what its sheets say is there at once. */
export function ModelChoice({ vehicleId, models }: ModelChoiceProps) {
  const { refresh } = useRefresh();
  const { send, busy, trouble } = useSend(takeSheet);
  return (
    <FormField
      label="Or say its model"
      hint="Studs, limits and torques come from the model’s sheet, each with its source."
      error={trouble ?? undefined}
      control={(ids) => (
        <Form.Select
          {...ids}
          value=""
          disabled={busy}
          onChange={({ target }) => {
            const chosen = models[Number(target.value)];
            if (!chosen) return;
            const { make, model, ...of } = chosen;
            send([{ vehicleId, make, model, of }], () => refresh());
          }}
        >
          <option value="">Choose …</option>
          {models.map((model, i) => (
            <option key={sayChosen(model)} value={i}>
              {sayChosen(model)}
            </option>
          ))}
        </Form.Select>
      )}
    />
  );
}
