import { Button, Form, Table } from 'react-bootstrap';
import { HARDNESS, type Hardness } from '@/core/bedding';
import type { SpeedUnit } from '@/core/units';
import type { Typed } from './beddingForm';
import type { Planning } from './useBeddingPlan';
import styles from './rebuild.module.css';

/** One group of stops in the table. */
function GroupRow({
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

/** The groups of stops that a programme is made of, each with its fields. */
export function StopsTable({
  planning,
  unit,
}: {
  readonly planning: Planning;
  readonly unit: SpeedUnit;
}) {
  const { typed, read, changeGroup, dropGroup } = planning;
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label="Stops">
      <Table size="sm" className={`${styles.stops} mb-2`}>
        <thead>
          <tr>
            <th scope="col">Stops</th>
            <th scope="col">From ({unit})</th>
            <th scope="col">To ({unit})</th>
            <th scope="col">How hard</th>
            <th scope="col">Seconds apart</th>
            <th scope="col">
              <span className="visually-hidden">Drop</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {typed.groups.map((group, i) => {
            const own = read.groups[i];
            return (
              <GroupRow
                key={i}
                number={i + 1}
                group={group}
                unit={unit}
                wrong={typeof own === 'string' ? own : null}
                onChange={(next) => changeGroup(i, next)}
                onDrop={() => dropGroup(i)}
              />
            );
          })}
        </tbody>
      </Table>
    </div>
  );
}
