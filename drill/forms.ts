import { SHIPPED_PROGRAMMES } from '../src/core/bedding';
import { formOfShop, readShop } from '../src/core/contracts';
import { VEHICLES } from '../src/cli/demo/vehicles';
import type { UseCaseName } from '../src/server/writes/useCases';
import type { Ids } from './place';

/** Picks one of a list. */
export type Pick = <Each>(list: readonly Each[]) => Each;

const PIXEL =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

const CHECKS: readonly (readonly [string, string, unknown])[] = [
  ['look', 'hose', ['bulged']],
  ['look', 'leaks', ['leak']],
  ['look', 'hose', []],
  ['step', 'wheel-off', 'done'],
  ['step', 'caliper-off', 'done'],
  ['method', 'retraction', 'clamp'],
  ['fixed', 'hose', 'fixed'],
  ['correct', 'done', 'done'],
  ['correct', 'finished', { text: '26.5', unit: 'mm' }],
  ['rebuild', 'caliper-on', 'done'],
  ['torque', 'star', { pulls: [null, null] }],
  ['torque', 'wheel-nuts', { text: '120', unit: 'N·m' }],
  ['pedal', 'firm', 'done'],
  ['pedal', 'hold', 'done'],
  ['pedal', 'held', 'held'],
  ['bedding', 'driven', 'done'],
];

