'use client';

import Link from '@/ui/Link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormField, useSend } from '@/ui/field';
import { writeSignOff } from './writes';

/** Something that stands in the way, with where it is put right. */
export interface BlockerView {
  readonly say: string;
  readonly href: string;
}

interface SignOffProps {
  readonly jobId: string;
  readonly blocks: readonly BlockerView[];
  readonly open: readonly BlockerView[];
  readonly causes: readonly { readonly code: string; readonly name: string }[];
  readonly confirmed: string | null;
  /** Who is here, and whether that is a lead. */
  readonly who: { readonly name: string; readonly isLead: boolean } | null;
}

const List = ({ items }: { items: readonly BlockerView[] }) => (
  <ul className="mb-2">
    {items.map(({ say, href }) => (
      <li key={say}>
        {say} <Link href={href}>Go there</Link>
      </li>
    ))}
  </ul>
);

/** Why nobody here can sign off now, in words; null where somebody can. */
function whyNot({ blocks, who }: SignOffProps): string | null {
  if (blocks.length > 0) return 'It cannot be signed off while anything stands above.';
  if (!who) return 'Choose your name first.';
  return who.isLead ? null : `${who.name} is not a lead: ask one to choose the name here.`;
}

/** The sign-off by the lead: what blocks it, what is open, the cause that was confirmed. */
export function SignOff(props: SignOffProps) {
  const { jobId, blocks, open, causes, confirmed, who } = props;
  const [cause, setCause] = useState(confirmed ?? '');
  const [reason, setReason] = useState('');
  const { send, busy, trouble, fields } = useSend(writeSignOff);
  const why = whyNot(props);
  return (
    <section className="zh-card mb-3 zh-no-print" aria-label="Sign-off">
      <h2>Sign off</h2>
      {blocks.length > 0 && (
        <div className="zh-stop mb-2">
          <strong>Stands in the way:</strong>
          <List items={blocks} />
        </div>
      )}
      {open.length > 0 && (
        <>
          <h3>Open, and signed for where it is signed</h3>
          <List items={open} />
        </>
      )}
      {blocks.length === 0 && open.length === 0 && <p>Nothing is open.</p>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          send([{ jobId, cause: cause || null, reason }]);
        }}
      >
        <div className="zh-limits">
          <FormField
            label="Confirmed cause"
            error={undefined}
            control={(ids) => (
              <Form.Select {...ids} value={cause} onChange={({ target }) => setCause(target.value)}>
                <option value="">Left open</option>
                {causes.map(({ code, name }) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            )}
          />
          {open.length > 0 && (
            <FormField
              label="Why it is signed with what is open"
              error={fields.reason}
              control={(ids) => (
                <Form.Control
                  autoComplete="off"
                  {...ids}
                  value={reason}
                  onChange={({ target }) => setReason(target.value)}
                />
              )}
            />
          )}
        </div>
        <Button type="submit" variant="primary" disabled={busy || blocks.length > 0}>
          {who?.isLead ? `Sign off as ${who.name}` : 'Sign off'}
        </Button>{' '}
        <span className="zh-muted">{why ?? 'Afterwards the record is closed.'}</span>
        {trouble && !fields.reason && (
          <p className="zh-error mb-0" role="alert">
            {trouble}
          </p>
        )}
      </form>
    </section>
  );
}
