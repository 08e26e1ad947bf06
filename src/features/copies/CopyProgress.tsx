'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useState } from 'react';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { askProgress, cancelCopy, type Progress } from './requests';

const ASK_EVERY_MS = 400;

/** How far the copy has come that is being made just now, whoever asked for it, and the way to end it. */
export function CopyProgress({ isAsked }: { readonly isAsked: boolean }) {
  const [progress, setProgress] = useState<Progress | null>(null);
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
      {now > 0 && (
        <ProgressBar now={now} visuallyHidden label={`${now} %`} aria-label={progress.says} />
      )}
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
