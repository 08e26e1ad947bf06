import type { TorqueFigureForm } from '@/core/contracts';
import { keepCheck, keepWrite, type CheckInput, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Writes a step of rebuild or proof, or takes it back; answers with its stamp. */
export const writeStep = (input: CheckInput): Promise<KeptAnswer<string | null>> =>
  keepCheck(input, refresh);

export const torqueFigurePlace = (
  form: Pick<TorqueFigureForm, 'jobId' | 'axle' | 'fastener'>,
): string => `torque-figure ${form.jobId} ${form.axle} ${form.fastener}`;

/** Writes a torque figure with its source. */
export const writeTorqueFigure = (form: TorqueFigureForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'torque-figure',
    input: form,
    place: torqueFigurePlace(form),
    jobId: form.jobId,
    replaces: { room: 'shop', as: 'shown' },
    about: `the torque figure of ${form.fastener.replace(/-/g, ' ')}`,
    refresh,
  });

/** Writes the order that the vehicle is bled in. */
export const writeBleedOrder = (form: {
  readonly jobId: string;
  readonly order: string;
  readonly source: string;
}): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'bleed-order',
    input: form,
    place: `bleed-order ${form.jobId}`,
    jobId: form.jobId,
    replaces: { room: 'vehicle', as: 'typed' },
    about: 'the order of bleeding',
    refresh,
  });

/** Marks a part of the tray as back on, or as off again. */
export const writePartBack = (
  jobId: string,
  id: string,
  isBack: boolean,
): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'part-back',
    input: { id, isBack },
    place: `part-back ${id}`,
    jobId,
    about: isBack ? 'a part back on' : 'a part off again',
    refresh,
  });

/** Writes a bedding-in programme as the shop’s own. */
export const writeProgramme = (school: string, programme: unknown): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'programme',
    input: { school, programme },
    place: `programme ${school}`,
    jobId: null,
    replaces: { room: 'shop', as: 'typed' },
    about: 'a bedding-in programme',
    refresh,
  });
