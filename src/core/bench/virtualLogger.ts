import type { RandomSource } from '../numeric';

/** A shake that turns with the wheel, or does not: order and m/s² peak. */
export interface TrueShake {
  readonly order: number;
  readonly amplitude: number;
  readonly during: 'braking' | 'always';
  readonly axis: 'x' | 'y' | 'z';
}

/** A part of a drive: from one speed to another (m/s) in a time (s). */
export interface DrivePart {
  readonly from: number;
  readonly to: number;
  readonly seconds: number;
}

export interface VirtualDrive {
  readonly parts: readonly DrivePart[];
  /** Rolling diameter in metres. */
  readonly diameter: number;
  readonly shakes: readonly TrueShake[];
  /** Standard deviation of noise on each axis, m/s². */
  readonly noise: number;
  readonly rate: number;
  /** Standard deviation of the stamps in steps. */
  readonly jitter?: number;
  /** Share by which the logged speed is wrong, e.g. 0.03. */
  readonly speedError?: number;
  /** Seconds between speeds in the log; every row when left out. */
  readonly speedEvery?: number;
  /** Seconds of a pause of the logger: start and length. */
  readonly gap?: readonly [number, number];
  /** Second at which the vehicle meets a bump. */
  readonly bump?: number;
}

const GRAVITY = 9.81;
/** A bump: its height in m/s² and its length in seconds. */
const BUMP = 6;
const BUMP_SECONDS = 0.12;
/** How far gravity's axis is tilted against the phone's z. */
const TILT = 0.2;

/** Deceleration of a part in m/s². */
const slowing = ({ from, to, seconds }: DrivePart): number => (from - to) / seconds;

/** A phone's log of a drive whose truth is known, as CSV text in m/s² and km/h. */
export function logDrive(drive: VirtualDrive, random: RandomSource): string {
  const rows = ['time (s),ax (m/s^2),ay (m/s^2),az (m/s^2),speed (km/h)'];
  const step = 1 / drive.rate;
  let time = 0;
  let turns = 0;
  let spoken = -Infinity;
  for (const part of drive.parts) {
    const braked = slowing(part) > 1;
    for (let i = 0; i < part.seconds * drive.rate; i += 1) {
      const speed = part.from + ((part.to - part.from) * i) / (part.seconds * drive.rate);
      turns += (speed * step) / (Math.PI * drive.diameter);
      const axes = { x: -slowing(part), y: GRAVITY * TILT, z: GRAVITY * Math.sqrt(1 - TILT ** 2) };
      for (const shake of drive.shakes) {
        if (shake.during === 'braking' && !braked) continue;
        axes[shake.axis] += shake.amplitude * Math.cos(2 * Math.PI * shake.order * turns);
      }
      const sinceBump = time - (drive.bump ?? Infinity);
      if (sinceBump >= 0 && sinceBump < BUMP_SECONDS) {
        axes.z += BUMP * Math.sin((Math.PI * sinceBump) / BUMP_SECONDS);
      }
      const isSpoken = time - spoken >= (drive.speedEvery ?? 0) - 1e-9;
      if (isSpoken) spoken = time;
      const said = isSpoken ? (speed * 3.6 * (1 + (drive.speedError ?? 0))).toFixed(3) : '';
      const stamp = time + (drive.jitter ?? 0) * step * random.normal() * 0.2;
      const inGap = drive.gap && time >= drive.gap[0] && time < drive.gap[0] + drive.gap[1];
      if (!inGap) {
        const noisy = (['x', 'y', 'z'] as const).map((axis) =>
          (axes[axis] + drive.noise * random.normal()).toFixed(4),
        );
        rows.push(`${Math.max(0, stamp).toFixed(5)},${noisy.join(',')},${said}`);
      }
      time += step;
    }
  }
  return `${rows.join('\n')}\n`;
}
