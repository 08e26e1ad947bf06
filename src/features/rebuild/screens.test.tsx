import { withDialogs } from '../../../tests/support/stripBench';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { SHIPPED_PROGRAMMES } from '@/core/bedding';
import { BeddingDrive } from './BeddingDrive';
import { BeddingPlanner } from './BeddingPlanner';
import { Hydraulics } from './Hydraulics';
import { PedalStop } from './PedalStop';
import { TorqueList, type FastenerView } from './TorqueList';
import { TrayBack } from './TrayBack';

const sent: unknown[] = [];
let answers: unknown[] = [];
const answer = (form: unknown): Promise<unknown> => {
  sent.push(form);
  return Promise.resolve(answers.shift() ?? { ok: true, value: `stamp-${sent.length}` });
};
jest.mock('@/ui/keeper/keepWrite', () => ({
  keepWrite: ({ input }: { input: unknown }) => answer(input),
}));
jest.mock('@/ui/chime', () => ({ chime: () => undefined }));
beforeEach(() => {
  sent.length = 0;
  answers = [];
  window.localStorage.clear();
});
afterEach(() => jest.useRealTimers());

const written = (value: unknown) => ({ value, note: null, by: 'Ines', at: '09:04', stamp: 's' });
const press = async (name: RegExp | string): Promise<void> => {
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name }));
    await Promise.resolve();
  });
};

beforeAll(withDialogs);

