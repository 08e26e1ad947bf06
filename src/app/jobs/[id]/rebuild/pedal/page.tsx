import type { Metadata } from 'next';
import { pedalBlockers } from '@/core/procedure';
import { PedalStop } from '@/features/rebuild/PedalStop';
import { findCheck, HOLD_SECONDS, readinessOf, rulesOf } from '@/core/job';
import { secondsHeld } from '@/server/job/holdClock';
import { stepView } from '@/server/rebuild/rebuildView';
import { Here } from '@/app/Here';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'The pedal stop' };

export default async function PedalPage(props: JobParams) {
  const { id, job } = await openJobPage(props);
  const state = readinessOf(job);
  const stored = (item: string) => stepView(findCheck(job, 'pedal', '', item));
  const counts = (item: string, isValid: boolean) => (isValid ? stored(item) : null);
  const loose = pedalBlockers(state);
  const rule = rulesOf(job).find((each) => each.rule.code === 'pumping');
  const who = <Here isWhole />;
  return (
    <PedalStop
      jobId={id}
      firm={counts('firm', state.pedal.firm)}
      held={counts('held', state.pedal.held !== null)}
      level={counts('level', state.pedal.level)}
      stored={{
        firm: stored('firm'),
        hold: stored('hold'),
        held: stored('held'),
        level: stored('level'),
      }}
      begun={secondsHeld(job)}
      holdSeconds={HOLD_SECONDS}
      loose={loose.length === 0 ? null : loose.map(({ say }) => say).join(' ')}
      rule={rule?.school.say ?? ''}
      moved={state.pistonsMoved}
      who={who}
    />
  );
}
