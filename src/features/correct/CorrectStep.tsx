'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import { TextField, useSend } from '@/ui/field';
import { Signed, SignedTick } from '@/ui/procedure';
import { checkPlace, keepCheck, useLaidStep, useSeenStamp, useTypedBefore } from '@/ui/keeper';

/** A step of a correction as it stands. */
export interface StepView {
  readonly text: string;
  readonly by: string | null;
  readonly at: string;
  readonly stamp: string;
}

interface StepProps {
  readonly jobId: string;
  readonly corner: string;
  readonly item: string;
  readonly written: StepView | null;
}

const keyOf = ({ jobId, corner, item }: Omit<StepProps, 'written'>) => ({
  ...{ jobId, kind: 'correct', place: corner, item },
});

/** Writes a step and says what went wrong with it. */
function useStep({ written, ...props }: StepProps) {
  const { send, busy, trouble } = useSend(keepCheck);
  const key = keyOf(props);
  const seen = useSeenStamp(key, written?.stamp ?? null);
  const write = (value: unknown): void => send([{ ...key, value, note: null, seen }, 'by-writer']);
  return { trouble, busy, write };
}

/** Something that is ticked with the name of who did it. */
export function TickStep({
  label,
  isMain = false,
  ...props
}: StepProps & { label: string; isMain?: boolean }) {
  const { trouble, busy, write } = useStep(props);
  const onPage = props.written && { ...props.written, value: 'done', note: null };
  const written = useLaidStep(keyOf(props), onPage);
  return (
    <SignedTick
      {...{ label, written, isMain, busy, trouble }}
      onPress={() => write(written ? null : 'done')}
    />
  );
}

/** The tick that ends a correction. */
export const DoneTick = (props: Omit<StepProps, 'item'>) => (
  <TickStep {...props} item="done" label={`Done at ${props.corner}`} isMain />
);

type ThicknessProps = StepProps & { readonly label: string; readonly unit: string };

/** A thickness that is measured and typed. */
export function ThicknessStep(props: ThicknessProps) {
  const before = useTypedBefore<{ readonly value: { readonly text: string } | null }>(
    checkPlace(keyOf(props)),
  );
  return <ThicknessField key={before?.id ?? ''} typed={before?.input.value?.text} {...props} />;
}

function ThicknessField({
  label,
  unit,
  typed,
  ...props
}: ThicknessProps & { readonly typed: string | undefined }) {
  const { written } = props;
  const { trouble, busy, write } = useStep(props);
  const [text, setText] = useState(typed ?? written?.text ?? '');
  return (
    <form
      className="zh-no-print"
      onSubmit={(event) => {
        event.preventDefault();
        write(text.trim() === '' ? null : { text, unit });
      }}
    >
      <TextField
        label={`${label} (${unit})`}
        isFigure
        value={text}
        error={trouble ?? undefined}
        onChange={setText}
      />
      <Button
        type="submit"
        variant="outline-secondary"
        disabled={busy || text === (written?.text ?? '')}
      >
        {busy ? 'Writing …' : 'Keep this thickness'}
      </Button>{' '}
      {written && <Signed written={written} />}
    </form>
  );
}

/** A rotor that goes to another shop\u2019s lathe: where to, and how it is marked. */
export function SendStep(props: StepProps & { readonly usualMark: string }) {
  const { written, usualMark } = props;
  const { trouble, busy, write } = useStep(props);
  const [to, setTo] = useState('');
  const [mark, setMark] = useState(usualMark);
  if (written) {
    return (
      <div className="my-2 zh-no-print">
        <Button
          type="button"
          variant="outline-secondary"
          disabled={busy}
          onClick={() => write(null)}
        >
          It did not go: take the tag back
        </Button>
        {trouble && <div className="zh-error">{trouble}</div>}
      </div>
    );
  }
  return (
    <form
      className="zh-no-print"
      onSubmit={(event) => {
        event.preventDefault();
        write({ to, mark });
      }}
    >
      <TextField label="Goes to" value={to} error={trouble ?? undefined} onChange={setTo} />
      <TextField label="Marked on the rotor" value={mark} onChange={setMark} />
      <Button type="submit" variant="outline-secondary" disabled={busy}>
        Send it out: block the vehicle, print the tag
      </Button>
    </form>
  );
}
