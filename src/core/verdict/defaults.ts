import type { Celsius, Micrometres } from '../units';

/** Workshop defaults in micrometres and degrees Celsius. Source: handbook 19. */
export const WORKSHOP_DEFAULTS = {
  runout: 50 as Micrometres,
  runoutRigidCaliper: 130 as Micrometres,
  hubFaceRunout: 25 as Micrometres,
  hubFaceRadius: 70_000 as Micrometres,
  hubShareAtRotor: 50 as Micrometres,
  thicknessVariation: 12 as Micrometres,
  taper: 80 as Micrometres,
  /** Standard deviation of a lap's drift. */
  drift: 3 as Micrometres,
  /** Components of orders 2 and 3 as they are known before: standard deviation of hub and rotor. */
  knownBefore: { 2: { hub: 1.5, rotor: 4 }, 3: { hub: 0.5, rotor: 1.2 } },
  /** How a rotor sits on the hub face beside what the dial saw there, a component. */
  seatOnHub: 2 as Micrometres,
  /** Slow turns at most, and where the spread is above `coarse`. */
  turns: { most: 3, mostCoarse: 6, coarse: 1.5 as Micrometres },
  endPlay: 30 as Micrometres,
  wearReserve: 400 as Micrometres,
  cleanUp: 30 as Micrometres,
  arborError: 15 as Micrometres,
  onVehicleResidual: 20 as Micrometres,
  newRotorTolerance: 30 as Micrometres,
  sideToSide: 250 as Micrometres,
  plates: {
    corrections: [60, 120, 180] as readonly Micrometres[],
    referenceRadius: 140_000 as Micrometres,
  },
  maxRoughing: 150 as Micrometres,
  finishing: 50 as Micrometres,
  dialIndicator: { resolution: 1, repeatability: 1 },
  analogueDialIndicator: { resolution: 10, repeatability: 3 },
  micrometer: { resolution: 1, repeatability: 1.5, mpe: 2 },
  /** Out of round of a drum, largest less smallest diameter: the handbook has no figure. */
  drumRound: 100 as Micrometres,
  /** A drum gauge with a dial, as a workshop has it. */
  drumGauge: { repeatability: 10 as Micrometres, mpe: 20 as Micrometres },
} as const;

/** Above this a rotor must cool before it is measured. Source: handbook 3. */
export const HOT_ROTOR: Celsius = 50;
