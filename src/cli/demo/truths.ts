import type { VirtualCorner } from '../../core/bench';
import { orders, type Waves } from './waves';

/** A corner as it truly is: waves of hub, rotor and thickness, mean thickness in µm. */
export const truth = (
  studs: number,
  hub: Waves,
  rotor: Waves,
  meanThickness: number,
  thickness: Waves,
): VirtualCorner => ({
  studs,
  hub: orders(hub),
  rotor: orders(rotor),
  meanThickness,
  thickness: orders(thickness),
});

/** A rotor that moving cures. */
export const indexed = truth(
  5,
  [[28, 40]],
  [
    [30, 292],
    [4, 30],
  ],
  27_310,
  [
    [3, 10],
    [1, 60],
  ],
);
/** One that is cured and measured again. */
export const proven = truth(
  5,
  [[24, 200]],
  [
    [27, 92],
    [3, 100],
  ],
  27_520,
  [
    [2.5, 10],
    [1, 60],
  ],
);
/** A corner without a fault. */
export const sound = (studs: number, thickness: number): VirtualCorner =>
  truth(
    studs,
    [[6, 120]],
    [
      [8, 200],
      [2, 40],
    ],
    thickness,
    [
      [2, 80],
      [1, 20],
    ],
  );
