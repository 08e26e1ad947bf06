import {
  ACTIONS,
  percent,
  recommendedPair,
  sayMoney,
  sayNote,
  type PairOption,
} from '@/core/options';
import type { Corner } from '@/core/readings';
import { type UnitSystem } from '@/core/units';
import { CardTable } from '@/ui/table';
import { Figure } from '@/ui/verdict';
import { sayLength } from './model';

import { TakeOption } from './TakeOption';
import styles from './decide.module.css';
import options from '@/ui/shell/options.module.css';

interface PairCardProps {
  readonly jobId: string;
  readonly corners: readonly [Corner, Corner];
  readonly pairs: readonly PairOption[];
  readonly sideToSide: number;
  readonly currency: string;
  readonly isClosed: boolean;
  readonly units: UnitSystem;
  /** What is on record for both sides, or null. */
  readonly taken: readonly [string | null, string | null];
}

/** Names of the columns, said again on every card of a phone. */
const COLUMN = {
  chance: 'Chance that both are within',
  apart: 'Apart in thickness',
  expected: 'Expected cost',
} as const;

const METAL_NAME = {
  none: 'No metal touched',
  cut: 'Both rotors cut',
  new: 'Both rotors new',
  mixed: 'Each side by itself',
} as const;

/** One way for both sides. */
function Way({ pair, ...props }: PairCardProps & { readonly pair: PairOption }) {
  const { jobId, corners, pairs, units, taken, isClosed } = props;
  const [left, right] = corners;
  const isFirst = pair === recommendedPair(pairs);
  const isStruck = pair.forbidden.length > 0;
  const isTaken = isOnRecord(pair, taken);
  const name = METAL_NAME[pair.metal];
  return (
    <tr
      role="row"
      data-chosen={isFirst && !isStruck}
      className={isStruck ? styles.struck : isFirst ? styles.chosen : ''}
    >
      <th role="rowheader" scope="row">
        {isStruck ? <del>{name}</del> : name}
        {isFirst && <span className={`${options.standing} recommended`}>recommended</span>}
        {pair.isEachOwn && (
          <div className="zh-muted fw-normal">What each side alone recommends.</div>
        )}
        {[...pair.forbidden, ...pair.notes].map((note) => (
          <div key={note.code} className="zh-muted fw-normal">
            {sayNote(note, units)}
          </div>
        ))}
      </th>
      <td role="cell" data-label={left}>
        <span>{ACTIONS[pair.left.action].name}</span>
      </td>
      <td role="cell" data-label={right}>
        <span>{ACTIONS[pair.right.action].name}</span>
      </td>
      <td role="cell" data-label={COLUMN.chance} className="zh-figure">
        <span>{pair.probability === null ? '\u2013' : percent(pair.probability)}</span>
      </td>
      <td role="cell" data-label={COLUMN.apart}>
        <Figure value={pair.apart} units={units} />
      </td>
      <td role="cell" data-label={COLUMN.expected} className="zh-figure">
        <span>{sayMoney(pair.expected, '')}</span>
      </td>
      <td role="cell">
        {isTaken ? (
          <strong>on record</strong>
        ) : (
          !isStruck &&
          !isClosed && (
            <TakeOption
              jobId={jobId}
              label="Do this on both"
              name={`: ${name}`}
              isFirst={isFirst}
              sides={[
                { corner: left, action: pair.left.action },
                { corner: right, action: pair.right.action },
              ]}
            />
          )
        )}
      </td>
    </tr>
  );
}

const isOnRecord = ({ left, right }: PairOption, taken: PairCardProps['taken']): boolean =>
  taken[0] === left.action && taken[1] === right.action;

/** Ways for both sides under each other. */
function Ways({
  name,
  ways,
  ...props
}: PairCardProps & { readonly name: string; readonly ways: readonly PairOption[] }) {
  return (
    <div className="table-responsive" tabIndex={0} role="region" aria-label={name}>
      <CardTable
        className={styles.options}
        action="Take"
        columns={[
          'Way',
          ...props.corners,
          COLUMN.chance,
          COLUMN.apart,
          `${COLUMN.expected}${props.currency && `, ${props.currency}`}`,
        ]}
      >
        {ways.map((pair) => (
          <Way key={`${pair.left.action} ${pair.right.action}`} {...props} pair={pair} />
        ))}
      </CardTable>
    </div>
  );
}

/**
 * Both sides of an axle: the way that is recommended, what each side alone recommends and what is
 * on record; the others are folded away.
 */
export function PairCard(props: PairCardProps) {
  const { corners, pairs, units, taken } = props;
  const [left, right] = corners;
  const first = recommendedPair(pairs);
  const leads = pairs.filter((pair) => pair === first || pair.isEachOwn || isOnRecord(pair, taken));
  const others = pairs.filter((pair) => !leads.includes(pair));
  return (
    <section className="zh-card mb-3" aria-labelledby={`axle-${left}`}>
      <h2 id={`axle-${left}`}>
        The axle: <span className="zh-figure">{left}</span> and{' '}
        <span className="zh-figure">{right}</span>
      </h2>
      <p>
        Rotors of an axle are cut or renewed together, and left and right end within{' '}
        {sayLength(props.sideToSide, units)} of each other in thickness.
      </p>
      {pairs.length === 0 && (
        <p className="mb-0">Measure both sides, and their ways stand side by side here.</p>
      )}
      {leads.length > 0 && <Ways {...props} name="Both sides of the axle" ways={leads} />}
      {others.length > 0 && (
        <details className={options.more} open={leads.length === 0}>
          <summary>Other ways for both sides ({others.length})</summary>
          <Ways {...props} name="Other ways for the axle" ways={others} />
        </details>
      )}
    </section>
  );
}
