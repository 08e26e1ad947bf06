import { act, fireEvent, render, screen } from '@testing-library/react';
import { CutResult } from './CutResult';
import { SendStep, ThicknessStep, TickStep } from './CorrectStep';
import { judgeFinished } from './model';

const sent: Record<string, unknown>[] = [];
let answer: unknown = { ok: true, value: 's' };
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: Record<string, unknown> }) => {
    sent.push(input);
    return Promise.resolve(answer);
  },
}));
beforeEach(() => {
  sent.length = 0;
  answer = { ok: true, value: 's' };
});
const press = async (name: string | RegExp): Promise<void> => {
  fireEvent.click(screen.getByRole('button', { name }));
  await act(async () => Promise.resolve());
};
const own = { jobId: 'j', corner: 'FL' } as const;
const written = { text: '27.3', by: 'Tobiah', at: '3 Jan 10:00', stamp: 'old' };

test('a tick is signed, and taken back with the stamp that was seen', async () => {
  const { rerender } = render(
    <TickStep {...own} item="done" written={null} label="Done at FL" isMain />,
  );
  await press('Done at FL');
  rerender(<TickStep {...own} item="done" written={written} label="Done at FL" isMain />);
  expect(screen.getByText(/Tobiah 3 Jan/)).toBeInTheDocument();
  await press(/Done at FL/);
  expect(sent).toMatchObject([
    { item: 'done', value: 'done', seen: null },
    { item: 'done', value: null, seen: 'old' },
  ]);
});

test('a refusal is said where it was pressed', async () => {
  answer = { ok: false, message: 'Say who you are first.' };
  render(<TickStep {...own} item="done" written={null} label="Done" />);
  await press('Done');
  expect(screen.getByRole('alert').textContent).toMatch(/who you are/);
});

test('a thickness goes as it was typed, and an emptied one is taken back', async () => {
  render(<ThicknessStep {...own} item="finished" written={written} label="Thinnest" unit="mm" />);
  const field = screen.getByLabelText('Thinnest (mm)');
  fireEvent.change(field, { target: { value: '27,31' } });
  await press('Keep this thickness');
  fireEvent.change(field, { target: { value: '' } });
  await press('Keep this thickness');
  expect(sent).toMatchObject([
    { value: { text: '27,31', unit: 'mm' }, seen: 'old' },
    { value: null, seen: 'old' },
  ]);
});

test('a rotor is sent out with its mark, or the tag is taken back', async () => {
  const { rerender } = render(
    <SendStep {...own} item="sent" written={null} usualMark="outboard, at stud 1" />,
  );
  fireEvent.change(screen.getByLabelText('Goes to'), { target: { value: 'the shipyard' } });
  await press(/Send it out/);
  rerender(<SendStep {...own} item="sent" written={written} usualMark="" />);
  await press(/take the tag back/);
  expect(sent).toMatchObject([
    { value: { to: 'the shipyard', mark: 'outboard, at stud 1' } },
    { value: null },
  ]);
});

describe('after the cut', () => {
  const floors = { machineTo: 26_500, discard: 26_000 };
  const show = (measured: number, runout: number | null) =>
    render(
      <CutResult
        outcome={judgeFinished(measured, 26_800, floors, 2)}
        remaining={20}
        measuredRunout={runout}
        units="mm"
      />,
    );
  test('as planned', () => {
    show(26_795, null);
    expect(screen.getByText(/stays above machine-to/)).toBeInTheDocument();
    expect(screen.getByText('not measured yet')).toBeInTheDocument();
  });
  test('off the plan, and running out more than predicted', () => {
    show(26_700, 45);
    expect(screen.getByText(/misses the plan by 0.100 mm/)).toBeInTheDocument();
    expect(screen.getByText(/0.025 mm more than predicted/)).toBeInTheDocument();
  });
  test('too thin', () => {
    show(26_400, null);
    expect(screen.getByText(/do not fit it/)).toBeInTheDocument();
  });
  test('scrap', () => {
    show(25_990, null);
    expect(screen.getByText(/it is scrap/)).toBeInTheDocument();
  });
});
