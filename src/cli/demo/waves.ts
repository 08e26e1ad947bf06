import type { VirtualCorner } from '../../core/bench';

/** Amplitude (µm) and high spot (°) of orders 1, 2, 3 ... */
export type Waves = readonly (readonly [number, number])[];

/** Waves as the orders of a virtual corner. */
export const orders = (waves: Waves): VirtualCorner['hub'] =>
  waves.map(([amplitude, highSpotDeg], i) => ({ order: i + 1, amplitude, highSpotDeg }));
