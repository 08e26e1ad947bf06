import { render, screen, within } from '@testing-library/react';
import type { FastenerView } from './TorqueList';
import { TorqueSheet } from './TorqueSheet';

const figure = (nm: number, angle = 0) => ({
  ...{ nm, source: 'maker' as const, angle, treatment: '', oneUse: angle > 0, by: null },
});
const fastener = (of: Partial<FastenerView>): FastenerView => ({
  ...{ code: 'bracket-bolts', name: 'Bracket bolts', say: '', stages: [1], product: 'clean, dry' },
  ...{ figure: null, pulled: null, stamp: null },
  ...of,
});

test('on paper every nut of the wheel has its box in each stage, in the order of the star', () => {
  render(
    <TorqueSheet
      {...{ corner: 'FL', count: 5, fastening: 'studs', unit: 'N·m', kept: 'this vehicle' }}
      fasteners={[
        fastener({ figure: figure(105, 30) }),
        fastener({ code: 'hose', name: 'Hose bolt' }),
        fastener({
          ...{ code: 'bearing-nut', name: 'Bearing nut', figure: figure(30) },
          say: 'Seat the bearing, then back off.',
        }),
        fastener({
          ...{ code: 'wheel-nuts', name: 'Wheel nuts', stages: [0.4, 1, 1] },
          figure: { ...figure(120), forAnyWheel: true },
        }),
      ]}
    />,
  );
  const row = (name: RegExp) => screen.getByRole('row', { name, hidden: true });
  expect(row(/^Bracket bolts/)).toHaveTextContent('105 N·m → + 30°');
  expect(row(/^Bracket bolts/)).toHaveTextContent('renewed each time');
  // A figure that nobody entered is not made up.
  expect(row(/^Hose bolt/)).toHaveTextContent('no figure yet');
  // What a bare figure would hide: a bearing is backed off, and where a figure is from.
  expect(row(/^Bearing nut/)).toHaveTextContent('then back off');
  expect(row(/^Bearing nut/)).toHaveTextContent('maker’s service information');
  const nuts = row(/^Wheel nuts/);
  expect(nuts).toHaveTextContent('before it was known what these wheels are made of');
  expect(nuts).toHaveTextContent('48 N·m → 120 N·m → 120 N·m');
  const boxes = within(nuts).getAllByRole('cell', { hidden: true }).at(-1)!;
  expect(boxes.textContent.match(/\u2610/g)).toHaveLength(15);
  expect(boxes.textContent.replace(/[^\d]/g, '')).toBe('135241352413524');
});
