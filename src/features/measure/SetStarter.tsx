'use client';

import { useEffect, useRef, useState } from 'react';
import { Form } from 'react-bootstrap';
import {
  PREPARATION_IDS,
  preparationFor,
  recommendedPositions,
  type PreparationId,
  type Purpose,
} from '@/core/quality';
import type { Carried } from '@/core/job';
import { FIRST_PLACES } from '@/core/thickness';
import { TextField } from '@/ui/field';
import { KIND_NAME, type BenchCorner, type BenchSet } from './model';
import { mountingName } from './mountingName';
import { planFor, readAngles, readPositions, saidOf, type SetPlan } from './plan';
import { detailSign, detailText, readDetail, type Detail } from './detail';
import { DETAILS, SetCircumstances, type StarterTexts } from './SetCircumstances';

const KINDS = ['runout', 'thickness', 'hub'] as const;

/** What stays dangerous whatever is prepared. */
const CAUTION: Readonly<Record<BenchSet['kind'], string>> = {
  runout: 'Neutral, other axle chocked, hands clear of the wheel while it turns.',
  hub: 'Rotor off. Neutral, other axle chocked. The radius of the circle goes into the set.',
  thickness: 'A hot rotor burns: let it cool.',
};

interface SetStarterProps {
  readonly corner: BenchCorner;
  readonly plan: SetPlan;
  readonly onStart: (plan: SetPlan) => void;
}

interface Choice {
  readonly value: string | number;
  readonly label: string;
}

