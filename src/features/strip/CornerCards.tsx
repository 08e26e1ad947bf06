'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { useState } from 'react';
import { LookCounts } from '@/ui/verdict';
import { useSend } from '@/ui/field';
import { copyPlan } from './writes';
import photos from '@/ui/shell/photos.module.css';

/** How far the work at a corner is. */
export interface CornerProgress {
  readonly corner: string;
  readonly name: string;
  readonly steps: number;
  readonly stepsDone: number;
  readonly items: number;
  readonly looked: number;
  readonly wrong: number;
  readonly inTray: number;
  /** The corner on the other side where it is part of the job. */
  readonly other: string | null;
}

interface CornerCardsProps {
  readonly jobId: string;
  readonly corners: readonly CornerProgress[];
}

/** The corners of a job with how far each is, and the ways into its work. */
export function CornerCards({ jobId, corners }: CornerCardsProps) {
  const [said, setSaid] = useState<string | null>(null);
  const { send, busy, trouble } = useSend(copyPlan);
  const copy = (from: string, to: string): void =>
    send([jobId, from], (lines) =>
      setSaid(
        `${lines} lines of the plan now stand at ${to} too. What was found stays at ${from}.`,
      ),
    );
  return (
    <>
      <div className={photos.cornerCards}>
        {corners.map((each) => (
          <section key={each.corner} className="zh-card" aria-label={each.name}>
            <h3>
              <span className="zh-figure">{each.corner}</span> {each.name}
            </h3>
            <p className="mb-1">
              {each.stepsDone} of {each.steps} steps
              {each.inTray > 0 && ` · ${each.inTray} in the tray`}
            </p>
            <LookCounts
              notLooked={each.items - each.looked}
              sound={each.looked - each.wrong}
              wrong={each.wrong}
            />
            <div className="d-flex flex-wrap gap-2">
              <ButtonLink variant="outline-secondary" href={`/jobs/${jobId}/strip/${each.corner}`}>
                Step by step
              </ButtonLink>
              <ButtonLink
                variant="outline-secondary"
                href={`/jobs/${jobId}/strip/${each.corner}/findings`}
              >
                Findings
              </ButtonLink>
              {each.other !== null && (
                <Button
                  type="button"
                  variant="link"
                  disabled={busy}
                  onClick={() => copy(each.corner, each.other ?? '')}
                >
                  Same plan for {each.other}
                </Button>
              )}
            </div>
          </section>
        ))}
      </div>
      {(trouble ?? said) && (
        <p role="status" className="mt-2 mb-0">
          {trouble ?? said}
        </p>
      )}
    </>
  );
}
