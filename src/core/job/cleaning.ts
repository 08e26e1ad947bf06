import { assessHubFace, compareCleaning, type Cleaning } from '../assessment';
import type { Corner } from '../readings';
import type { Verdict } from '../verdict';
import { judgeCorner } from './judge';
import type { Job } from './types';

/** A corner as found beside the same corner with its seat cleaned. */
export interface CornerCleaning {
  readonly cleaning: Cleaning | null;
  readonly rows: readonly {
    readonly name: string;
    readonly before: Verdict | undefined;
    readonly after: Verdict | undefined;
  }[];
}

/** Compares as-found readings with those taken once the hub face was clean. */
export function cleaningAt(job: Job, corner: Corner): CornerCleaning {
  const [found, cleaned] = [
    judgeCorner(job, corner, 'as-found'),
    judgeCorner(job, corner, 'before'),
  ];
  const hub = ({ record }: typeof found): Verdict | undefined => {
    const set = record.sets.findLast(({ kind }) => kind === 'hub');
    return set?.kind === 'hub' ? assessHubFace(set, record.studs).verdict : undefined;
  };
  return {
    cleaning: compareCleaning(found, cleaned),
    rows: [
      {
        name: 'Lateral runout',
        before: found.assessment.firstRunout?.verdict,
        after: cleaned.assessment.firstRunout?.verdict,
      },
      {
        name: 'Thickness variation (DTV)',
        before: found.assessment.thickness?.dtvVerdict,
        after: cleaned.assessment.thickness?.dtvVerdict,
      },
      { name: 'Hub face runout', before: hub(found), after: hub(cleaned) },
    ],
  };
}
