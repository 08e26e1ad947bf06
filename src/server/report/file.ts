import 'server-only';
import { WATER, WHEEL_ITEMS } from '../../core/wheels';
import { formatDate } from '../../core/calendar';
import { KNOWLEDGE, PROCEDURE, type Approval } from '../../core/contracts';
import {
  assessRunout,
  beyondPlace,
  FEEL_WORDS,
  measuredSet,
  saySeat,
  saySweeps,
} from '../../core/assessment';
import { fastenerOf } from '../../core/torque';
import { formatIn, formatTorque, type UnitSystem } from '../../core/units';
import { sayReason } from '../../core/verdict';
import {
  type Check,
  type ReadingSet,
  confirmedCauses,
  cornerRecord,
  sayDrumWork,
  type Job,
  sayCause,
  sayGuarantee,
  saySeatEvent,
  seatAt,
  standingOf,
  tellInvented,
} from '../../core/job';
import { sayPair } from '../records/sayLedger';
import { sayDue } from './words';

/** One reading set with every reading as typed, its circumstances, quality and uncertainty. */
export interface FileSet {
  readonly id: string;
  readonly title: string;
  readonly about: readonly string[];
  /** Laps of readings as typed; the closing reading last. */
  readonly laps: readonly (readonly string[])[];
  /** Where each row was read: its position, or "closing", and its angle. */
  readonly rows: readonly { readonly place: string; readonly angle: string }[];
  /** Slow turns, or places of thickness between the others, in words. */
  readonly beyond: readonly string[];
}

/** Something written down: what, by whom, when. */
export interface FileLine {
  readonly at: string;
  readonly by: string;
  readonly say: string;
}

/** Everything on file of a job. */
export interface FileReport {
  readonly title: string;
  /** Why the vehicle must not be driven; empty where it may. */
  readonly mustNotMove: readonly string[];
  /** Whose figures were invented for practice; null where all was read on the vehicle. */
  readonly invented: string | null;
  /** What else stands open; null once it is signed off here. */
  readonly notSigned: readonly string[] | null;
  readonly sets: readonly FileSet[];
  readonly decisions: readonly FileLine[];
  /** Causes that the work confirmed, with their corners. */
  readonly causes: readonly string[];
  /** Where each rotor sat, and what became of that. */
  readonly seats: readonly FileLine[];
  readonly steps: readonly FileLine[];
  /** What was taken back or changed in earnest, and what a lead answered to it. */
  readonly changed: readonly FileLine[];
  readonly due: readonly string[];
}

const PHASE = { 'as-found': 'as found', before: 'before', after: 'after' } as const;
const KIND = { runout: 'Runout', thickness: 'Thickness', hub: 'Hub face' } as const;
const sayAt = (at: Date): string => formatDate(at, 'YYYY-MM-DD HH:mm');

/** Quality and uncertainty of a runout set, in words. */
function qualityOf(job: Job, set: ReadingSet, units: UnitSystem): string[] {
  const measured = measuredSet(set);
  if (!measured) return ['Not read to its end.'];
  const say = (um: number): string => formatIn(units, 'deviation', um);
  const reasons = (measured.quality ?? []).map((reason) => sayReason(reason, units));
  if (measured.kind !== 'runout') return reasons;
  const { studs, limits } = cornerRecord(job, set.corner, set.phase);
  const result = assessRunout({ ...measured, quality: [] }, studs, limits);
  const { verdict, sigma, closure, outliers, drift, turned } = result;
  return [
    `TIR ${say(result.tirAsRead)} as read, ${say(result.tirFitted)} of the fit${turned ? `, ${say(turned.value)} ± ${say(turned.uncertainty)} as turned${turned.curveBelieved ? ', joined with the fit' : ''}` : ''}; judged ${verdict.value === null ? 'nothing' : say(verdict.value)}; standard uncertainty of one averaged reading ${say(sigma)}; guard band ${say(verdict.guardBand ?? 0)}.`,
    ...(closure
      ? [
          `Closure ${closure.errors.map(say).join(', ')}: ${closure.ok ? 'in order' : 'not in order'}.`,
        ]
      : ['No closing reading.']),
    ...(drift
      ? [`Drift ${say(drift.perLap)} a lap, standard uncertainty ${say(drift.uncertainty)}.`]
      : []),
    ...(measured.pressed ? ['The wheel was pressed inboard at each reading.'] : []),
    ...(outliers.length > 0
      ? [`Stands out: position ${outliers.map(({ position }) => position + 1).join(', ')}.`]
      : []),
    ...verdict.reasons.map((reason) => sayReason(reason, units)),
    ...reasons,
  ];
}

