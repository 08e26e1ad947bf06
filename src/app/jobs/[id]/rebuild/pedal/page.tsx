import type { Metadata } from 'next';
import { pedalHindrances } from '@/core/procedure';
import { WhoIsHere } from '@/features/people/WhoIsHere';
import { PedalStop } from '@/features/rebuild/PedalStop';
import { allPeople } from '@/server/people';
import { findCheck, rulesOf } from '@/server/procedure';
import { closingOf, HOLD_SECONDS, secondsHeld } from '@/server/rebuild';
import { stepView } from '@/server/rebuildView';
import { whoIsHere } from '@/server/who';
import { openJobPage, type JobParams } from '../../open';

export const metadata: Metadata = { title: 'The pedal stop' };

export default async function PedalPage(props: JobParams) {
  const { id, file } = await openJobPage(props);
  const state = closingOf(file);
  const stored = (item: string) => stepView(findCheck(file, 'pedal', '', item));
  const counts = (item: string, isValid: boolean) => (isValid ? stored(item) : null);
  const loose = pedalHindrances(state);
  const rule = rulesOf(file).find((each) => each.rule.code === 'pumping');
  const who = <WhoIsHere people={await allPeople()} here={(await whoIsHere())?.id ?? null} />;
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
      begun={secondsHeld(file)}
      holdSeconds={HOLD_SECONDS}
      loose={loose.length === 0 ? null : loose.map(({ say }) => say).join(' ')}
      rule={rule?.school.say ?? ''}
      moved={state.pistonsMoved}
      who={who}
    />
  );
}
