import {
  applyAction,
  DEMO_SHOP,
  readDial,
  readMicrometer,
  trueRunout,
  type PolicySetup,
  type TrueOrder,
  type VirtualCorner,
} from '@/core/bench';
import { waveTir } from '@/core/harmonics';
import {
  cornerOptions,
  judgeCorner,
  proveNext,
  rebuildNext,
  seatToFit,
  STAGE_OF_PAGE,
  stagesOf,
  stripNext,
  type Job,
  type NextThing,
  type Phase,
  type StageKey,
} from '@/core/job';
import { seededRandom, type RandomSource } from '@/core/numeric';
import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import {
  done,
  ids,
  jobOf,
  newVehicle,
  pumped,
  sign,
  tick,
  together,
  APART,
} from '../support/wholeJob';
import { numbered, sendWrites } from '../support/writes';

/** What the limits and prices of the vehicle are: the bakery’s, in the demo shop’s terms. */
const SETUP: PolicySetup = {
  ...{ studs: 5, shop: DEMO_SHOP, limit: 50, dtvLimit: 12, radius: 135_000, positions: 10 },
  ...{ nominal: 28_000, machineTo: 26_500, discard: 26_000 },
};
/** Places of a quick check’s first lap. */
const CHECK_POSITIONS = 12;
const GAUGE = { dial: WORKSHOP_DEFAULTS.dialIndicator, micrometer: WORKSHOP_DEFAULTS.micrometer };

/** A corner as it truly is: nobody in the shop sees it but through a gauge. */
interface Hidden {
  truth: VirtualCorner;
  shift: number;
  /** What lies between hub and rotor until the seat is cleaned. */
  dirt: TrueOrder | null;
}

/** What truly was and is of a corner, to hold every screen against. */
export interface TrueStory {
  readonly corner: Corner;
  readonly before: number;
  readonly after: number;
  readonly shift: number;
}

/** What the pages that say it in one sentence ask for next. */
const NEXT_ON_PAGE: Partial<Record<StageKey, (job: Job) => NextThing>> = {
  strip: stripNext,
  rebuild: rebuildNext,
  prove: proveNext,
};

/** A wheel that shook, and one that runs quietly. */
const SHOOK = { wheel: 3, pedal: 3, seat: 0 };
const QUIET = { wheel: 0, pedal: 0, seat: 0 };

const mm = (um: number): string => (um / 1000).toFixed(3);

/** A whole job, played as its screens write it from what truly is at each corner. */
export class Journey {
  private readonly hidden = new Map<Corner, Hidden>();
  private readonly first = new Map<Corner, number>();
  private readonly random: RandomSource;
  id = '';

  constructor(
    readonly corners: readonly Corner[],
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }

  /** Puts truth behind a corner: order 1 of hub and rotor in µm at an angle, thickness, its wave. */
  hide(
    corner: Corner,
    truth: Partial<VirtualCorner> & Pick<VirtualCorner, 'hub' | 'rotor'>,
    dirt: TrueOrder | null = null,
  ): this {
    const whole = { studs: SETUP.studs, meanThickness: 27_500, thickness: [], ...truth };
    this.hidden.set(corner, { truth: whole, shift: 0, dirt });
    return this;
  }

  /** The same rotors and hubs in another job of the same vehicle. */
  comesBack(seed: number): Journey {
    const next = new Journey(this.corners, seed);
    for (const [corner, { truth, shift, dirt }] of this.hidden) {
      // It is marked anew: where it sits now is its first mark from then on.
      const turned = (orders: readonly TrueOrder[]): TrueOrder[] =>
        orders.map((each) => ({
          ...each,
          highSpotDeg: each.highSpotDeg + (360 * shift) / SETUP.studs,
        }));
      const marked = { rotor: turned(truth.rotor), thickness: turned(truth.thickness) };
      next.hidden.set(corner, { truth: { ...truth, ...marked }, shift: 0, dirt });
    }
    return next;
  }

  /** The job as it stands; no stage is shown as done while its own page still asks for something. */
  job = async (): Promise<Job> => {
    const job = await jobOf(this.id);
    for (const { key, state } of stagesOf(job)) {
      const next = NEXT_ON_PAGE[key]?.(job);
      if (state !== 'done' || !next) continue;
      const leadsTo = next.place && STAGE_OF_PAGE[next.place.page];
      if (leadsTo === null || leadsTo === key) throw new Error(`${key} is done, yet: ${next.todo}`);
    }
    return job;
  };