function Choose({
  id,
  label,
  value,
  choices,
  onChange,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: string | number;
  readonly choices: readonly Choice[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <Form.Group controlId={id}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(event) => onChange(event.target.value)}>
        {choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.label}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

/**
 * What must be so before the first reading: nothing is taken as so unless it is ticked, said at
 * once, or proved by an earlier step, which is named.
 */
function Preparation({
  items,
  said,
  proved,
  onToggle,
}: {
  readonly items: ReturnType<typeof preparationFor>;
  readonly said: readonly PreparationId[];
  readonly proved: Carried['proved'];
  readonly onToggle: (id: PreparationId) => void;
}) {
  return (
    <fieldset className="mb-3">
      <legend className="fs-6">Is this so? Tick what is, or say it all at once below.</legend>
      <div className="zh-ready">
        {items.map(({ id, label }) => {
          const source = proved.find((each) => each.id === id)?.source;
          return (
            <Form.Check
              key={id}
              id={`ready-${id}`}
              label={source ? `${label} (${source})` : label}
              checked={said.includes(id)}
              onChange={() => onToggle(id)}
            />
          );
        })}
      </div>
    </fieldset>
  );
}

/** What a set is read for: it says how many places it begins with. */
type ReadFor = Purpose | 'settled' | 'prints';

/** Pad prints and rust lie between eight places: they are looked for on as many as these. */
const PRINT_PLACES = 24;

function purposesOf(kind: BenchSet['kind'], studs: number, nuts: string) {
  const usual = recommendedPositions('usual', studs);
  const pull = recommendedPositions('nut-pull', studs);
  const choice = (value: ReadFor, positions: number, label: string) => ({
    value,
    positions,
    label,
  });
  return kind === 'thickness'
    ? [
        choice(
          'settled',
          FIRST_PLACES,
          `variation: ${FIRST_PLACES} places, more until it is settled`,
        ),
        choice('prints', PRINT_PLACES, `pad prints or rust seen: ${PRINT_PLACES} places`),
        choice('usual', usual, `${usual} places and no more`),
      ]
    : [
        choice('usual', usual, `wobble and variation: ${usual} recommended`),
        choice('nut-pull', pull, `uneven ${nuts} torque too: ${pull} recommended`),
      ];
}

/** Chooses kind, positions and mounting of a new set; the likely ones are chosen already. */
export function SetStarter({ corner, plan, onStart }: SetStarterProps) {
  const first = useRef<HTMLButtonElement>(null);
  const torque = useRef<HTMLDivElement>(null);
  useEffect(() => first.current?.focus({ preventScroll: true }), []);
  const [own, setOwn] = useState(plan);
  const proved = corner.carried?.proved ?? [];
  const [said, setSaid] = useState<readonly PreparationId[]>(proved.map(({ id }) => id));
  const [positions, setPositions] = useState(String(plan.positions));
  const [texts, setTexts] = useState<StarterTexts>(() => ({
    angles: (plan.angles ?? []).join(' '),
    torqueNm: detailText('torqueNm', plan.torqueNm ?? null, corner.units),
    endPlayUm: detailText('endPlayUm', plan.endPlayUm ?? null, corner.units),
  }));
  const [purpose, setPurpose] = useState<ReadFor>(plan.settle ? 'settled' : 'usual');
  const [messages, setMessages] = useState<StarterTexts & { readonly positions?: string }>({});
  const shifts = Array.from({ length: corner.studs }, (_, shift) => shift).filter(
    (shift) => corner.allowedShifts?.includes(shift) ?? true,
  );
  const asked = { ...corner, kind: own.kind, asFound: corner.phase === 'as-found' };
  const items = preparationFor(asked);
  const left = items.map(({ id }) => id).filter((id) => !said.includes(id));
  const name = KIND_NAME[own.kind].toLowerCase();
  const nuts = corner.fastening === 'studs' ? 'nut' : 'bolt';
  const carried = corner.carried?.torqueNm ?? null;
  const carriedText = detailText('torqueNm', carried?.value ?? null, corner.units);
  const torqueSource = texts.torqueNm === carriedText ? carried?.source : undefined;
  const readFor = purposesOf(own.kind, corner.studs, nuts);
  const pickKind = (kind: BenchSet['kind']): void => {
    const next = planFor(kind, own, corner);
    // A number that was typed stands.
    const isTyped = positions !== String(own.positions);
    setOwn({ ...next, gaugeId: null, settle: next.settle === true && !isTyped });
    if (!isTyped) setPositions(String(next.positions));
    setPurpose(next.settle && !isTyped ? 'settled' : 'usual');
  };
  const begin = (leaving: readonly PreparationId[]): void => {
    const where = readAngles(texts.angles ?? '');
    const count = where.angles ? { positions: where.angles.length } : readPositions(positions);
    const noted: Partial<Record<Detail, number | null>> = {};
    const wrong: Partial<Record<Detail | 'angles' | 'positions', string>> = {};
    if (count.message) wrong.positions = count.message;
    if (where.message) wrong.angles = where.message;
    for (const [detail] of DETAILS[own.kind]) {
      const read = readDetail(detail, texts[detail] ?? '', corner.units);
      if ('message' in read) wrong[detail] = read.message;
      else noted[detail] = read.value;
    }
    const isDrawnUp = items.some(({ id }) => id === 'nuts') && !leaving.includes('nuts');
    if (isDrawnUp && !wrong.torqueNm && typeof noted.torqueNm !== 'number') {
      wrong.torqueNm = `Say to what torque the ${nuts}s were drawn up, or take the tick from them.`;
    }
    setMessages(wrong);
    if (wrong.torqueNm) torque.current?.querySelector('input')?.focus();
    if (Object.keys(wrong).length > 0 || count.positions === undefined) {
      return;
    }
    const angles = where.angles ?? null;
    const settle = own.settle === true && angles === null && count.positions === FIRST_PLACES;
    onStart({ ...own, ...noted, positions: count.positions, settle, angles, left: [...leaving] });
  };
  return (
    <form
      className="zh-card"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const { submitter } = event.nativeEvent as SubmitEvent;
        const isAll = submitter === first.current;
        // What is said stands as ticks, whatever else is asked before the set begins.
        if (isAll) setSaid(PREPARATION_IDS);
        begin(isAll ? [] : left);
      }}
      onKeyDown={(event) => {
        const isField =
          event.target instanceof HTMLInputElement && event.target.type !== 'checkbox';
        if (event.key !== 'Enter' || !isField || left.length === 0) return;
        // Enter in a field would press the first button, and say that all of this is so.
        event.preventDefault();
        first.current?.focus();
      }}
    >
      <h2 className="visually-hidden">New set</h2>
      <div className="zh-tabs mb-3" role="group" aria-label="What is measured">
        {KINDS.filter((kind) => kind !== 'hub' || corner.phase !== 'after').map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-outline-secondary"
            aria-pressed={own.kind === kind}
            onClick={() => pickKind(kind)}
          >
            {KIND_NAME[kind]}
          </button>
        ))}
      </div>
      {own.kind === 'runout' && (
        <div className="zh-pair" ref={torque}>
          <TextField
            label={`${asked.asFound ? 'As found the' : 'The'} ${nuts}s are drawn up to (${detailSign('torqueNm', corner.units)})`}
            value={texts.torqueNm ?? ''}
            error={messages.torqueNm}
            isFigure
            onChange={(text) => setTexts({ ...texts, torqueNm: text })}
            // Of a figure that is typed over, nothing is carried.
            {...(torqueSource !== undefined && { hint: `Carried over: ${torqueSource}.` })}
          />
        </div>
      )}
      <Preparation
        items={items}
        said={said}
        proved={proved}
        onToggle={(id) =>
          setSaid(said.includes(id) ? said.filter((each) => each !== id) : [...said, id])
        }
      />
      <div className="zh-pair">
        {own.kind !== 'hub' && (
          <Choose
            id="set-shift"
            label="Rotor sits"
            value={own.shift}
            choices={shifts.map((shift) => ({ value: shift, label: mountingName(corner, shift) }))}
            onChange={(value) => setOwn({ ...own, shift: Number(value) })}
          />
        )}
        {own.kind === 'runout' && (
          <Choose
            id="set-face"
            label="Dial on the face"
            value={own.face}
            choices={[
              { value: 'outboard', label: 'outboard (wheel side)' },
              { value: 'inboard', label: 'inboard (sign is turned)' },
            ]}
            onChange={(value) =>
              setOwn({ ...own, face: value === 'inboard' ? 'inboard' : 'outboard' })
            }
          />
        )}
        {own.kind === 'thickness' && (
          <Choose
            id="set-circle"
            label="On the circle"
            value={own.circle ?? 'outer'}
            choices={[
              { value: 'outer', label: 'outer (the probe’s)' },
              { value: 'inner', label: 'inner, nearer the hub (taper)' },
            ]}
            onChange={(value) => setOwn({ ...own, circle: value === 'inner' ? 'inner' : 'outer' })}
          />
        )}
        <Form.Group controlId="set-positions">
          <Form.Label>Positions</Form.Label>
          <Form.Control
            inputMode="numeric"
            autoComplete="off"
            value={positions}
            isInvalid={messages.positions !== undefined}
            aria-invalid={messages.positions !== undefined}
            disabled={(texts.angles ?? '').trim() !== ''}
            onChange={(event) => setPositions(event.target.value)}
          />
          {messages.positions && <div className="zh-error">{messages.positions}</div>}
        </Form.Group>
        <Choose
          id="set-purpose"
          label="Read for"
          value={purpose}
          choices={readFor}
          onChange={(value) => {
            const chosen = readFor.find((each) => each.value === value);
            if (!chosen) return;
            setPurpose(chosen.value);
            setPositions(String(chosen.positions));
            setOwn({ ...own, positions: chosen.positions, settle: chosen.value === 'settled' });
          }}
        />
      </div>
      <SetCircumstances
        plan={own}
        corner={corner}
        texts={texts}
        messages={messages}
        onType={(field, text) => setTexts({ ...texts, [field]: text })}
        onChange={(change) => setOwn({ ...own, ...change })}
      />
      <p className="zh-muted mt-2">
        {saidOf(own, corner)}
        {CAUTION[own.kind]}
      </p>
      <div className="zh-begin d-flex flex-wrap gap-2">
        <button className="btn btn-primary" ref={first}>
          {left.length > 0 ? `All of this is so: start ${name}` : `Start ${name}`}
        </button>
        {left.length > 0 && (
          <button className="btn btn-outline-secondary">Start, {left.length} left out</button>
        )}
      </div>
    </form>
  );
}
