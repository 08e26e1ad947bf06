import { act, fireEvent, render, screen } from '@testing-library/react';
import type { RoadTestAnalysis } from '@/core/roadtest';
import type { RoadTestOutcome } from '@/workers/roadTestClient';
import { FeltRate } from './FeltRate';
import { FrequencyCard } from './FrequencyCard';
import { MappingForm, type Mapping } from './MappingForm';
import { RecordingCard } from './RecordingCard';
import { RoadTest } from './RoadTest';

const kept: unknown[] = [];
let answer: unknown = { ok: true, value: 'id' };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ name, input }: { name: string; input: unknown }) => {
    if (name === 'road-test') kept.push(input);
    return Promise.resolve(answer);
  },
}));
beforeEach(() => {
  answer = { ok: true, value: 'id' };
});

interface Begun {
  readonly map: unknown;
  readonly diameter: number;
  readonly onProgress: (share: number) => void;
  readonly settle: (outcome: RoadTestOutcome) => void;
}
const begun: Begun[] = [];
jest.mock('@/workers/roadTestClient', () => ({
  warmUp: () => undefined,
  startRoadTest: (
    _file: Blob,
    { map, diameter }: { map: unknown; diameter: number },
    onProgress: Begun['onProgress'],
  ) => {
    let settle: Begun['settle'] = () => undefined;
    const outcome = new Promise<RoadTestOutcome>((resolve) => (settle = resolve));
    begun.push({ map, diameter, onProgress, settle });
    return { outcome, cancel: () => settle({ kind: 'cancelled' }) };
  },
}));

const ANALYSIS: RoadTestAnalysis = {
  samples: 7200,
  rate: 200,
  gaps: 1,
  windows: [{ kind: 'braking', start: 0, end: 5 }],
  axes: [],
  strongest: { axis: 'x', order: 1, amplitude: 0.52 },
  brakingToCoasting: 80,
  peakSpeed: 20,
  reading: 'Order 1 of the wheel is strongest and comes under braking: look at the brakes.',
  spectra: [{ axis: 'x', braking: { step: 0.5, amplitude: [0, 0.1, 0.5] }, coasting: null }],
  bySpeed: [{ speed: 20, kind: 'braking', amplitude: 0.5 }],
};

beforeEach(() => {
  kept.length = 0;
  begun.length = 0;
});

const choose = (name = 'drive.csv'): void => {
  const input = screen.getByLabelText(/Drop a phone/);
  fireEvent.change(input, { target: { files: [new File(['x'], name)] } });
};
const settle = (i: number, outcome: RoadTestOutcome): Promise<void> =>
  act(async () => {
    begun[i]!.settle(outcome);
    await Promise.resolve();
  });

describe('a recording', () => {
  test('shows how far it is, then what it says, and is kept on one press', async () => {
    render(<RecordingCard phase="before" jobId="j" diameter={0.66} unit="km/h" />);
    choose();
    act(() => begun[0]!.onProgress(0.4));
    expect(screen.getByRole<HTMLProgressElement>('progressbar').value).toBeCloseTo(0.4);
    await settle(0, { kind: 'done', analysis: ANALYSIS });
    expect(screen.getByText(ANALYSIS.reading)).toBeInTheDocument();
    expect(screen.getByText('over 50')).toBeInTheDocument();
    expect(screen.getByText('72 km/h')).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Keep it with the job' }));
    expect(await screen.findByText('Kept with the job.')).toBeTruthy();
    expect(kept).toEqual([{ jobId: 'j', phase: 'before', diameter: 0.66, summary: ANALYSIS }]);
  });

  test('is cancelled; a late answer of a file that was replaced is dropped', async () => {
    render(<RecordingCard phase="before" jobId="j" diameter={0.66} unit="km/h" />);
    choose('first.csv');
    choose('second.csv');
    await settle(0, { kind: 'done', analysis: ANALYSIS });
    expect(screen.queryByText(ANALYSIS.reading)).toBeNull();
    expect(screen.getByText(/Reading second.csv/)).toBeInTheDocument();
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: 'Cancel' }));
      await Promise.resolve();
    });
    expect(screen.queryByRole('progressbar')).toBeNull();
  });

  test('that is refused says why, asks for the columns, and keeps what was chosen', async () => {
    render(<RecordingCard phase="before" jobId="j" diameter={0.66} unit="km/h" />);
    choose();
    const problem = { code: 'column', message: 'No column is known as time.', path: '' };
    const refused = { kind: 'refused' as const, problem, header: ['moment', 'forward'] };
    await settle(0, refused);
    expect(screen.getByRole('alert').textContent).toBe(problem.message);
    fireEvent.change(screen.getByLabelText('Time'), { target: { value: 'moment' } });
    fireEvent.click(screen.getByRole('button', { name: 'Read it so' }));
    expect(begun[1]!.map).toEqual({ time: 'moment' });
    await settle(1, refused);
    expect(screen.getByLabelText<HTMLSelectElement>('Time').value).toBe('moment');
  });

  test('that no choice can mend asks for nothing', async () => {
    render(<RecordingCard phase="before" jobId="j" diameter={0.66} unit="km/h" />);
    choose();
    const problem = { code: 'binary', message: 'This is not text.', path: '' };
    await settle(0, { kind: 'refused', problem, header: [] });
    expect(screen.queryByRole('button', { name: 'Read it so' })).toBeNull();
  });
});