  /** What truly was before anything was done, and is now. */
  stories(): TrueStory[] {
    return this.corners.map((corner) => ({
      corner,
      before: this.first.get(corner) ?? 0,
      after: this.tir(corner),
      shift: this.at(corner).shift,
    }));
  }

  private at(corner: Corner): Hidden {
    const hidden = this.hidden.get(corner);
    if (!hidden) throw new Error(`Nothing is hidden behind ${corner}`);
    return hidden;
  }

  /** The corner as the gauges find it, dirt and all. */
  private seen({ truth, dirt }: Hidden): VirtualCorner {
    return dirt ? { ...truth, hub: [...truth.hub, dirt] } : truth;
  }

  private tir(corner: Corner): number {
    const hidden = this.at(corner);
    return waveTir(trueRunout(this.seen(hidden), hidden.shift));
  }

  /** Complaint, the drive before, and the corners taken apart. */
  async begin(vehicleId?: string, comebackOf: string | null = null): Promise<void> {
    const vehicle = vehicleId ?? (await newVehicle()).id;
    const job = { vehicleId: vehicle, complaint: 'It shakes when it brakes.', odometerKm: '50000' };
    this.id = String(await done('job', { ...job, corners: this.corners, comebackOf }));
    await this.takeApart();
  }

  /** The drive before, and the corners taken apart. */
  private async takeApart(): Promise<void> {
    await tick(this.id, 'prove//feel-before', SHOOK);
    for (const corner of this.corners) {
      if (!this.first.has(corner)) this.first.set(corner, this.tir(corner));
      for (const step of APART) await tick(this.id, `step/${corner}/${step}`, 'done');
    }
  }

  /** From a plate alone: how the wheel is held on and the discard thickness are said where they are needed. */
  async beginByPlate(plate: string): Promise<void> {
    const [corner] = this.corners;
    const job = { vehicleId: '', newVehicle: { plate }, complaint: '', odometerKm: '' };
    this.id = String(await done('job', { ...job, corners: this.corners }, 'apprentice'));
    await this.takeApart();
    const { studs } = SETUP;
    const at = { jobId: this.id, corner };
    await done('fastening', { ...at, fastening: 'studs', studs }, 'apprentice');
    await done('limit', { ...at, kind: 'discard', text: mm(SETUP.discard), source: 'stamped' });
  }

  /** From a quick check with no vehicle: read first, then given its plate. */
  async beginAsCheck(plate: string): Promise<void> {
    const [corner] = this.corners;
    if (!corner) throw new Error('A quick check is of one corner');
    const [id, setId] = [crypto.randomUUID(), crypto.randomUUID()];
    const limits = { discard: mm(SETUP.discard), runout: '' };
    const wheel = { corner, fastening: 'studs', studs: SETUP.studs };
    await done('check-begin', { id, setId, ...wheel, ...limits }, 'apprentice');
    this.id = id;
    this.first.set(corner, this.tir(corner));
    await this.keyIn(setId, corner, 'runout', CHECK_POSITIONS);
    await this.read(corner, 'thickness', 'before');
    this.id = String(await done('check-plate', { jobId: id, plate }));
    await this.takeApart();
  }

  /** Reads a set where the rotor sits, every reading through its gauge and as a device sends it. */
  async read(corner: Corner, kind: 'runout' | 'thickness', phase: Phase): Promise<void> {
    const hidden = this.at(corner);
    const set = (await done('set-begin', {
      ...{ jobId: this.id, corner, kind, phase, face: 'outboard', left: [] },
      ...{ positions: SETUP.positions, shift: hidden.shift },
    })) as { id: string };
    await this.keyIn(set.id, corner, kind, SETUP.positions);
  }

