import { pullsOf, starOrder, WHEEL_STAGES, type Pull } from '@/core/torque';
import { formatTorque, parseTorque, type TorqueUnit } from '@/core/units';

/** A step as it was written, or null while it is open. */
export interface StepView {
  readonly value: unknown;
  readonly note: string | null;
  readonly by: string | null;
  readonly at: string;
  readonly stamp: string;
}

/** How a wheel stands in its star. */
export interface StarState {
  /** The pull that is next; null once all are made. */
  readonly next: Pull | null;
  readonly made: number;
  readonly of: number;
  /** Nuts that are pulled in the stage that runs, or in the last one. */
  readonly inStage: readonly number[];
  readonly stage: number;
}

/** Where a wheel of so many nuts stands after so many pulls. */
export function starState(count: number, made: number): StarState {
  const pulls = pullsOf(count, WHEEL_STAGES.length);
  const next = pulls[made] ?? null;
  const stage = next?.stage ?? WHEEL_STAGES.length - 1;
  const inStage = pulls.slice(0, made).filter((pull) => pull.stage === stage);
  return { next, made, of: pulls.length, inStage: inStage.map(({ nut }) => nut), stage };
}

/** What a stage is called: its share of the figure, or the check. */
export function stageName(stage: number, torqueNm: number | null, unit: TorqueUnit): string {
  const share = WHEEL_STAGES[stage] ?? 1;
  const isCheck = stage === WHEEL_STAGES.length - 1;
  const figure = torqueNm === null ? '' : `, ${formatTorque(share * torqueNm, unit)}`;
  return isCheck ? `check at full torque${figure}` : `${Math.round(share * 100)} %${figure}`;
}

/** What a wrench that types sent: nothing for a bare Enter; a message where it is no torque. */
export function readPull(
  text: string,
  unit: TorqueUnit,
):
  | { readonly ok: true; readonly nm: number | null }
  | { readonly ok: false; readonly message: string } {
  if (text.trim() === '') return { ok: true, nm: null };
  const read = parseTorque(text, unit);
  return read.ok
    ? { ok: true, nm: read.torque.value as number }
    : { ok: false, message: read.message };
}

/** Why the reading of one pull stands out, in words; null where it does not. */
export function pullAmiss(
  nm: number | null,
  torqueNm: number | null,
  stage: number,
): string | null {
  const share = WHEEL_STAGES[stage] ?? 1;
  if (nm === null || torqueNm === null || share < 1) return null;
  const off = nm / torqueNm - 1;
  if (Math.abs(off) <= 0.06) return null;
  return `The last nut read ${Math.abs(Math.round(off * 100))} % ${off > 0 ? 'over' : 'under'} its figure: back it off and pull it again, or check the wrench.`;
}

/** The line through the nuts in the order of the star, as indices from 0. */
export const starLine = (count: number): number[] => starOrder(count);

/** Seconds as minutes and seconds. */
export const sayTime = (seconds: number): string => {
  const whole = Math.max(0, Math.ceil(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** A typed figure within bounds, comma or point; null where it is none. */
export function figureOf(text: string, low: number, high: number): number | null {
  const tidy = text.trim().replace(',', '.').replace('−', '-');
  if (!/^-?\d+(\.\d+)?$/.test(tidy)) return null;
  const value = Number(tidy);
  return value >= low && value <= high ? value : null;
}
