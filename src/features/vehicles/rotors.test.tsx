import { fireEvent, render, screen } from '@testing-library/react';
import { rotorsOfCorner, type LifeLine } from '@/core/wear';
import type { RotorCharts as Charts } from '@/server/records/rotorCharts';
import { RotorCharts } from './RotorCharts';
import { RotorLives } from './RotorLives';
import { VehicleSearch } from './VehicleSearch';
import { VerdictChanges } from './VerdictChanges';

const line = (number: number, own: Partial<LifeLine> = {}): Charts['lines'][number] => ({
  ...{ jobId: `j${number}`, number, km: 10_000 * number, before: 27_500 - 150 * number },
  ...{ after: null, what: 'measured', by: null, ...own },
});
const lines = [
  line(1),
  line(2, { what: 'cut', after: 27_000 }),
  line(3, { what: 'renewed', before: 26_100, after: 28_000 }),
  line(4, { before: 27_900 }),
];
const charts: Charts = {
  vehicle: { plate: 'SK-042-K' } as Charts['vehicle'],
  corner: 'FL',
  lines,
  rotors: rotorsOfCorner(lines),
  dtv: [{ number: 1, km: 10_000, value: 8, phase: 'before' }],
  runout: [
    { number: 1, km: 10_000, value: 62, phase: 'before' },
    { number: 1, km: 10_000, value: 18, phase: 'after' },
  ],
  limits: { discard: { value: 26_000, source: 'stamped' } },
  dtvLimit: 12,
  runoutLimit: 50,
  rate: { perKm: 0.02, u: 0.002, source: 'history', count: 4 },
  left: { km: 95_000, low: 80_000, high: 118_000, fromKm: 40_000, thickness: 27_900 },
};

test('a rotor is told in its life, with what is left of the one on the vehicle', () => {
  render(<RotorLives charts={charts} units="mm" padFamily="organic" />);
  expect(screen.getByText('95,000 km')).toBeInTheDocument();
  expect(
    screen.getByText(/95 % sure by these readings: 80,000 km to 118,000 km/),
  ).toBeInTheDocument();
  const [first, second] = screen.getAllByRole('listitem');
  expect(first?.textContent).toMatch(/there when it was first measured.*cut at 20,000 km, job 2/);
  expect(first?.textContent).toMatch(/taken off at 30,000 km, job 3/);
  expect(second?.textContent).toMatch(/on the vehicle.*fitted at 30,000 km, job 3/);
});

test('without a discard thickness nothing is forecast, and it is asked for', () => {
  const bare = { ...charts, limits: {}, left: null };
  render(<RotorLives charts={bare} units="mm" padFamily="organic" />);
  expect(screen.getByText(/discard thickness is not on file/)).toBeInTheDocument();
  expect(screen.queryByText(/95 % sure/)).toBeNull();
});

test('at or below discard thickness is said as that, not as a distance', () => {
  const worn = { ...charts, left: { ...charts.left!, km: 0, low: 0, high: 0 } };
  render(<RotorLives charts={worn} units="mm" padFamily="organic" />);
  expect(screen.getByRole('alert').textContent).toMatch(
    /At or below discard thickness.*must not stay/,
  );
  expect(screen.queryByText(/0 km to|^0 km$/)).toBeNull();
});

test('after a cut that was not measured nothing is forecast', () => {
  render(<RotorLives charts={{ ...charts, left: null }} units="mm" padFamily="organic" />);
  expect(screen.getByText(/was not measured since it was fitted or cut/)).toBeInTheDocument();
});

test('three charts with their numbers as tables, limits in the shop\u2019s units', () => {
  render(<RotorCharts charts={charts} units="mm" />);
  expect(screen.getByText('Minimum thickness')).toBeInTheDocument();
  const [thickness, dtv] = screen.getAllByRole('button', { name: 'Table' });
  fireEvent.click(thickness!);
  const head = screen.getAllByRole('columnheader').map(({ textContent }) => textContent);
  expect(head).toEqual([
    'Odometer (km)',
    ...['rotor 1', 'rotor 2', 'forecast', 'at the fastest', 'at the slowest', 'discard'],
  ]);
  expect(screen.getByRole('row', { name: /^30000\.00 26\.100 28\.000/ })).toBeInTheDocument();
  fireEvent.click(dtv!);
  expect(screen.getAllByText('0.0120').length).toBeGreaterThan(0);
});

test('a rate without a band draws the forecast alone; a thou shop reads inches', () => {
  const plain = { ...charts, rate: { ...charts.rate, u: null, source: 'default' as const } };
  render(<RotorCharts charts={plain} units="thou" />);
  fireEvent.click(screen.getAllByRole('button', { name: 'Table' })[0]!);
  const head = screen.getAllByRole('columnheader').map(({ textContent }) => textContent);
  expect(head).not.toContain('at the fastest');
  expect(screen.getAllByText('1.0236').length).toBeGreaterThan(0);
});

test('changed verdicts are named with their jobs, saved or left', () => {
  const pressed: string[] = [];
  render(
    <VerdictChanges
      changes={[
        {
          ...{ jobId: 'j1', number: 105, corner: 'FL', what: 'runout' },
          ...{ was: 'within', becomes: 'beyond' },
        },
      ]}
      isBusy={false}
      onSave={() => pressed.push('save')}
      onBack={() => pressed.push('back')}
    />,
  );
  expect(screen.getByRole('listitem').textContent).toBe('Job 105, FL runout: within → beyond');
  fireEvent.click(screen.getByRole('button', { name: 'Save with these changes' }));
  fireEvent.click(screen.getByRole('button', { name: 'Back to the figures' }));
  expect(pressed).toEqual(['save', 'back']);
});

test('the search keeps what was looked for', () => {
  render(<VehicleSearch text="sk-04" />);
  expect(screen.getByLabelText('Plate, make or model')).toHaveProperty('value', 'sk-04');
});