  /** Every reading of a lap through its gauge and as a device sends it. */
  private async keyIn(
    setId: string,
    corner: Corner,
    kind: 'runout' | 'thickness',
    positions: number,
  ): Promise<void> {
    const hidden = this.at(corner);
    const run = { shift: hidden.shift, positions, laps: 1 };
    const values = kind === 'runout' ? this.dial(hidden, run) : this.micrometer(hidden, run);
    const writes = values.map((um, position) =>
      numbered(
        'reading',
        { setId, lap: 0, position, text: mm(um), unit: 'mm', was: null },
        { by: ids.apprentice },
      ),
    );
    for (const result of await sendWrites(writes)) {
      if (result.state !== 'done') throw new Error(JSON.stringify(result));
    }
  }

  private dial(hidden: Hidden, run: { shift: number; positions: number; laps: number }): number[] {
    const { laps, closing } = readDial(
      this.seen(hidden),
      { ...run, gauge: GAUGE.dial },
      this.random,
    );
    return [...(laps[0] ?? []), ...closing];
  }

  private micrometer(
    hidden: Hidden,
    run: { shift: number; positions: number; laps: number },
  ): number[] {
    const laps = readMicrometer(hidden.truth, { ...run, gauge: GAUGE.micrometer }, this.random);
    return [...(laps[0] ?? [])];
  }

  /** Cleans the seat: the dirt is gone. */
  async clean(corner: Corner): Promise<void> {
    await tick(this.id, `step/${corner}/rotor-off`, 'done');
    await tick(this.id, `step/${corner}/hub-face`, 'done');
    this.at(corner).dirt = null;
  }

  /** Reads what the tool asks for, mounting by mounting, until it says what to do. */
  async measure(corner: Corner): Promise<string> {
    // A quick check has read both already: nothing is read again.
    if ((await this.job()).sets.every((set) => set.corner !== corner || set.phase !== 'before')) {
      await this.read(corner, 'runout', 'before');
      await this.read(corner, 'thickness', 'before');
    }
    for (let i = 0; i < 4; i += 1) {
      const { advice } = judgeCorner(await this.job(), corner, 'before');
      if (advice.kind !== 'second-mounting') return advice.kind;
      this.at(corner).shift = advice.to;
      await this.read(corner, 'runout', 'before');
    }
    throw new Error('It asks for mounting after mounting');
  }

  /** Decides what is recommended, or another thing that may be done, and carries it out. */
  async decide(corner: Corner, asked?: Action): Promise<void> {
    const judged = judgeCorner(await this.job(), corner, 'before');
    const action = asked ?? judged.action;
    if (!action) throw new Error(`Nothing to do is advised: ${judged.advice.kind}`);
    await done('decide', { jobId: this.id, corner, action });
  }

  async correct(corner: Corner): Promise<void> {
    const job = await this.job();
    const decision = job.decisions.find((each) => each.corner === corner);
    if (!decision || decision.correction === 'leave') return;
    const action = (decision.action ?? 'leave') as Action;
    const option = cornerOptions(job, corner, judgeCorner(job, corner, 'before')).options.find(
      (each) => each.action === action,
    );
    const hidden = this.at(corner);
    const standing = { truth: hidden.truth, shift: hidden.shift, sets: [] };
    const after = option ? applyAction(standing, action, option, SETUP, this.random) : standing;
    [hidden.truth, hidden.shift] = [after.truth, after.shift];
    if (decision.correction.startsWith('machine')) {
      const text = mm(hidden.truth.meanThickness);
      await tick(this.id, `correct/${corner}/finished`, { text, unit: 'mm' });
      await tick(this.id, `correct/${corner}/washed`, 'done');
    }
    await tick(this.id, `correct/${corner}/done`, 'done');
  }

  /** Measures again as fitted, in the seat that the tool names. */
  async prove(corner: Corner): Promise<void> {
    const fits = seatToFit(await this.job(), corner);
    if (fits !== null && fits !== this.at(corner).shift) {
      throw new Error(`${corner}: it says seat ${fits}, and sits in ${this.at(corner).shift}`);
    }
    await this.read(corner, 'runout', 'after');
    await this.read(corner, 'thickness', 'after');
    await this.job();
  }

  /** Puts it together, pumps, drives and signs. */
  async end(): Promise<void> {
    await together(this.id, this.corners);
    await this.job();
    await pumped(this.id);
    await this.job();
    await tick(this.id, 'prove//feel-after', QUIET);
    await this.job();
    const refused = await sign(this.id);
    if (refused !== null) throw new Error(refused);
    await this.job();
  }
}
