'use client';

import type { OutboxStatus } from './outbox';

const words = (status: OutboxStatus): string => {
  switch (status.state) {
    case 'saved':
      return 'All readings are saved.';
    case 'saving':
      return 'Saving …';
    case 'waiting':
      return `${status.count} ${status.count === 1 ? 'reading waits' : 'readings wait'} on this device for the server. Go on; they are sent when it answers.`;
    case 'refused':
      return `The server refused a reading: ${status.message}`;
  }
};

/** Whether what was typed is on the server's disk. */
export function SaveStatus({ status }: { status: OutboxStatus }) {
  const isCalm = status.state === 'saved' || status.state === 'saving';
  return (
    <p
      className={`mb-0 mt-2 ${isCalm ? 'zh-muted' : 'zh-error'}`}
      role={isCalm ? undefined : 'alert'}
      data-save-state={status.state}
    >
      {words(status)}
    </p>
  );
}
