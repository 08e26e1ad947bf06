'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useState } from 'react';
import { Progress } from '@/ui/Progress';
import { askProgress, cancelCopy, type Progress as CopyStands } from './requests';

const ASK_EVERY_MS = 400;

/** How far the copy has come that is being made just now, whoever asked for it, and the way to end it. */
export function CopyProgress({ isAsked }: { readonly isAsked: boolean }) {
  const [progress, setProgress] = useState<CopyStands | null>(null);
  useEffect(() => {
    if (!isAsked) return;
    let isOpen = true;
    const timer = setInterval(() => {
      void askProgress().then((answer) => {
        if (isOpen && answer.ok) setProgress(answer.value);
      });
    }, ASK_EVERY_MS);
    return () => {
      isOpen = false;
      clearInterval(timer);
      setProgress(null);
    };
  }, [isAsked]);
  if (!progress) return null;
  const now = Math.round(progress.share * 100);
  return (
    <div className="mt-3">
      <p className="mb-1" role="status">
        {progress.says} …
      </p>
      {/* Some steps cannot say how far they are. */}
      {now > 0 && <Progress name={progress.says} now={now} max={100} />}
      <Button
        type="button"
        variant="outline-secondary"
        className="mt-2"
        onClick={() => void cancelCopy()}
      >
        Cancel the copy
      </Button>
    </div>
  );
}
