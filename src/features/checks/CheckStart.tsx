'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { CORNER_NAME, CORNERS, type Corner, type Fastening } from '@/core/readings';
import { fieldUnit, formatIn, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { FormField, useSend } from '@/ui/field';
import { writeCheck } from './writes';

const COUNTS = [3, 4, 5, 6, 7, 8, 9, 10];
const USUAL_STUDS = 5;

/** What a quick check begins with: studs, what is known of the limits, and the corner, which begins it. */
export function CheckStart({ units }: { readonly units: UnitSystem }) {
  const router = useRouter();
  const [studs, setStuds] = useState(USUAL_STUDS);
  const [fastening, setFastening] = useState<Fastening>('studs');
  const [discard, setDiscard] = useState('');
  const [runout, setRunout] = useState('');
  // One id for one check: pressed twice, or sent again, it is still one.
  const [{ id, setId }] = useState(() => ({ id: crypto.randomUUID(), setId: crypto.randomUUID() }));
  const { send, busy, trouble, fields } = useSend(writeCheck);
  const begin = (corner: Corner): void =>
    send([{ id, setId, corner, fastening, studs, discard, runout }], () =>
      router.push(`/checks/${id}`),
    );
  const figure = (
    label: string,
    value: string,
    onChange: (text: string) => void,
    error: string | undefined,
    hint: string,
  ) => (
    <FormField
      label={label}
      error={error}
      hint={hint}
      control={(ids) => (
        <Form.Control
          {...ids}
          inputMode="decimal"
          autoComplete="off"
          value={value}
          onChange={({ target }) => onChange(target.value)}
        />
      )}
    />
  );
  const usualRunout = formatIn(units, 'deviation', WORKSHOP_DEFAULTS.runout);
  return (
    <div className="zh-card zh-check-start">
      <fieldset disabled={busy}>
        <legend className="fs-6">Wheel held on by</legend>
        <div className="zh-tabs mb-2" role="group" aria-label="Studs or bolts">
          {(['studs', 'bolts'] as const).map((each) => (
            <Button
              key={each}
              variant="outline-secondary"
              aria-pressed={fastening === each}
              onClick={() => setFastening(each)}
            >
              {each === 'studs' ? 'Studs and nuts' : 'Bolts'}
            </Button>
          ))}
        </div>
        <div className="zh-tabs mb-3" role="group" aria-label="How many">
          {COUNTS.map((count) => (
            <Button
              key={count}
              variant="outline-secondary"
              className="zh-figure"
              aria-pressed={studs === count}
              onClick={() => setStuds(count)}
            >
              {count}
            </Button>
          ))}
        </div>
        <div className="zh-limits">
          {figure(
            `Discard thickness, as stamped (${UNIT_SIGN[fieldUnit(units, 'size')]})`,
            discard,
            setDiscard,
            fields.discard,
            'Empty: nothing is said of it.',
          )}
          {figure(
            `Runout limit (${UNIT_SIGN[fieldUnit(units, 'deviation')]})`,
            runout,
            setRunout,
            fields.runout,
            `Empty: workshop default, ${usualRunout}.`,
          )}
        </div>
      </fieldset>
      <h2 className="h5">Which corner? It begins at once.</h2>
      <div className="zh-check-corners">
        {CORNERS.map((corner, j) => (
          <Button
            key={corner}
            variant={j === 0 ? 'primary' : 'outline-secondary'}
            disabled={busy}
            onClick={() => begin(corner)}
            autoFocus={j === 0}
          >
            <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
          </Button>
        ))}
      </div>
      {trouble && (
        <p className="zh-error mb-0 mt-2" role="alert">
          {trouble}
        </p>
      )}
      <p className="zh-muted mb-0 mt-2">
        On stands, other axle chocked. What is not asked here is said with the verdict; the maker’s
        figures come first.
      </p>
    </div>
  );
}