/** What was read beyond the laps, in words: slow turns, or places of thickness. */
const sayBeyond = (set: ReadingSet): string[] =>
  [...set.readings]
    .sort((p, q) => p.position - q.position || p.lap - q.lap)
    .flatMap(({ position, text, unit }) => {
      const place = beyondPlace(set, position);
      if (!place) return [];
      const where =
        place.of === 'turn'
          ? `slow turn ${place.turn + 1}, ${place.end === 'high' ? 'highest' : 'lowest'}`
          : `at ${place.angleDeg}°`;
      return [`${where}: ${/[a-zµ"]/i.test(text) ? text : `${text} ${unit}`}`];
    });

/** Degrees from one printed place of a sweep to the next. */
const PRINTED_EVERY = 15;

function fileSet(job: Job, set: ReadingSet, units: UnitSystem): FileSet {
  const count = set.positions;
  const at = (lap: number, position: number): string => {
    const found = set.readings.find((each) => each.lap === lap && each.position === position);
    return found ? `${found.text}${/[a-zµ"]/i.test(found.text) ? '' : ` ${found.unit}`}` : '–';
  };
  const places = set.kind === 'thickness' ? count : count + 1;
  // Of a sweep, every so many degrees: all of it is in archive and tables.
  const every = set.sweeps ? Math.max(1, (count * PRINTED_EVERY) / 360) : 1;
  const positions = Array.from({ length: places }, (_, position) => position).filter(
    (position) => position === count || position % every === 0,
  );
  const angleAt = (position: number): string =>
    `${Math.round((set.angles?.[position] ?? (360 * position) / count) * 10) / 10}°`;
  return {
    id: set.id,
    title: `${set.corner} ${KIND[set.kind]}, ${PHASE[set.phase]}`,
    about: [
      `Begun ${sayAt(set.createdAt)}; ${set.face} face, ${set.circle} circle, seat: ${saySeat(cornerRecord(job, set.corner, set.phase), set.shift)}.`,
      `Gauge ${set.gaugeName ?? 'by workshop default'}: resolution ${set.resolutionUm} µm, repeatability ${set.repeatabilityUm} µm${set.mpeUm === null ? '' : `, mpe ${set.mpeUm} µm`}${set.gaugeDue ? `, calibrated until ${set.gaugeDue}` : ''}.`,
      ...saySweeps(set.sweeps ?? [], set.positions).map(
        (line) => `${line}; printed every ${PRINTED_EVERY}°, all of it is in the archive.`,
      ),
      ...(set.torqueNm === null ? [] : [`Fastened to ${formatTorque(set.torqueNm, 'N·m')}.`]),
      ...(set.setAsideAt ? [`Set aside: ${set.setAsideReason ?? ''}.`] : []),
      ...qualityOf(job, set, units),
    ],
    beyond: sayBeyond(set),
    laps: Array.from({ length: set.laps }, (_, lap) =>
      positions.map((position) => at(lap, position)),
    ),
    rows: positions.map((position) =>
      position === count
        ? { place: 'closing', angle: '' }
        : { place: String(position + 1), angle: angleAt(position) },
    ),
  };
}

/** What the owner agreed to, in words. */
const sayAgreedValue = ({ how, name, chosen, upTo, currency }: Approval): string =>
  `${name}, ${how === 'telephone' ? 'by telephone' : 'on the tablet'}: ${chosen} Up to ${upTo} ${currency}`.trim();

