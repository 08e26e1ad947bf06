'use client';

import { Form } from 'react-bootstrap';
import type { FieldErrors, UseFormRegister } from 'react-hook-form';
import { LIMIT_FIELDS, type VehicleForm } from '@/core/contracts';
import { TRAIT_NAME, TRAITS } from '@/core/procedure';
import { fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { SOURCE_CHOICES } from '@/core/assessment';
import { FormField } from '@/ui/field';
import { PISTONS, type Entered } from './model';

interface AxleFieldsProps {
  readonly axle: 'front' | 'rear';
  readonly units: UnitSystem;
  readonly register: UseFormRegister<VehicleForm>;
  readonly errors: FieldErrors<VehicleForm>;
  readonly entered: Entered;
}

/** What carries the wheels of an axle, and its figures with their sources. */
export function AxleFields({ axle, units, register, errors, entered }: AxleFieldsProps) {
  const own = errors[axle];
  return (
    <fieldset className="zh-card mb-3">
      <legend className="fs-5 fw-bold">{axle === 'front' ? 'Front axle' : 'Rear axle'}</legend>
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
          label="Rotor goes on"
          error={own?.places?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.places`)}>
              <option value="any">at any stud or hole</option>
              <option value="as-found">in one place only (screw, pin, one piece)</option>
            </Form.Select>
          )}
        />
      </div>
      <div className="zh-limits">
        <FormField
          label="Caliper"
          error={own?.caliper?.message}
          control={(ids) => (
            <Form.Select {...ids} {...register(`${axle}.caliper`)}>
              <option value="floating">floating (slides on pins)</option>
              <option value="fixed">fixed (pistons on both sides)</option>
            </Form.Select>
          )}
        />
        <FormField
          label="Pistons in a caliper"
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
        label="Mass of one rotor (kg)"
        hint="For the bedding-in estimate."
        error={own?.rotorKg?.message}
        control={(ids) => (
          <Form.Control
            className="zh-pulled"
            inputMode="decimal"
            autoComplete="off"
            {...ids}
            {...register(`${axle}.rotorKg`)}
          />
        )}
      />
      <fieldset className="mb-3">
        <legend className="fs-6 fw-normal mb-0">It also has (the strip-down follows it)</legend>
        <div className="zh-traits">
          {TRAITS.map((trait) => (
            <label key={trait} className="zh-check">
              <input type="checkbox" value={trait} {...register(`${axle}.traits`)} />{' '}
              {TRAIT_NAME[trait]}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="zh-limits">
        {LIMIT_FIELDS.map(({ kind, name, role }) => (
          <FormField
            key={kind}
            label={`${name} (${UNIT_SIGN[fieldUnit(units, role)]})`}
            hint={entered[`${axle}.${kind}`]}
            error={own?.limits?.[kind]?.length?.message}
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
    </fieldset>
  );
}
