'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { OpenBench, type MeasureBenchProps } from './OpenBench';

// The page is not alive before it: what is typed until then is kept for it, as for every page that is on its way.
// eslint-disable-next-line no-restricted-syntax
const JudgedBench = dynamic(() => import('./JudgedBench').then((module) => module.JudgedBench));

/**
 * The bench of one corner. A corner of which nothing is read yet is there without what judges readings, which follows;
 * one with sets has it with the page.
 */
export function MeasureBench(props: MeasureBenchProps) {
  const [isBegun] = useState(props.sets.length > 0);
  return isBegun ? <JudgedBench {...props} /> : <OpenBench {...props} />;
}