/** What a check says, in words. */
function sayValue(check: Check): string {
  const { value } = check;
  if (Array.isArray(value)) {
    return check.kind === 'look' && value.length === 0 ? 'sound' : value.map(String).join(', ');
  }
  if (typeof value === 'string') return value;
  if ('months' in value) return sayGuarantee(value);
  if ('work' in value) return sayDrumWork(value);
  if ('supplier' in value)
    return [value.state, value.number, value.supplier].filter((each) => each !== '').join(', ');
  if ('upTo' in value) return sayAgreedValue(value);
  if ('text' in value) return `${value.text} ${value.unit}`;
  if ('wheel' in value) {
    return Object.entries(value)
      .map(([place, strength]) => `${place} ${FEEL_WORDS[strength] ?? ''}`)
      .join(', ');
  }
  return 'pulls' in value ? 'drawn up nut by nut' : 'written down';
}

/** The name of what a check is of. */
function nameOf({ kind, item }: Check): string {
  const lists = {
    lifting: PROCEDURE.lifting.map(({ code, say }) => ({ code, name: say })),
    step: PROCEDURE.steps.map(({ code, title }) => ({ code, name: title })),
    rebuild: PROCEDURE.rebuild.map(({ code, title }) => ({ code, name: title })),
    hydraulics: PROCEDURE.hydraulics.map(({ code, title }) => ({ code, name: title })),
    look: PROCEDURE.items,
    fixed: PROCEDURE.items,
    figure: [...PROCEDURE.figures, ...WHEEL_ITEMS, WATER],
    repair: KNOWLEDGE.causes,
    repaired: KNOWLEDGE.causes,
    prove: KNOWLEDGE.causes,
    drum: [
      { code: 'decided', name: 'Drum' },
      { code: 'done', name: 'Work on the drum' },
    ],
  } as const;
  const list: readonly { code: string; name: string }[] =
    kind in lists ? lists[kind as keyof typeof lists] : [];
  return (
    list.find(({ code }) => code === item)?.name ??
    fastenerOf(item)?.name ??
    item.replace(/-/g, ' ')
  );
}

/** What a line of the ledger says became of a row. */
function sayBecame(line: Parameters<typeof sayPair>[0]): string {
  if (line.what === 'answer') return '';
  const { before, after } = sayPair(line);
  return `: ${before ?? 'nothing'} → ${after ?? 'taken back'}`;
}

/** Everything on file of a job, in order. */
export function fileReport(job: Job, units: UnitSystem): FileReport {
  const { vehicle } = job;
  const { mustNotMove, notDone, isSigned } = standingOf(job);
  return {
    title: `Job ${job.number}, ${vehicle.plate}`,
    mustNotMove: mustNotMove.map(({ say }) => say),
    invented: tellInvented(job),
    notSigned: isSigned ? null : notDone.map(({ say }) => say),
    sets: job.sets.map((set) => fileSet(job, set, units)),
    decisions: job.decisions.map(({ corner, words, decidedAt }) => ({
      at: sayAt(decidedAt),
      by: '',
      say: `${corner}: ${words}`,
    })),
    causes: confirmedCauses(job).map(sayCause),
    seats: job.corners.flatMap((corner) =>
      seatAt(job, corner).history.map((event) => ({
        at: event.at ? sayAt(event.at) : '',
        by: '',
        say: `${corner}: ${saySeatEvent(event, cornerRecord(job, corner, 'before'))}`,
      })),
    ),
    steps: job.checks.map((row) => ({
      at: sayAt(row.at),
      by: row.by ?? '',
      say: `${row.place ? `${row.place} ` : ''}${nameOf(row)}: ${sayValue(row)}${row.note ? ` (${row.note})` : ''}`,
    })),
    changed: job.past.map((line) => ({
      at: sayAt(line.at),
      by: line.who ?? 'nobody named',
      say: `${line.what === 'answer' ? 'answered' : line.what}: ${line.place}${sayBecame(line)}${line.reason ? ` (${line.reason})` : ''}`,
    })),
    due: job.rechecks.map((each) => sayDue(each)),
  };
}
