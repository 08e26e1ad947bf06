'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { CORNER_NAME, CORNERS, type Corner, type Fastening } from '@/core/readings';
import { fieldUnit, formatIn, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { FasteningChoice, TextField, useSend } from '@/ui/field';
import { writeCheck } from './writes';
import styles from './checks.module.css';

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
  const usualRunout = formatIn(units, 'deviation', WORKSHOP_DEFAULTS.runout);
  return (
    <div className="zh-card zh-check-start">
      <fieldset disabled={busy}>
        <legend className="fs-6">Wheel held on by</legend>
        <FasteningChoice
          fastening={fastening}
          studs={studs}
          disabled={busy}
          onFastening={setFastening}
          onStuds={setStuds}
        />
        <div className="zh-limits">
          <TextField
            label={`Discard thickness, as stamped (${UNIT_SIGN[fieldUnit(units, 'size')]})`}
            hint="Empty: nothing is said of it."
            error={fields.discard}
            isFigure
            value={discard}
            onChange={setDiscard}
          />
          <TextField
            label={`Runout limit (${UNIT_SIGN[fieldUnit(units, 'deviation')]})`}
            hint={`Empty: workshop default, ${usualRunout}.`}
            error={fields.runout}
            isFigure
            value={runout}
            onChange={setRunout}
          />
        </div>
      </fieldset>
      <h2>Which corner? It begins at once.</h2>
      <div className={styles.checkCorners}>
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
