import { act, fireEvent, render, screen } from '@testing-library/react';
import type { GaugeRow } from '@/server/measure/gauges';
import { GaugeBook } from './GaugeBook';

const written: unknown[] = [];
const removed: string[] = [];
let answer: unknown = { ok: true, value: 'g' };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ name, input }: { name: string; input: { id: string } }) => {
    if (name === 'gauge') written.push(input);
    else removed.push(input.id);
    return Promise.resolve(answer);
  },
}));

const gauge: GaugeRow = {
  id: 'g',
  name: 'Dial 3',
  kind: 'dial',
  resolutionUm: 10,
  repeatabilityUm: 3,
  mpeUm: null,
  due: '2031-01-31',
  unit: null,
  turned: true,
  lineFormat: null,
  isUsual: true,
  createdAt: new Date(0),
  retiredAt: null,
};
const book = (gauges: readonly GaugeRow[], today = '2031-01-31') =>
  render(<GaugeBook gauges={gauges} units="mm" today={today} />);
const press = async (name: string | RegExp): Promise<void> => {
  fireEvent.click(screen.getByRole('button', { name }));
  await act(async () => Promise.resolve());
};
const type = (label: RegExp | string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};

test('says what is used while no gauge is on file', () => {
  book([]);
  expect(screen.getByText(/workshop defaults are used/)).toBeInTheDocument();
});

test('each gauge says what it settles and for what it is too coarse', () => {
  const { unmount } = book([gauge]);
  expect(
    screen.getByText(
      /With 6 slow turns a runout that lies 0\.0073 mm or more from its limit is settled: fit for limits from 0\.037 mm on\./,
    ),
  ).toBeInTheDocument();
  unmount();
  book([{ ...gauge, kind: 'micrometer', resolutionUm: 10 }]);
  expect(screen.getByText(/With 16 readings .* too coarse for 0\.012 mm\./)).toBeInTheDocument();
});

test('a calibration counts to the end of its day', () => {
  const { unmount } = book([gauge]);
  expect(screen.queryByText(/calibration ran out/)).toBeNull();
  unmount();
  book([gauge], '2031-02-01');
  expect(screen.getByText('calibration ran out on 2031-01-31')).toBeInTheDocument();
  expect(
    screen.getByText(/steps of 0.01 mm, repeats to 0.003 mm, the usual one/),
  ).toBeInTheDocument();
});

test('a gauge is changed as it stands, and refused at its field without losing anything', async () => {
  book([gauge]);
  await press(/^Change/);
  answer = {
    ok: false,
    message: 'Enter the resolution.',
    fields: { resolution: 'Enter the resolution.' },
  };
  type(/Smallest step/, '');
  await press('Keep this gauge');
  expect(screen.getByText('Enter the resolution.')).toBeInTheDocument();
  expect(screen.getByLabelText<HTMLInputElement>(/Name or number/).value).toBe('Dial 3');
  answer = { ok: true, value: 'g' };
  type(/Smallest step/, '0.002');
  await press('Keep this gauge');
  expect(written.at(-1)).toMatchObject({
    id: 'g',
    resolution: '0.002',
    turned: true,
    due: '2031-01-31',
  });
  expect(screen.queryByLabelText(/Smallest step/)).toBeNull();
});

test('the lines of a cable are learned and shown as they read; what cannot be is said', async () => {
  book([]);
  await press('Add a gauge');
  type('Lines of the gauge', 'D+00012');
  await press('Learn the format');
  expect(screen.getByRole('alert').textContent).toMatch(/two different readings/);
  type('Lines of the gauge', 'D+00012\nD-00004');
  type(/The display shows/, '-0.004');
  await press('Learn the format');
  expect(screen.getByText('0.012 mm')).toBeInTheDocument();
  expect(screen.getByText('-0.004 mm')).toBeInTheDocument();
  type('Name or number on it', 'D');
  await press('Keep this gauge');
  expect(written.at(-1)).toMatchObject({ lineFormat: { figure: 0, tens: 3, turned: false } });
});

test('a gauge goes out of use', async () => {
  book([gauge]);
  await press(/Out of use/);
  expect(removed).toEqual(['g']);
});

test('in thousandths of an inch nothing is lost by opening and keeping', async () => {
  render(<GaugeBook gauges={[gauge]} units="thou" today="2031-01-01" />);
  await press(/^Change/);
  await press('Keep this gauge');
  const kept = written.at(-1) as { resolution: string; repeatability: string };
  expect(Number(kept.resolution) * 25.4).toBeCloseTo(10, 4);
  expect(Number(kept.repeatability) * 25.4).toBeCloseTo(3, 4);
});