describe('the pedal stop', () => {
  const props = {
    jobId: 'j',
    firm: null,
    held: null,
    level: null,
    stored: { firm: null, hold: null, held: null, level: null },
    begun: null,
    holdSeconds: 60,
    loose: null,
    rule: 'Pedal pumped firm with the engine off first, then on.',
    moved: ['the caliper of FL was off'],
    who: null,
  };
  const key = (letter: string) =>
    act(async () => {
      fireEvent.keyDown(document.body, { key: letter });
      await Promise.resolve();
    });

  test('names the danger, and Enter presses nothing', async () => {
    render(<PedalStop {...props} />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/meet nothing/);
    expect(screen.getByText(/drives without brakes/)).toBeInTheDocument();
    const firm = screen.getByRole('button', { name: /It is firm/ });
    const wasLet = fireEvent.keyDown(firm, { key: 'Enter' });
    expect(wasLet).toBe(false);
    await key('y');
    await key('l');
    expect(sent).toEqual([]);
    await key('f');
    expect(sent).toMatchObject([{ kind: 'pedal', item: 'firm', value: 'done' }]);
  });

  test('offers nothing to press while a caliper is off', async () => {
    render(<PedalStop {...props} loose="The caliper of FL is off its rotor." />);
    expect(screen.getByRole('alert').textContent).toContain('Do not touch the pedal.');
    expect(screen.queryByRole('button', { name: /firm/ })).toBeNull();
    await key('f');
    expect(sent).toEqual([]);
  });

  test('does not take “held” before the minute is over; “sank” at any time', async () => {
    jest.useFakeTimers();
    render(<PedalStop {...props} firm={written('done')} begun={10} />);
    const held = (): HTMLButtonElement => screen.getByRole('button', { name: /It did not sink/ });
    expect(held().disabled).toBe(true);
    await key('y');
    expect(sent).toEqual([]);
    act(() => void jest.advanceTimersByTime(51_000));
    expect(screen.getByRole('timer').textContent).toBe('0:00');
    expect(held().disabled).toBe(false);
    jest.useRealTimers();
    await key('s');
    expect(sent).toMatchObject([{ item: 'held', value: 'sank' }]);
  });

  test('says so when it sank, and when all is done', () => {
    const { rerender } = render(
      <PedalStop {...props} firm={written('done')} held={written('sank')} />,
    );
    expect(screen.getByRole('alert').textContent).toMatch(/stays where it is/);
    const all = { firm: written('done'), held: written('held'), level: written('done') };
    rerender(<PedalStop {...props} {...all} />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('The pedal is firm');
  });
});

describe('the torque list', () => {
  const nuts: FastenerView = {
    code: 'bracket-bolts',
    name: 'Bracket bolts',
    say: 'Both started by hand.',
    stages: [1],
    product: 'Thread locker, medium',
    figure: { nm: 110, source: 'maker', angle: 0, treatment: '', oneUse: true, by: 'Ines' },
    pulled: null,
    stamp: null,
  };
  const place = {
    jobId: 'j',
    corner: 'FL' as const,
    axle: 'front' as const,
    unit: 'N·m' as const,
    starDone: false,
    kept: 'an invented model',
  };

  test('takes the figure as pulled with one press, and asks where a value is far off', async () => {
    render(<TorqueList {...place} fasteners={[nuts]} />);
    expect(screen.getByText(/One-use: renew/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText(/Pulled, bracket bolts/), { target: { value: '81' } });
    await press('Pulled');
    expect(screen.getByRole('alert').textContent).toMatch(/lb·ft and N·m mixed up/);
    expect(sent).toEqual([]);
    await press('It was pulled so');
    expect(sent).toMatchObject([{ item: 'bracket-bolts', value: { text: '81', unit: 'N·m' } }]);
  });

  test('a missing figure is asked for, a challenged one a second time', async () => {
    render(<TorqueList {...place} fasteners={[{ ...nuts, figure: null }]} />);
    expect(screen.getByText('No figure yet')).toBeInTheDocument();
    expect(screen.queryByLabelText(/Pulled, bracket/)).toBeNull();
    const message = '11 N·m is far from what bracket bolts take.';
    answers = [{ ok: false, message, fields: { challenge: message } }];
    fireEvent.change(screen.getByLabelText(/^Torque \(/), { target: { value: '11' } });
    await press('Keep the figure');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain(message));
    await press('I read it again: it is so');
    expect(sent[1]).toMatchObject({ figure: { text: '11', confirmed: true }, source: 'maker' });
  });

  test('wheel nuts wait for their star', () => {
    const wheel = { ...nuts, code: 'wheel-nuts' as const, name: 'Wheel nuts' };
    const { rerender } = render(<TorqueList {...place} fasteners={[wheel]} />);
    expect(screen.getByText(/First the star below/)).toBeInTheDocument();
    rerender(<TorqueList {...place} starDone fasteners={[wheel]} />);
    expect(screen.getByRole('button', { name: 'Pulled to 110' })).toBeInTheDocument();
  });
});

describe('the bedding-in planner', () => {
  const plan = {
    school: 'moderate' as const,
    programme: { ...SHIPPED_PROGRAMMES.moderate, groups: [...SHIPPED_PROGRAMMES.moderate.groups] },
    heat: { vehicleKg: 3500, rotorKg: 5, share: 0.7, ambient: 20, tau: 240, ceiling: 300 },
  };
  const props = {
    jobId: 'j',
    plan,
    written: null,
    programmes: SHIPPED_PROGRAMMES,
    unit: 'km/h' as const,
    axle: 'front' as const,
    carrier: 'rotor' as const,
  };

  test('flags what passes the ceiling and spaces the stops out', async () => {
    render(<BeddingPlanner {...props} />);
    expect(screen.getByText(/Above 300 °C at stop/)).toBeInTheDocument();
    await press('Space the stops out');
    expect(screen.getByText(/Spaced out/)).toBeInTheDocument();
    expect(screen.getByText(/below 300 °C/)).toBeInTheDocument();
    await press('Keep this plan');
    const [form] = sent as { value: { programme: { groups: { spacing: number }[] } } }[];
    expect(form!.value.programme.groups[0]!.spacing).toBeGreaterThan(45);
  });

  test('predicts nothing while a mass is missing, and names a bad group', () => {
    render(<BeddingPlanner {...props} plan={{ ...plan, heat: { ...plan.heat, rotorKg: null } }} />);
    expect(screen.getByText(/nothing is assumed for them/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('To (km/h), group 1'), { target: { value: '80' } });
    expect(screen.getByRole('alert').textContent).toMatch(/slower than it begins/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep this plan' }).disabled).toBe(
      true,
    );
  });

  test('keeps no plan beside a figure that is wrong: what was typed would be lost', async () => {
    render(<BeddingPlanner {...props} axle="rear" carrier="drum" />);
    expect(screen.getByRole('heading', { name: 'How hot one rear drum gets' })).toBeInTheDocument();
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep this plan' });
    const type = (value: string) =>
      fireEvent.change(screen.getByLabelText('One drum (kg)'), { target: { value } });
    type('600');
    expect(screen.getByText('1 to 60.')).toBeInTheDocument();
    expect(keep.disabled).toBe(true);
    type('');
    await press('Keep this plan');
    expect(sent[0]).toMatchObject({ value: { heat: { rotorKg: null, vehicleKg: 3500 } } });
  });

  test('assumes nothing of the pad maker’s own', async () => {
    render(<BeddingPlanner {...props} />);
    await press('Pad maker’s own');
    expect(screen.getByText(/Nothing is assumed for it/)).toBeInTheDocument();
    await press('Add stops');
    expect(screen.getByLabelText('Stops, group 1')).toBeInTheDocument();
  });
});

describe('the passenger’s view', () => {
  const programme = {
    ...SHIPPED_PROGRAMMES.moderate,
    groups: [{ ...SHIPPED_PROGRAMMES.moderate.groups[0]!, stops: 2 }],
    coolMinutes: 0,
  };
  const props = { jobId: 'j', programme, unit: 'km/h' as const, written: null, why: null };

  test('counts stops, goes one back, and puts it on record', async () => {
    render(<BeddingDrive {...props} />);
    expect(screen.getByRole('status').textContent).toBe('Stop 1 of 2');
    await press('Stop made');
    await press('One stop back');
    expect(screen.getByRole('status').textContent).toBe('Stop 1 of 2');
    await press('Stop made');
    await press('Stop made');
    expect(screen.getByRole('status').textContent).toBe('All 2 stops made');
    await press(/Bedded in/);
    expect(sent).toMatchObject([{ item: 'driven', value: { stops: 2 } }]);
  });

  test('nobody drives while something stands in the way', () => {
    render(<BeddingDrive {...props} why="The pedal was not pumped." />);
    expect(screen.getByRole('alert').textContent).toContain('Do not drive.');
    expect(screen.queryByRole('button', { name: 'Stop made' })).toBeNull();
  });
});

describe('hydraulics and tray', () => {
  const props = {
    jobId: 'j',
    opened: [],
    steps: {},
    method: null,
    methodByRule: false,
    plan: [],
    order: null,
    orderSource: null,
    cautions: [],
    hoseYears: 10,
  };

  test('nothing opened is stated, not assumed', async () => {
    render(<Hydraulics {...props} />);
    await press('Nothing was opened');
    expect(sent).toMatchObject([{ kind: 'hydraulics', item: 'none-opened', value: 'done' }]);
  });

  test('an opened system asks for the maker’s order, then goes corner by corner', async () => {
    const { rerender } = render(<Hydraulics {...props} opened={['a hose was off']} />);
    fireEvent.change(screen.getByLabelText('Order by the maker'), { target: { value: 'RR RL' } });
    await press('Keep the order');
    expect(sent).toMatchObject([{ order: 'RR RL', source: 'maker' }]);
    rerender(<Hydraulics {...props} opened={['a hose was off']} order={['RR', 'RL']} />);
    expect(screen.getByRole('button', { name: /1 · RR rear right/ })).toBeInTheDocument();
    await press('Leave out … RL');
    fireEvent.change(screen.getByLabelText('Why RL is not bled'), { target: { value: 'later' } });
    await press('Leave it out');
    expect(sent[1]).toMatchObject({ place: 'RL', item: 'bled', value: 'left-out', note: 'later' });
  });

  test('a part goes back where it sat, by one press', async () => {
    const part = {
      id: 'p',
      name: 'Inner pad',
      place: 'Piston side',
      orientation: 'arrow forward',
      mark: '',
      fate: 'renew' as const,
      back: null,
      photos: [],
    };
    render(<TrayBack jobId="j" corner="FL" parts={[part]} />);
    expect(screen.getByText('1 of 1 still in the tray')).toBeInTheDocument();
    expect(screen.getByText(/Piston side · arrow forward/)).toBeInTheDocument();
    await press('Inner pad');
    expect(sent).toEqual([{ id: 'p', isBack: true }]);
  });
});