test('a column that was chosen can be left to its name again', () => {
  const chosen: Mapping[] = [];
  render(
    <MappingForm
      header={['t', 'a']}
      chosen={{ map: { time: 't' }, units: { speed: 1 } }}
      onChoose={(each) => chosen.push(each)}
      onRead={() => undefined}
    />,
  );
  fireEvent.change(screen.getByLabelText('Time'), { target: { value: '' } });
  fireEvent.change(screen.getByLabelText('Unit of speed'), { target: { value: '' } });
  expect(chosen).toEqual([
    { map: {}, units: { speed: 1 } },
    { map: { time: 't' }, units: {} },
  ]);
});

describe('a felt rate', () => {
  const show = () => render(<FeltRate jobId="j" diameter={0.66} finalDrive={4.1} unit="km/h" />);

  test('that was counted is matched, and what is wrong is said at its field', () => {
    show();
    fireEvent.change(screen.getByLabelText(/^Speed/), { target: { value: '60' } });
    fireEvent.change(screen.getByLabelText(/Or counted/), { target: { value: '16' } });
    expect(screen.getByText('Twice a turn of the wheel.')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Or counted/), { target: { value: '33' } });
    expect(screen.getByText('The rate of the propshaft.')).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/^Speed/), { target: { value: 'fast' } });
    expect(screen.getByText('Write a speed between 5 and 250.')).toBeInTheDocument();
  });

  test('is put on record, or says why not', async () => {
    answer = { ok: false, message: 'This job is not on file any more.', fields: {} };
    show();
    fireEvent.change(screen.getByLabelText(/^Speed/), { target: { value: '60' } });
    fireEvent.change(screen.getByLabelText(/Or counted/), { target: { value: '8' } });
    fireEvent.click(screen.getByRole('button', { name: 'Put it on record' }));
    expect(await screen.findByText(/not on file/)).toBeTruthy();
  });

  test('is tapped with the space bar too', () => {
    show();
    const tap = screen.getByRole('button', { name: /Tap here/ });
    fireEvent.keyDown(tap, { key: ' ' });
    fireEvent.keyDown(tap, { key: ' ', repeat: true });
    fireEvent.keyDown(tap, { key: 'x' });
    expect(tap.textContent).toContain('(1)');
  });
});

test('the table of rates has a row a speed and a column an order', () => {
  render(<FrequencyCard diameter={0.66} finalDrive={3.7} unit="mph" />);
  expect(screen.getByRole('columnheader', { name: 'propshaft', hidden: true })).toBeInTheDocument();
  expect(screen.getByRole('rowheader', { name: '60', hidden: true })).toBeInTheDocument();
});

describe('the page', () => {
  const page = (noDrive: string | null, tyre: string, before: string | null = null) => (
    <RoadTest
      jobId="j"
      tyre={{ tyre, finalDrive: '' }}
      unit="km/h"
      tests={[{ id: 'one', taken: 'today', analysis: ANALYSIS, bytes: 1_500_000 }]}
      noDrive={noDrive}
      before={before}
    />
  );

  test('without a tyre asks for it first and shows what is kept', () => {
    render(page(null, ''));
    expect(screen.getByText(/Enter the tyre first/)).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'The recording (1.5 MB)' })).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Tyre code/), { target: { value: '0,66' } });
    expect(screen.getByText(/rolling diameter 0.660 m/)).toBeInTheDocument();
  });

  test('with the safety text, or with the reason not to drive in its place', () => {
    const { rerender } = render(page(null, '215/65R16'));
    expect(screen.getByText(/A passenger records; the driver drives/)).toBeInTheDocument();
    rerender(page('fluid leaks', '215/65R16'));
    expect(screen.getByRole('alert').textContent).toContain('Do not drive it: fluid leaks.');
    expect(screen.queryByText(/A passenger records/)).toBeNull();
    rerender(page(null, '215/65R16', 'The wheel of FL is not drawn up in the star.'));
    expect(screen.getByRole('alert').textContent).toMatch(
      /^Do not drive it yet\.The wheel of FL is not drawn up in the star\.No road test/,
    );
  });
});
