'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { SetToolsProps } from './SetTools';

const SetTools = dynamic(() => import('./SetTools').then((module) => module.SetTools), {
  loading: () => null,
  ssr: false,
});

/** The fold that holds what can be done with sets; it is loaded when it is opened. */
export function SetToolsFold(props: SetToolsProps) {
  const [isOpened, setIsOpened] = useState(false);
  return (
    <details
      className="mt-3"
      onToggle={(event) => {
        if (event.currentTarget.open) setIsOpened(true);
      }}
    >
      <summary className="py-2">Compare, set aside, CSV in and out</summary>
      {isOpened && <SetTools {...props} />}
    </details>
  );
}
