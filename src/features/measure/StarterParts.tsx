import { Form } from 'react-bootstrap';
import type { Carried } from '@/core/job';
import type { preparationFor, PreparationId } from '@/core/quality';
import { PressRow, TextField } from '@/ui/field';
import { detailSign } from './detail';
import { KIND_NAME } from './model';
import { mountingName } from './mountingName';
import type { Starter } from './useStarter';
import styles from './measure.module.css';
import lists from '@/ui/shell/lists.module.css';

const KINDS = ['runout', 'thickness', 'hub'] as const;

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
export function Preparation({
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
      <div className={styles.ready}>
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

/** Runout, thickness or the hub face. */
export const KindChoice = ({ starter: { corner, own, pickKind } }: StarterPart) => (
  <PressRow
    label="What is measured"
    className="mb-3"
    choices={KINDS.filter(
      (kind) =>
        (kind !== 'hub' || corner.phase !== 'after') &&
        (kind !== 'thickness' || corner.isComposite !== true),
    ).map((kind) => ({
      value: kind,
      label: KIND_NAME[kind],
    }))}
    value={own.kind}
    onPress={pickKind}
  />
);

interface StarterPart {
  readonly starter: Starter;
}

/** To what the nuts are drawn up, with where the figure is carried over from. */
export function DrawnUp({ starter }: StarterPart) {
  const { corner, own, asked, nuts, texts, messages, torqueSource, torque, type } = starter;
  if (own.kind !== 'runout') return null;
  return (
    <div className={lists.pair} ref={torque}>
      <TextField
        label={`${asked.asFound ? 'As found the' : 'The'} ${nuts}s are drawn up to (${detailSign('torqueNm', corner.units)})`}
        value={texts.torqueNm ?? ''}
        error={messages.torqueNm}
        isFigure
        onChange={(text) => type('torqueNm', text)}
        // Of a figure that is typed over, nothing is carried.
        {...(torqueSource !== undefined && { hint: `Carried over: ${torqueSource}.` })}
      />
    </div>
  );
}

/** How the rotor sits, where it is read, and at how many places. */
export function Mounting({ starter }: StarterPart) {
  const { corner, own, change, shifts, positions, setPositions, texts, messages } = starter;
  return (
    <div className={lists.pair}>
      {own.kind !== 'hub' && (
        <Choose
          id="set-shift"
          label="Rotor sits"
          value={own.shift}
          choices={shifts.map((shift) => ({ value: shift, label: mountingName(corner, shift) }))}
          onChange={(value) => change({ shift: Number(value) })}
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
          onChange={(value) => change({ face: value === 'inboard' ? 'inboard' : 'outboard' })}
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
          onChange={(value) => change({ circle: value === 'inner' ? 'inner' : 'outer' })}
        />
      )}
      {!own.sweep && (
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
      )}
      <Choose
        id="set-purpose"
        label="Read for"
        value={starter.purpose}
        choices={starter.readFor}
        onChange={starter.pickPurpose}
      />
    </div>
  );
}
