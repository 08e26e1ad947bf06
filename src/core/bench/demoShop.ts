import { NEW_SHOP, type Shop } from '../options';

const price = (parts: number, minutes: number, away = 0) => ({ parts, minutes, away });

/** The invented list of the demo workshop, in crowns. */
export const DEMO_SHOP: Shop = {
  prices: {
    currency: 'crowns',
    hourly: 72,
    comeback: 420,
    items: {
      clean: price(3, 12),
      index: price(0, 12),
      plate: price(38, 25),
      bench: price(0, 40),
      'on-vehicle': price(0, 35),
      rotor: price(84, 18, 20),
      hub: price(165, 95, 44),
      pads: price(62, 15),
      hardware: price(14, 5),
      fluid: price(18, 35),
      pins: price(16, 20),
      bracket: price(75, 25, 20),
      hose: price(28, 30, 20),
      caliper: price(140, 50, 20),
      nuts: price(22, 10),
      bedding: price(0, 25),
      degrease: price(4, 10),
      fixing: price(12, 20),
      'right-part': price(0, 20),
      master: price(120, 70, 20),
      drum: price(58, 35, 20),
      'drum-cut': price(0, 30, 0),
      shoes: price(64, 70, 0),
      adjust: price(0, 30),
      abs: price(48, 30, 20),
      'tyre-wheel': price(6, 20),
      joint: price(52, 60, 20),
      driveline: price(180, 90, 44),
    },
  },
  equipment: { ...NEW_SHOP.equipment, padNew: 11_000, padMinimum: 3000, padWear: 2200 },
};
