import type { SignedAs } from '../schema/jobs';
import type { TorqueFigureRow } from './torque';
import type { AxleRow } from './vehicles';

/** The figures of a job file that its verdicts rest on. */
interface Figures {
  readonly vehicle: { readonly axles: readonly AxleRow[] };
  readonly torque: readonly TorqueFigureRow[];
  readonly shopRules: unknown;
  readonly shop: unknown;
}

/** What the verdicts of a job rest on now, as it is kept when it is signed off. */
export const asSigned = ({ vehicle, torque, shopRules, shop }: Figures): SignedAs => ({
  axles: vehicle.axles.map((axle) => ({
    ...axle,
    limits: axle.limits.map((limit) => ({ ...limit, at: limit.at?.toISOString() ?? null })),
  })),
  torque: torque.map((figure) => ({ ...figure, at: figure.at.toISOString() })),
  rules: shopRules ?? null,
  shop: shop ?? null,
});

/** The axles that a job was signed off with. */
export const axlesAsSigned = ({ axles }: SignedAs): AxleRow[] =>
  axles.map((axle) => ({
    ...axle,
    limits: axle.limits.map((limit) => ({
      ...limit,
      at: limit.at === null ? null : new Date(limit.at),
    })),
  }));

/** The torque figures that a job was signed off with. */
export const torqueAsSigned = ({ torque }: SignedAs): TorqueFigureRow[] =>
  torque.map((figure) => ({ ...figure, at: new Date(figure.at) }));
