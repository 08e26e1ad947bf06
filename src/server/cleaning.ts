import { assessHubFace, compareCleaning, type Cleaning } from '../core/assessment';
import type { Corner } from '../core/readings';
import type { Verdict } from '../core/verdict';
import type { JobFile } from '../db/repositories';
import { judgeCorner } from './judge';

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
export function cleaningAt(file: JobFile, corner: Corner): CornerCleaning {
  const [found, cleaned] = [
    judgeCorner(file, corner, 'as-found'),
    judgeCorner(file, corner, 'before'),
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
