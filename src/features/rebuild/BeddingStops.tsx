import { Button, Form } from 'react-bootstrap';
import { HARDNESS, type Hardness } from '@/core/bedding';
import type { SpeedUnit } from '@/core/units';
import type { Typed } from './beddingForm';

/** One group of stops in the table. */
export function GroupRow({
  group,
  unit,
  number,
  wrong,
  onChange,
  onDrop,
}: {
  readonly group: Typed;
  readonly unit: SpeedUnit;
  readonly number: number;
  readonly wrong: string | null;
  readonly onChange: (group: Typed) => void;
  readonly onDrop: () => void;
}) {
  const cell = (field: 'stops' | 'from' | 'to' | 'spacing', label: string) => (
    <td>
      <Form.Control
        inputMode="decimal"
        aria-label={`${label}, group ${number}`}
        value={group[field]}
        onChange={({ target }) => onChange({ ...group, [field]: target.value })}
      />
    </td>
  );
  return (
    <>
      <tr>
        {cell('stops', 'Stops')}
        {cell('from', `From (${unit})`)}
        {cell('to', `To (${unit})`)}
        <td>
          <Form.Select
            aria-label={`How hard, group ${number}`}
            value={group.hard}
            onChange={({ target }) => onChange({ ...group, hard: target.value as Hardness })}
          >
            {Object.keys(HARDNESS).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Form.Select>
        </td>
        {cell('spacing', 'Seconds apart')}
        <td>
          <Button type="button" variant="outline-secondary" onClick={onDrop}>
            Drop<span className="visually-hidden"> group {number}</span>
          </Button>
        </td>
      </tr>
      {wrong && (
        <tr>
          <td colSpan={6} className="zh-error" role="alert">
            {wrong}
          </td>
        </tr>
      )}
    </>
  );
}
