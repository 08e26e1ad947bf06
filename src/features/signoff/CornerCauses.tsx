'use client';

import { Button, Form } from 'react-bootstrap';
import { keepCheck } from '@/ui/keeper';
import { FormField, useSend } from '@/ui/field';

/** What was confirmed at a corner, with the stamp of its row. */
export interface CornerCauseView {
  readonly corner: string;
  readonly codes: readonly string[];
  readonly stamp: string | null;
}

interface CornerCausesProps {
  readonly jobId: string;
  readonly corners: readonly CornerCauseView[];
  readonly causes: readonly { readonly code: string; readonly name: string }[];
}

function CausesAt({
  jobId,
  at,
  causes,
}: Omit<CornerCausesProps, 'corners'> & { at: CornerCauseView }) {
  const { send, busy, trouble } = useSend(keepCheck);
  const write = (codes: readonly string[]): void =>
    send([
      {
        ...{ jobId, kind: 'decide', place: at.corner, item: 'causes' },
        ...{ value: codes.length > 0 ? codes : null, note: null, seen: at.stamp },
      },
    ]);
  const nameOf = (code: string): string => causes.find((each) => each.code === code)?.name ?? code;
  return (
    <div>
      <FormField
        label={`Confirmed at ${at.corner}`}
        error={trouble ?? undefined}
        control={(ids) => (
          <Form.Select
            {...ids}
            value=""
            disabled={busy}
            onChange={({ target }) => write([...at.codes, target.value])}
          >
            <option value="">{at.codes.length > 0 ? 'Another one …' : 'Nothing yet'}</option>
            {causes
              .filter(({ code }) => !at.codes.includes(code))
              .map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
          </Form.Select>
        )}
      />
      {at.codes.map((code) => (
        <Button
          key={code}
          type="button"
          variant="outline-secondary"
          size="sm"
          className="me-2 mb-2"
          disabled={busy}
          aria-label={`Take back at ${at.corner}: ${nameOf(code)}`}
          onClick={() => write(at.codes.filter((each) => each !== code))}
        >
          {nameOf(code)} ✕
        </Button>
      ))}
    </div>
  );
}

/** Causes that the work confirmed, several and each with its corner. */
export const CornerCauses = ({ jobId, corners, causes }: CornerCausesProps) => (
  <details
    className="zh-card mb-3 zh-no-print"
    open={corners.some(({ codes }) => codes.length > 0)}
  >
    <summary className="py-2">Several causes, each with its corner</summary>
    <p className="zh-muted">Both reports name them with their corner.</p>
    <div className="zh-limits">
      {corners.map((at) => (
        <CausesAt key={`${at.corner} ${at.stamp}`} jobId={jobId} at={at} causes={causes} />
      ))}
    </div>
  </details>
);
