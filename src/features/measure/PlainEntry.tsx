import { Button, FormControl } from 'react-bootstrap';
import { UNIT_SIGN } from '@/core/units';
import { unitOf, type BenchCorner, type BenchSet, type Cursor } from './model';
import { placeName } from './placeName';
import styles from './measure.module.css';

interface PlainEntryProps {
  readonly set: BenchSet;
  readonly cursor: Cursor;
  readonly draft: string;
  readonly error: string | null;
  readonly corner: BenchCorner;
  readonly onType: (text: string) => void;
  readonly onEnter: () => void;
}

/** Said until what reads and judges a set is here. */
export const ON_ITS_WAY = 'The rest of the bench is on its way.';

/** The field of a reading alone, while all else of the bench is on its way: what is typed in it stays, and counts. */
export const PlainEntry = (props: PlainEntryProps) => (
  <form
    noValidate
    className="zh-card"
    onSubmit={(event) => {
      event.preventDefault();
      props.onEnter();
    }}
  >
    <label htmlFor="reading" className="fs-5">
      {placeName(props.set, props.cursor.position, props.corner)}
    </label>
    <div className="d-flex gap-2 align-items-center">
      <FormControl
        id="reading"
        className={styles.entryInput}
        isInvalid={props.error !== null}
        inputMode="decimal"
        autoComplete="off"
        autoFocus
        aria-describedby="reading-note"
        value={props.draft}
        onChange={(event) => props.onType(event.target.value)}
      />
      <span className="zh-muted fs-5">{UNIT_SIGN[unitOf(props.set, props.corner)]}</span>
      <Button type="submit" variant="primary">
        Next
      </Button>
    </div>
    <div id="reading-note" role="alert">
      {props.error && <span className="zh-error">{props.error}</span>}
    </div>
    <p className="zh-muted mb-0" role="status">
      {ON_ITS_WAY}
    </p>
  </form>
);
