'use client';

import { Form } from 'react-bootstrap';
import type { UseFormRegisterReturn } from 'react-hook-form';
import { CORNER_NAME, CORNERS } from '@/core/readings';
import styles from './jobs.module.css';

/** Which corners are measured, laid out as on the vehicle. */
export function CornerChoice({
  field,
  error,
}: {
  field: UseFormRegisterReturn;
  error: string | undefined;
}) {
  return (
    <fieldset className="mb-3">
      <legend className="fs-6">Corners to measure</legend>
      <div className={styles.corners}>
        {CORNERS.map((corner) => (
          <Form.Check key={corner} id={`corner-${corner}`} className="zh-card py-1">
            <Form.Check.Input type="checkbox" value={corner} {...field} />
            <Form.Check.Label>
              <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}
            </Form.Check.Label>
          </Form.Check>
        ))}
      </div>
      {error && <div className="zh-error">{error}</div>}
    </fieldset>
  );
}
