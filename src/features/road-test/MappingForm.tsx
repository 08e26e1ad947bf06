'use client';

import { Button, FormSelect } from 'react-bootstrap';
import { ROLES, type Role } from '@/core/roadtest';
import { ASKED_UNITS, type Chosen, type ChosenUnits } from './model';

const ROLE_NAME: Readonly<Record<Role, string>> = {
  time: 'Time',
  x: 'Acceleration, first axis',
  y: 'Acceleration, second axis',
  z: 'Acceleration, third axis',
  speed: 'Speed',
  brake: 'Brake on',
};

/** What was chosen so far: columns by role, and units. */
export interface Mapping {
  readonly map: Chosen;
  readonly units: ChosenUnits;
}

interface MappingFormProps {
  readonly header: readonly string[];
  readonly chosen: Mapping;
  readonly onChoose: (chosen: Mapping) => void;
  readonly onRead: () => void;
}

/** Which column is which, and in what unit, asked where the file does not make it plain. */
export function MappingForm({ header, chosen, onChoose, onRead }: MappingFormProps) {
  const { map, units } = chosen;
  const setMap = (changed: Chosen): void => onChoose({ ...chosen, map: changed });
  const setUnits = (changed: ChosenUnits): void => onChoose({ ...chosen, units: changed });
  return (
    <div className="mt-3">
      <h3>Which column is which?</h3>
      <div className="zh-limits">
        {ROLES.map((role) => (
          <label key={role} className="d-block mb-2">
            {ROLE_NAME[role]}
            <FormSelect
              aria-label={ROLE_NAME[role]}
              value={map[role] ?? ''}
              onChange={({ target }) => {
                const { [role]: _, ...others } = map;
                setMap(target.value === '' ? others : { ...others, [role]: target.value });
              }}
            >
              <option value="">by its name, or none</option>
              {header.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </FormSelect>
          </label>
        ))}
        {(['time', 'axes', 'speed'] as const).map((kind) => (
          <label key={kind} className="d-block mb-2">
            Unit of {kind === 'axes' ? 'acceleration' : kind}
            <FormSelect
              aria-label={`Unit of ${kind === 'axes' ? 'acceleration' : kind}`}
              value={units[kind] ?? ''}
              onChange={({ target }) => {
                const { [kind]: _, ...others } = units;
                const factor = target.value === '' ? undefined : Number(target.value);
                setUnits(factor === undefined ? others : { ...others, [kind]: factor });
              }}
            >
              <option value="">as the file says</option>
              {ASKED_UNITS[kind].map(([name, factor]) => (
                <option key={name} value={factor}>
                  {name}
                </option>
              ))}
            </FormSelect>
          </label>
        ))}
      </div>
      <Button type="button" variant="primary" onClick={onRead}>
        Read it so
      </Button>
    </div>
  );
}