/** A form of every use case as its screen sends it: what is sent is that, or that made wrong. */
export const FORMS: Readonly<Record<UseCaseName, (ids: Ids, pick: Pick) => unknown>> = {
  job: ({ vehicles }, pick) => ({
    vehicleId: pick(vehicles),
    complaint: 'It shakes.',
    odometerKm: '50000',
    corners: ['FL', 'FR'],
  }),
  'check-begin': () => ({
    ...{ id: crypto.randomUUID(), setId: crypto.randomUUID(), corner: 'FL' },
    ...{ fastening: 'studs', studs: 5, discard: '', runout: '' },
  }),
  'check-plate': ({ jobs }, pick) => ({ jobId: pick(jobs), plate: 'SK-900-Q' }),
  owner: ({ vehicles }, pick) => ({
    ...{ vehicleId: pick(vehicles), name: 'The baker', reach: 'at the quay' },
  }),
  sheet: () => ({
    id: null,
    form: {
      ...{ make: 'Osgrave', model: 'Batch delivery van', yearFrom: '2015', yearTo: '' },
      ...{ axle: 'front', variant: '', wheel: '' },
      figures: { discard: { text: '20.0', source: 'maker' } },
    },
  }),
  'sheet-drop': ({ vehicles }, pick) => ({ id: pick(vehicles) }),
  'sheets-in': () => ({
    text: 'make,model,axle,discard_mm,discard_source\nOsgrave,Batch delivery van,front,20,maker\n',
    take: [],
  }),
  'sheet-from': ({ vehicles }, pick) => ({ id: pick(vehicles) }),
  'sheet-take': ({ vehicles }, pick) => ({
    ...{ vehicleId: pick(vehicles), make: 'Osgrave', model: 'Batch delivery van' },
  }),
  fastening: ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', fastening: 'bolts', studs: 4 },
  }),
  limit: ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', kind: 'discard', text: '24.0', source: 'stamped' },
  }),
  complaint: ({ jobs }, pick) => ({
    jobId: pick(jobs),
    form: { complaint: 'It shakes more.', odometerKm: '', corners: ['FL'] },
  }),
  finding: ({ jobs }, pick) => ({ jobId: pick(jobs), code: 'pull', corner: null, value: 'left' }),
  'finding-aside': ({ jobs }, pick) => ({ jobId: pick(jobs), code: 'pull', isAside: true }),
  'road-test': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), phase: 'before', diameter: 0.68, summary: {} },
  }),
  'road-test-back': ({ jobs, sets }, pick) => ({ jobId: pick(jobs), id: pick(sets) }),
  tyre: ({ jobs }, pick) => ({
    jobId: pick(jobs),
    form: { tyre: '205/55R16', finalDrive: '3.7' },
  }),
  check: ({ jobs }, pick) => {
    const [kind, item, value] = pick(CHECKS);
    return {
      ...{ jobId: pick(jobs), kind, place: kind === 'pedal' || kind === 'bedding' ? '' : 'FL' },
      ...{ item, value, note: null, seen: null },
    };
  },
  'looks-sound': ({ jobs }, pick) => ({ jobId: pick(jobs), corner: 'FL' }),
  'looks-back': ({ jobs }, pick) => ({ jobId: pick(jobs), stamps: ['a', 'b'] }),
  'plan-copy': ({ jobs }, pick) => ({ jobId: pick(jobs), corner: 'FL' }),
  'part-off': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', name: 'Pad, inner', wear: 'worn', orientation: '' },
  }),
  'part-change': ({ parts }, pick) => ({
    ...{ partId: pick(parts), was: { note: null }, change: { note: 'scratched' } },
  }),
  'part-drop': ({ parts }, pick) => ({ id: pick(parts) }),
  'part-back': ({ parts }, pick) => ({ id: pick(parts), isBack: true }),
  photo: ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', partId: null, caption: 'x' },
    ...{ picture: PIXEL, thumb: PIXEL },
  }),
  'photo-back': ({ jobs, sets }, pick) => ({ jobId: pick(jobs), id: pick(sets) }),
  'set-begin': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', kind: 'runout', phase: 'before', face: 'outboard' },
    ...{ positions: 12, shift: 0 },
  }),
  'set-sweep': ({ sets }, pick) => ({
    setId: pick(sets),
    lap: 0,
    sweep: {
      unit: 'mm',
      times: Array.from({ length: 300 }, (_, i) => 50 * i),
      values: Array.from({ length: 300 }, (_, i) => Math.round(20 * Math.cos(i / 48))),
      marks: [0, 15_000],
    },
  }),
  'set-lap': ({ sets }, pick) => ({ setId: pick(sets), has: 1 }),
  'set-aside': ({ sets }, pick) => ({ setId: pick(sets), reason: 'slipped' }),
  'set-take-back': ({ sets }, pick) => ({ setId: pick(sets) }),
  'set-details': ({ sets }, pick) => ({ setId: pick(sets), rotorCelsius: 20 }),
  'sets-import': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), corner: 'FL', phase: 'before', kind: 'runout', face: 'outboard' },
    ...{ shift: 0, text: '0.01 0.02 0.03 0.04 0.03 0.02 0.01 0.00' },
  }),
  reading: ({ sets }, pick) => ({
    ...{ setId: pick(sets), lap: 0, position: pick([0, 1, 5]), text: '0.02', unit: 'mm' },
  }),
  decide: ({ jobs }, pick) => ({ jobId: pick(jobs), corner: 'FL', action: pick(['leave', 'new']) }),
  'decide-pair': ({ jobs }, pick) => ({
    jobId: pick(jobs),
    left: { corner: 'FL', action: 'new' },
    right: { corner: 'FR', action: 'new' },
  }),
  undecide: ({ jobs }, pick) => ({ jobId: pick(jobs), corner: 'FL' }),
  'torque-figure': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), axle: 'front', fastener: 'wheel-nuts', source: 'maker', angle: 0 },
    ...{ figure: { text: '120', unit: 'N·m', confirmed: true }, treatment: '', oneUse: false },
  }),
  'bleed-order': ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), order: 'RR RL FR FL', source: 'maker' },
  }),
  programme: (_, pick) => ({
    school: pick(Object.keys(SHIPPED_PROGRAMMES)),
    programme: pick(Object.values(SHIPPED_PROGRAMMES)),
  }),
  recheck: ({ jobs }, pick) => ({
    ...{ jobId: pick(jobs), what: 'wheel-nuts', afterKm: 50, on: null },
  }),
  'recheck-end': ({ sets }, pick) => ({ id: pick(sets), isDone: true }),
  'sign-off': ({ jobs }, pick) => ({ jobId: pick(jobs), cause: null, reason: 'x' }),
  'taken-back': ({ jobs }, pick) => ({ jobId: pick(jobs), seq: 5, reason: 'seen' }),
  addition: ({ closed }, pick) => ({ jobId: pick(closed), text: 'Seen again.' }),
  vehicle: ({ vehicles }, pick) => ({
    id: pick([null, ...vehicles]),
    form: { ...pick(Object.values(VEHICLES)), plate: `SK-${pick([1, 2, 3, 4, 5, 6, 7])}-D` },
  }),
  gauge: ({ gauges }, pick) => ({
    ...(gauges.length > 0 ? { id: pick(gauges) } : {}),
    ...{ name: 'Dial', kind: 'dial', resolution: '0.01', repeatability: '0.003', mpe: '' },
    ...{ due: '2031-02-28', unit: 'mm', turned: false, isUsual: true, lineFormat: null },
  }),
  'gauge-retire': ({ gauges, sets }, pick) => ({ id: pick([...gauges, ...sets.slice(0, 1)]) }),
  person: (_, pick) => ({ name: pick(['Wren', 'Abel', 'Mira']), role: 'apprentice' }),
  'person-change': ({ people, lead }, pick) => ({
    id: pick(people.filter((id) => id !== lead)),
    form: { role: 'technician', initials: 'XY' },
  }),
  'person-remove': ({ sets }, pick) => ({ id: pick(sets) }),
  prices: () => formOfShop(readShop(undefined), 'mm'),
  rule: (_, pick) => ({ rule: pick(['bolts', 'grease', 'star']), choice: null }),
  knowledge: (_, pick) => ({
    what: pick(['weight', 'numbers', 'drop-weight', 'reset']),
    fields: { answer: 'pull left', cause: 'hose', decibans: '3' },
  }),
  'practice-case': () => {
    const outcome = {
      ...{ code: 'FB-00007', at: Date.now(), who: null, isRight: false, isHarm: false },
      ...{ minutes: 1, best: 60, missed: [], errorUm: null },
    };
    const steps = [{ id: '1', name: 'practice-done', input: outcome }];
    return { id: crypto.randomUUID(), code: 'FB-00007', steps };
  },
  'practice-task': ({ people }, pick) => ({
    ...{ id: crypto.randomUUID(), personId: pick(people), code: 'RD-00003', note: 'Once more.' },
  }),
  'practice-nose': (ids, pick) => ({ jobId: pick(ids.jobs), how: pick(['on', 'off', 'once']) }),
  'practice-task-back': ({ vehicles }, pick) => ({ id: pick(vehicles) }),
  units: (_, pick) => pick(['mm', 'thou']),
  'torque-unit': (_, pick) => pick(['N·m', 'lb·ft', 'kgf·m']),
  positions: (_, pick) => pick([8, 12, null]),
};
