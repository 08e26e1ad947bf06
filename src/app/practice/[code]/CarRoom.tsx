'use client';

import dynamic from 'next/dynamic';
import type { ComponentProps, ReactNode } from 'react';
import { FindRoom, type CarStages } from '@/features/practice';

const loading = (): ReactNode => <p role="status">Getting it ready …</p>;

/** The stages come when somebody goes to them. */
const STAGES: CarStages = {
  Bench: dynamic(() => import('./CarBench').then(({ CarBench }) => CarBench), { loading }),
  Corner: dynamic(() => import('./CarCorner').then(({ CarCorner }) => CarCorner), { loading }),
  Recording: dynamic(() => import('./CarRecording').then(({ CarRecording }) => CarRecording), {
    loading,
  }),
};

/** A whole car, on the real bench and with a real recording. */
export const CarRoom = (props: Omit<ComponentProps<typeof FindRoom>, 'stages'>) => (
  <FindRoom {...props} stages={STAGES} />
);
