import { NextLink, NextThing } from '@/ui/shell';
import { DoneTick } from './CorrectStep';

interface CorrectFirstProps {
  readonly jobId: string;
  readonly corner: string;
  readonly open: { readonly words: string; readonly asksMore: boolean };
  /** What begins once it is done. */
  readonly then: string;
}

/** What was decided for a corner comes first: ticked here, or begun on its own page. */
export function CorrectFirst({ jobId, corner, open, then }: CorrectFirstProps) {
  return (
    <NextThing todo={open.words} why={`${then} begins once that is ticked as done.`}>
      {open.asksMore ? (
        <NextLink href={`/jobs/${jobId}/correct/${corner}`}>Correct {corner}</NextLink>
      ) : (
        <DoneTick jobId={jobId} corner={corner} written={null} />
      )}
    </NextThing>
  );
}
