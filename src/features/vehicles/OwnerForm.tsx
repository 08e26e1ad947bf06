'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { TextField, useSend } from '@/ui/field';
import type { OwnerForm as Values } from '@/core/contracts';
import { useRefresh, useTypedBefore } from '@/ui/keeper';
import { ownerPlace, writeOwner } from './writes';

interface OwnerFormProps {
  readonly vehicleId: string;
  readonly owner: { readonly name: string; readonly reach: string } | null;
}

/** Who brings the vehicle and how they are reached: never needed, erased on demand. */
export function OwnerForm({ vehicleId, owner }: OwnerFormProps) {
  const before = useTypedBefore<Values>(ownerPlace(vehicleId));
  const typed = before?.input ?? owner;
  return <OwnerFields key={before?.id ?? ''} vehicleId={vehicleId} owner={typed} />;
}

function OwnerFields({ vehicleId, owner }: OwnerFormProps) {
  const [name, setName] = useState(owner?.name ?? '');
  const [reach, setReach] = useState(owner?.reach ?? '');
  const [isSure, setSure] = useState(false);
  const { refresh } = useRefresh();
  const { send, busy, trouble, fields } = useSend(writeOwner);
  const keep = (form: { readonly name: string; readonly reach: string }): void => {
    setName(form.name);
    setReach(form.reach);
    send([{ vehicleId, ...form }], () => refresh());
  };
  return (
    <details className="zh-card mb-3 zh-no-print" open={owner !== null}>
      <summary className="py-2">Who brings it{owner ? '' : ': nobody on file'}</summary>
      <p className="zh-muted">
        Never needed. It stands on this page, on Due and on the estimate, the start page’s one line
        finds it, and it is in no archive and not in the history, which says only that it changed.
        Erased, it is in no copy made from then on; copies made before keep it until they are thrown
        away, and a job that was signed keeps the name under what was agreed, as it was signed.
      </p>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          keep({ name, reach });
        }}
      >
        <div className="zh-limits">
          <TextField label="Name" error={fields.name} value={name} onChange={setName} />
          <TextField
            label="How they are reached"
            error={fields.reach}
            value={reach}
            onChange={setReach}
          />
        </div>
        <div className="d-flex gap-2">
          <Button type="submit" variant="outline-secondary" disabled={busy}>
            Keep
          </Button>
          {owner && (
            <Button
              variant="link"
              disabled={busy}
              onClick={() => (isSure ? keep({ name: '', reach: '' }) : setSure(true))}
            >
              {isSure ? 'It cannot be brought back: erase it' : 'Erase it everywhere …'}
            </Button>
          )}
        </div>
        {trouble && (
          <p className="zh-error mb-0" role="alert">
            {trouble}
          </p>
        )}
      </form>
    </details>
  );
}
