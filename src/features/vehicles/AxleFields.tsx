'use client';

import { Form } from 'react-bootstrap';
import type { FieldErrors, UseFormRegister, UseFormRegisterReturn } from 'react-hook-form';
import { LIMIT_FIELDS, type LimitField, type VehicleForm } from '@/core/contracts';
import { isOfDrum, OF_ROTOR } from '@/core/sheets';
import { TRAIT_NAME, TRAIT_NAME_OF_DRUM, TRAITS, type Trait } from '@/core/procedure';
import { fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { SOURCE_CHOICES } from '@/core/assessment';
import { FormField } from '@/ui/field';
import { PISTONS, type Entered } from './model';
import picks from '@/ui/shell/picks.module.css';

interface AxleFieldsProps {
  readonly axle: 'front' | 'rear';
  readonly units: UnitSystem;
  readonly register: UseFormRegister<VehicleForm>;
  readonly errors: FieldErrors<VehicleForm>;
  readonly entered: Entered;
  /** What is chosen in it so far: fields follow it. */
  readonly chosen: Pick<VehicleForm['front'], 'places' | 'studs' | 'caliper' | 'traits'>;
}

/** How the wheel and its rotor or drum are held. */
function HoldFields({ axle, register, errors, chosen }: AxleFieldsProps) {
  const own = errors[axle];
  return (
    <>
      <div className="zh-limits">
        <FormField
          label="Wheel held by"
          error={own?.fastening?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.fastening`)}>
              <option value="studs">studs and nuts</option>
              <option value="bolts">bolts in holes</option>
            </Form.Select>
          )}
        />
        <FormField
          label="How many"
          error={own?.studs?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.studs`)}>
              {[3, 4, 5, 6, 7, 8, 9, 10].map((count) => (
                <option key={count} value={count}>
                  {count}
                </option>
              ))}
            </Form.Select>
          )}
        />
        <FormField
          label={chosen.caliper === 'drum' ? 'Drum goes on' : 'Rotor goes on'}
          error={own?.places?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.places`)}>
              <option value="any">at any stud or hole</option>
              <option value="as-found">in one place only (screw, pin, one piece)</option>
              <option value="some">at some of them only (access hole, pin)</option>
            </Form.Select>
          )}
        />
        <FormField
          label="Thread of its nuts or bolts"
          hint="Like M12x1.5: torques that are usual for it."
          error={own?.thread?.message}
          control={(ids) => (
            <Form.Control autoComplete="off" {...ids} {...register(`${axle}.thread`)} />
          )}
        />
      </div>
      {chosen.places === 'some' && (
        <Ticks
          legend="It goes on at its mark, and so many places on from there (clockwise on the left, counter-clockwise on the right, as you face it)"
          values={Array.from({ length: Number(chosen.studs) - 1 }, (_, i) => String(i + 1))}
          nameOf={(shift) => `${shift} on`}
          field={register(`${axle}.shifts`)}
        />
      )}
    </>
  );
}

/** Several of some things, each with a tick. */
const Ticks = <Value extends string>({
  legend,
  values,
  nameOf,
  field,
}: {
  readonly legend: string;
  readonly values: readonly Value[];
  readonly nameOf: (value: Value) => string;
  readonly field: UseFormRegisterReturn;
}) => (
  <fieldset className="mb-3">
    <legend className="fs-6 fw-normal mb-0">{legend}</legend>
    <div className={picks.traits}>
      {values.map((value) => (
        <label key={value} className={picks.check}>
          <input type="checkbox" value={value} {...field} /> {nameOf(value)}
        </label>
      ))}
    </div>
  </fieldset>
);

/** What brakes the wheel, and what it has besides. */
function BrakeFields({ axle, register, errors, chosen }: AxleFieldsProps) {
  const own = errors[axle];
  const isDrum = chosen.caliper === 'drum';
  const mayHave = (trait: Trait): boolean =>
    !isDrum || !OF_ROTOR.includes(trait) || (chosen.traits ?? []).includes(trait);
  return (
    <>
      <div className="zh-limits">
        <FormField
          label="Brake"
          error={own?.caliper?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.caliper`)}>
              <option value="floating">floating caliper (slides on pins)</option>
              <option value="fixed">fixed caliper (pistons on both sides)</option>
              <option value="drum">drum (shoes inside)</option>
            </Form.Select>
          )}
        />
        <FormField
          label={isDrum ? 'Pistons in a wheel cylinder' : 'Pistons in a caliper'}
          error={own?.pistons?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.pistons`)}>
              {PISTONS.map((count) => (
                <option key={count} value={count}>
                  {count === '' ? 'not known' : count}
                </option>
              ))}
            </Form.Select>
          )}
        />
      </div>
      <FormField
        label={`Mass of one ${isDrum ? 'drum' : 'rotor'} (kg)`}
        hint="For the bedding-in estimate."
        error={own?.rotorKg?.message}
        control={(ids) => (
          <Form.Control
            className={picks.pulled}
            inputMode="decimal"
            autoComplete="off"
            {...ids}
            {...register(`${axle}.rotorKg`)}
          />
        )}
      />
      <Ticks
        legend="It also has (the strip-down follows it)"
        values={TRAITS.filter(mayHave)}
        nameOf={(trait) => (isDrum ? TRAIT_NAME_OF_DRUM[trait] : undefined) ?? TRAIT_NAME[trait]}
        field={register(`${axle}.traits`)}
      />
    </>
  );
}

/** The figures that it is held against, each with its source. */
function LimitFields({ axle, units, register, errors, entered, chosen }: AxleFieldsProps) {
  const isDrum = chosen.caliper === 'drum';
  // What stands on file of the other kind stays in sight: it is not lost by a choice.
  const isShown = (kind: LimitField): boolean =>
    kind === 'piston' || isOfDrum(kind) === isDrum || entered[`${axle}.${kind}`] !== undefined;
  const nameOf = (kind: LimitField, name: string): string =>
    isDrum && kind === 'piston' ? 'Wheel cylinder diameter' : name;
  return (
    <div className="zh-limits">
      {LIMIT_FIELDS.filter(({ kind }) => isShown(kind)).map(({ kind, name, role }) => (
        <FormField
          key={kind}
          label={`${nameOf(kind, name)} (${UNIT_SIGN[fieldUnit(units, role)]})`}
          hint={entered[`${axle}.${kind}`]}
          error={errors[axle]?.limits?.[kind]?.length?.message}
          control={(ids) => (
            <div className="d-flex gap-1">
              <Form.Control
                inputMode="decimal"
                autoComplete="off"
                {...ids}
                {...register(`${axle}.limits.${kind}.length`)}
              />
              <Form.Select
                aria-label={`Source of ${name.toLowerCase()}`}
                {...register(`${axle}.limits.${kind}.source`)}
              >
                {SOURCE_CHOICES.map(({ value, label, title }) => (
                  <option key={value} value={value} title={title}>
                    {label}
                  </option>
                ))}
              </Form.Select>
            </div>
          )}
        />
      ))}
    </div>
  );
}

/** What carries the wheels of an axle, and its figures with their sources. */
export const AxleFields = (props: AxleFieldsProps) => (
  <fieldset className="zh-card mb-3">
    <legend className="fs-5 fw-bold">{props.axle === 'front' ? 'Front axle' : 'Rear axle'}</legend>
    <HoldFields {...props} />
    <BrakeFields {...props} />
    <LimitFields {...props} />
  </fieldset>
);
