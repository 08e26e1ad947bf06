import { fireEvent, render, screen } from '@testing-library/react';
import {
  arcPath,
  exaggerationOf,
  outlinePath,
  pointAt,
  RADIUS,
  radiusOf,
  SIDE,
} from '@/core/drawing';
import { RotorFace } from './RotorFace';
import type { RotorFaceProps } from './rotorFaceProps';

const base: RotorFaceProps = {
  corner: 'FL',
  studs: 5,
  fastening: 'studs',
  values: [0, 10, 20, 10],
  limit: 50,
  label: 'Runout',
};
const centre = SIDE / 2;

describe('the sense of the drawing', () => {
  test('theta 90° lies to the right on a left wheel, to the left on a right one', () => {
    expect(pointAt(100, 90, 1)).toEqual({ x: centre + 100, y: centre });
    expect(pointAt(100, 90, -1)).toEqual({ x: centre - 100, y: centre });
    expect(pointAt(100, 0, 1)).toEqual(pointAt(100, 0, -1));
  });

  test.each([
    ['FL', 1],
    ['FR', -1],
    ['RL', 1],
    ['RR', -1],
  ] as const)('position 2 of four on %s', (corner, side) => {
    const { container } = render(<RotorFace {...base} corner={corner} />);
    const dot = container.querySelector('[data-position="2"] circle.dot');
    expect(Math.sign(Number(dot?.getAttribute('cx')) - centre)).toBe(side);
  });

  test('an arc along theta sweeps clockwise on a left wheel', () => {
    expect(arcPath(90, 0, 72, 1)).toMatch(/ 0 0 1 /);
    expect(arcPath(90, 0, 72, -1)).toMatch(/ 0 0 0 /);
    expect(arcPath(90, 0, -72, 1)).toMatch(/ 0 0 0 /);
    expect(arcPath(90, 0, 216, 1)).toMatch(/ 0 1 1 /);
  });
});

describe('the exaggeration', () => {
  test('fills the swing with the larger of readings and limit', () => {
    const small = exaggerationOf([0, 10], 50);
    expect(small).toEqual({ middle: 5, half: 25 });
    const large = exaggerationOf([-100, 100], 50);
    expect(radiusOf(100, large)).toBe(RADIUS.base + RADIUS.swing);
    expect(radiusOf(-100, large)).toBe(RADIUS.base - RADIUS.swing);
    expect(exaggerationOf([], 50).half).toBe(25);
  });
  test('the outline is one closed path', () => {
    const path = outlinePath([0, 1, 2, 1], [0, 90, 180, 270], 1, { middle: 0, half: 10 });
    const [start] = /^M[^C]+/.exec(path) ?? [''];
    expect(path.endsWith(start.slice(1))).toBe(true);
    expect(path).not.toMatch(/NaN/);
  });
});

describe('what it tells', () => {
  test('says in words where the high and the low spot are', () => {
    render(<RotorFace {...base} />);
    const name = screen.getByRole('img').getAttribute('aria-label');
    expect(name).toMatch(/High spot at position 3, low spot at position 1/);
    expect(name).toMatch(/clockwise/);
  });
  test('has no spots while a place is not read', () => {
    const { container } = render(<RotorFace {...base} values={[0, null, 20, 10]} />);
    expect(container.querySelector('.high')).toBeNull();
    expect(container.querySelector('.outline')).toBeNull();
    expect(container.querySelectorAll('.place.read')).toHaveLength(3);
  });
  test('a tapped position is reported', () => {
    const picked = jest.fn();
    const { container } = render(<RotorFace {...base} onPick={picked} />);
    fireEvent.click(container.querySelector('[data-position="3"]')!);
    expect(picked).toHaveBeenCalledWith(2);
  });
  test('a move is drawn only when there is one', () => {
    const still = render(<RotorFace {...base} move={{ from: 0, studs: 0 }} />);
    expect(still.container.querySelector('.move')).toBeNull();
    const moved = render(<RotorFace {...base} move={{ from: 0, studs: -2 }} />);
    expect(moved.container.querySelector('.move')).not.toBeNull();
  });
  test('studs are as many as the hub has, the first one marked', () => {
    const { container } = render(<RotorFace {...base} studs={8} />);
    expect(container.querySelectorAll('.stud')).toHaveLength(8);
    expect(container.querySelectorAll('.stud.first')).toHaveLength(1);
  });
  test('bolt holes are called holes', () => {
    render(<RotorFace {...base} fastening="bolts" />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/hole 1/);
  });
});

test('places are one stop of the Tab key, walked by arrows and picked by Enter', () => {
  const picked = jest.fn();
  render(<RotorFace {...base} values={[0, 1, null, null]} onPick={picked} active={2} />);
  const places = screen.getAllByRole('button');
  expect(places.map((place) => place.getAttribute('tabindex'))).toEqual(['-1', '-1', '0', '-1']);
  expect(places[2]).toHaveAccessibleName('Position 3, not read');
  places[2]!.focus();
  fireEvent.keyDown(places[2]!, { key: 'ArrowRight' });
  expect(places[3]).toHaveFocus();
  fireEvent.keyDown(places[3]!, { key: 'Home' });
  expect(places[0]).toHaveFocus();
  expect(places[0]).toHaveAttribute('tabindex', '0');
  fireEvent.keyDown(places[0]!, { key: 'Enter' });
  expect(picked).toHaveBeenCalledWith(0);
});

test('a rotor that is only looked at has nothing to press', () => {
  render(<RotorFace {...base} />);
  expect(screen.queryAllByRole('button')).toEqual([]);
  expect(screen.getByRole('img')).toBeInTheDocument();
});
