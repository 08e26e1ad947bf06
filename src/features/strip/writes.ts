import type { TrayChangeForm, TrayPartForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';
import type { TrayLines } from './model';

const refresh = 'by-writer';

/** A check that was written, with its stamp: enough to take it back as it stands. */
export interface WrittenLook {
  readonly item: string;
  readonly stamp: string;
}

/** Writes everything of a corner that was not looked at as sound. */
export const writeAllSound = (
  jobId: string,
  corner: string,
): Promise<KeptAnswer<readonly WrittenLook[]>> =>
  keepWrite({
    name: 'looks-sound',
    input: { jobId, corner },
    place: `looks-sound ${jobId} ${corner} ${crypto.randomUUID()}`,
    jobId,
    about: `${corner}: the rest looked at, all sound`,
    refresh,
  });

/** Takes back what was written as sound in one go. */
export const takeSoundBack = (
  jobId: string,
  stamps: readonly string[],
): Promise<KeptAnswer<number>> =>
  keepWrite({
    name: 'looks-back',
    input: { jobId, stamps },
    place: `looks-back ${jobId} ${stamps[0] ?? ''}`,
    jobId,
    about: 'looks taken back',
    refresh,
  });

/** Copies the plan of a corner to the other side. */
export const copyPlan = (jobId: string, corner: string): Promise<KeptAnswer<number>> =>
  keepWrite({
    name: 'plan-copy',
    input: { jobId, corner },
    place: `plan-copy ${jobId} ${corner}`,
    jobId,
    about: `the plan of ${corner} copied across`,
    refresh,
  });

/** Puts a part in the tray, once however often it is sent. */
export const takeOffPart = (part: TrayPartForm): Promise<KeptAnswer<unknown>> => {
  const id = crypto.randomUUID();
  return keepWrite({
    name: 'part-off',
    input: { ...part, id },
    place: `part ${id}`,
    jobId: part.jobId,
    about: `${part.corner}: ${part.name} in the tray`,
    refresh,
  });
};

/** The place of a line of a part among everything that can be written. */
export const partLinesPlace = (partId: string, lines: string): string =>
  `part-lines ${partId} ${lines}`;

/** Changes lines of a part in the tray; answers with how they stand where another wrote them. */
export const changePart = (
  jobId: string,
  change: TrayChangeForm,
): Promise<KeptAnswer<{ readonly kept: boolean; readonly part: TrayLines }>> =>
  keepWrite({
    name: 'part-change',
    input: change,
    place: partLinesPlace(change.partId, Object.keys(change.change).join(' ')),
    jobId,
    about: 'a part in the tray',
    refresh,
  });

/** Takes a part out as if it had never been put there. */
export const dropPart = (jobId: string, id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'part-drop',
    input: { id },
    place: `part ${id}`,
    jobId,
    about: 'a part taken out of the tray',
    refresh,
  });

/** Takes a photo back. */
export const takePhotoBack = (jobId: string, id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'photo-back',
    input: { jobId, id },
    place: `photo ${id}`,
    jobId,
    about: 'a photo taken back',
    refresh,
  });

/** Keeps a photo of a corner or a part, its pictures as text. */
export const writePhoto = (photo: {
  readonly jobId: string;
  readonly corner: string;
  readonly partId: string | null;
  readonly caption: string;
  readonly picture: string;
  readonly thumb: string;
}): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'photo',
    input: photo,
    place: `photo new ${crypto.randomUUID()}`,
    jobId: photo.jobId,
    about: `${photo.corner}: a photo`,
  });
