'use client';

import { useState } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import type { ShopForm } from '@/core/contracts';
import { ITEM_NAME, PRICE_ITEMS } from '@/core/options';
import { fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { PAD_FAMILIES } from '@/core/wear';
import { FormField, useSend } from '@/ui/field';
import { writePrices } from './writes';
import styles from './prices.module.css';

type TextKey = {
  [Key in keyof ShopForm]: ShopForm[Key] extends string ? Key : never;
}[keyof ShopForm];

const COLUMNS = [
  { key: 'parts', name: 'Parts' },
  { key: 'minutes', name: 'Minutes of work' },
  { key: 'away', name: 'Hours without the vehicle' },
] as const;

/** The shop\u2019s own prices and times; an empty figure is not known, and never taken for zero. */
export function PriceList({ initial, units }: { initial: ShopForm; units: UnitSystem }) {
  const { register, handleSubmit } = useForm<ShopForm>({ defaultValues: initial });
  const [said, setSaid] = useState<string | null>(null);
  const { send, busy, trouble, fields: messages } = useSend(writePrices);
  const isRefused = Object.keys(messages).length > 0;
  const small = UNIT_SIGN[fieldUnit(units, 'deviation')];
  const large = UNIT_SIGN[fieldUnit(units, 'size')];
  const text = (key: TextKey, label: string, hint?: string) => (
    <FormField
      label={label}
      error={messages[key]}
      {...(hint ? { hint } : {})}
      control={(ids) => (
        <Form.Control
          autoComplete="off"
          inputMode={key === 'currency' || key === 'plates' ? undefined : 'decimal'}
          {...ids}
          {...register(key)}
        />
      )}
    />
  );
  return (
    <form
      noValidate
      onChange={() => setSaid(null)}
      onSubmit={handleSubmit((form) =>
        send([form], () => setSaid('Kept. Open decisions follow it.')),
      )}
    >
      <section className="zh-card mb-3" aria-labelledby="rates">
        <h2 id="rates">Rates</h2>
        <div className="zh-limits">
          {text('currency', 'Currency, as it is written')}
          {text('hourly', 'An hour of work')}
          {text('comeback', 'What a comeback costs the shop')}
        </div>
      </section>
      <section className="zh-card mb-3" aria-labelledby="items">
        <h2 id="items">Parts and work</h2>
        <p>
          Leave empty what is not known: an option that needs it says so. Enter 0 only where it
          costs nothing. Tax is left out everywhere.
        </p>
        <div
          className="table-responsive"
          tabIndex={0}
          role="region"
          aria-label="Table of parts and work"
        >
          <Table size="sm" className={`align-middle ${styles.prices}`}>
            <thead>
              <tr>
                <th scope="col">What</th>
                {COLUMNS.map(({ key, name }) => (
                  <th key={key} scope="col">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {PRICE_ITEMS.map((item) => (
                <tr key={item}>
                  <th scope="row">{ITEM_NAME[item]}</th>
                  {COLUMNS.map(({ key, name }) => {
                    const message = messages[`items.${item}.${key}`];
                    return (
                      <td key={key}>
                        <Form.Control
                          aria-label={`${ITEM_NAME[item]}: ${name}`}
                          inputMode="decimal"
                          autoComplete="off"
                          isInvalid={message !== undefined}
                          aria-invalid={message !== undefined}
                          {...register(`items.${item}.${key}`)}
                        />
                        {message && <div className="zh-error">{message}</div>}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </Table>
        </div>
      </section>
      <section className="zh-card mb-3" aria-labelledby="equipment">
        <h2 id="equipment">Equipment</h2>
        <div className="zh-limits">
          <Form.Group controlId="bench">
            <Form.Label>Bench lathe</Form.Label>
            <Form.Select {...register('bench')}>
              <option value="own">our own</option>
              <option value="sent-out">another shop’s: rotors are sent out</option>
              <option value="none">none</option>
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="on-vehicle">
            <Form.Label>On-vehicle lathe</Form.Label>
            <Form.Select {...register('onVehicle')}>
              <option value="own">our own</option>
              <option value="none">none</option>
            </Form.Select>
          </Form.Group>
          {text('arborError', `Bench arbor error, TIR (${small})`)}
          {text('residual', `On-vehicle lathe leaves, TIR (${small})`)}
          {text('newRotorTolerance', `New rotor, its own runout at most, TIR (${small})`)}
          {text('sideToSide', `Left to right thickness difference allowed (${small})`)}
          {text(
            'plates',
            `Tapered plates at hand, TIR (${small})`,
            'Several with semicolons between.',
          )}
          {text('referenceRadius', `Radius their correction is stated at (${large})`)}
        </div>
      </section>
      <section className="zh-card mb-3" aria-labelledby="wear">
        <h2 id="wear">Wear</h2>
        <div className="zh-limits">
          <Form.Group controlId="family">
            <Form.Label>Pads the shop fits usually</Form.Label>
            <Form.Select {...register('padFamily')}>
              {PAD_FAMILIES.map((family) => (
                <option key={family}>{family}</option>
              ))}
            </Form.Select>
          </Form.Group>
          {text('padNew', `Lining of a new pad (${large})`)}
          {text('padMinimum', `Lining at which pads are renewed (${large})`)}
          {text('padWear', `Lining worn in 10,000 km (${large})`)}
        </div>
      </section>
      <div className="d-flex gap-3 align-items-center flex-wrap">
        <Button type="submit" variant="primary" disabled={busy}>
          {busy ? 'Keeping …' : 'Keep prices and times'}
        </Button>
        <span role="status">
          {isRefused ? 'Some figures need another look.' : (trouble ?? said)}
        </span>
      </div>
    </form>
  );
}
