import { CardTable } from '@/ui/table';
import Link from '@/ui/Link';
import {
  ACTIONS,
  mayBeTaken,
  percent,
  sayMoney,
  sayNote,
  type Option,
  type OptionsInput,
  type Ranking,
} from '@/core/options';
import type { Corner } from '@/core/readings';
import { formatIn, type UnitSystem } from '@/core/units';
import { Figure } from '@/ui/verdict';
import { sayDistance } from '@/core/wear';
import { notesOf, pricesMissing, standingOf, whyOf, type Standing } from './model';

import { TakeOption } from './TakeOption';
import optionsStyles from '@/ui/shell/options.module.css';
import styles from './decide.module.css';

interface OptionsTableProps {
  readonly jobId: string;
  readonly corner: Corner;
  readonly options: readonly Option[];
  readonly input: OptionsInput;
  readonly ranking: Ranking;
  readonly taken: string | null;
  readonly isClosed: boolean;
  readonly units: UnitSystem;
}

/** Names of the columns, said again on every card of a phone. */
const COLUMN = {
  runout: 'Predicted runout, 95 % band',
  chance: 'Chance within',
  thinnest: 'Thinnest after; to discard',
  expected: 'Expected cost',
} as const;

const STANDING_WORD: Readonly<Partial<Record<Standing, string>>> = {
  recommended: 'recommended',
  'runner-up': 'runner-up',
};

function Cost({ option }: { option: Option }) {
  const { parts, minutes, labour, away } = option.cost;
  return (
    <>
      <div className="zh-figure">{sayMoney(parts, '')}</div>
      <div className="zh-muted">
        {minutes === null ? '\u2013' : `${minutes} min`}
        {labour !== null && minutes !== 0 && ` = ${sayMoney(labour, '')}`}
        {away !== null && away > 0 && `; ${away} h without the vehicle`}
      </div>
    </>
  );
}

function Name({
  option,
  standing,
  input,
  units,
}: {
  option: Option;
  standing: Standing;
  input: OptionsInput;
  units: UnitSystem;
}) {
  const why = whyOf(option, input, units);
  const name = ACTIONS[option.action].name;
  return (
    <th role="rowheader" scope="row">
      {name}
      {STANDING_WORD[standing] && (
        <span className={`${optionsStyles.standing} ${standing}`}>{STANDING_WORD[standing]}</span>
      )}
      {notesOf(option, units).map((note) => (
        <div key={note} className="zh-muted fw-normal">
          {note}
        </div>
      ))}
      {why && (
        <details className="fw-normal">
          <summary>Why?</summary>
          {why}
        </details>
      )}
    </th>
  );
}

function Row({ option, ...props }: OptionsTableProps & { readonly option: Option }) {
  const { jobId, corner, input, ranking, taken, isClosed, units } = props;
  const isOpen = mayBeTaken(option);
  const standing = standingOf(option, ranking, isOpen);
  const { runout, probability, finished } = option;
  const say = (um: number): string => formatIn(units, 'deviation', um);
  return (
    <tr
      role="row"
      data-chosen={standing === 'recommended'}
      className={standing === 'recommended' ? styles.chosen : ''}
    >
      <Name option={option} standing={standing} input={input} units={units} />
      <td role="cell" data-label={COLUMN.runout}>
        <Figure value={runout?.tir ?? null} units={units} />
        {runout && (
          <div className="zh-muted">
            {say(runout.low)} – {say(runout.high)}
            {runout.atWorst !== null && <div>at worst {say(runout.atWorst)}</div>}
          </div>
        )}
      </td>
      <td role="cell" data-label={COLUMN.chance} className="zh-figure">
        <span>{probability === null ? '\u2013' : percent(probability)}</span>
      </td>
      <td role="cell" data-label={COLUMN.thinnest}>
        <Figure value={finished} role="size" units={units} />
        <div className="zh-muted">{sayDistance(option.distance)}</div>
      </td>
      <td role="cell" data-label="Parts; work">
        <Cost option={option} />
      </td>
      <td role="cell" data-label={COLUMN.expected} className="zh-figure">
        <span>{sayMoney(option.expected, '')}</span>
      </td>
      <td role="cell">
        {taken === option.action ? (
          <strong>on record</strong>
        ) : (
          isOpen &&
          !isClosed && (
            <TakeOption
              jobId={jobId}
              label="Take this"
              name={`: ${ACTIONS[option.action].name}, ${corner}`}
              sides={[{ corner, action: option.action }]}
            />
          )
        )}
      </td>
    </tr>
  );
}

/** What may not be done, with the reason. */
function Struck({ options, units }: Pick<OptionsTableProps, 'options' | 'units'>) {
  const struck = options.filter(({ forbidden }) => forbidden.length > 0);
  if (struck.length === 0) return null;
  return (
    <ul className={styles.struck} aria-label="Not to be done here">
      {struck.map(({ action, forbidden }) => (
        <li key={action}>
          <del>{ACTIONS[action].name}</del>{' '}
          <span className="zh-muted">
            {forbidden.map((note) => sayNote(note, units)).join(' ')}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Every option of a corner with what it predicts and costs; what may not be done is struck. */
export function OptionsTable(props: OptionsTableProps) {
  const { corner, options, input } = props;
  const { currency } = input.shop.prices;
  const priced = currency && `, ${currency}`;
  const lacks = pricesMissing(
    options.filter(({ forbidden }) => forbidden.length === 0),
    props.units,
  );
  return (
    <div
      className="table-responsive"
      tabIndex={0}
      role="region"
      aria-label={`Options for ${corner}`}
    >
      <CardTable
        className={styles.options}
        action="Take"
        columns={[
          'Option',
          COLUMN.runout,
          COLUMN.chance,
          COLUMN.thinnest,
          `Parts; work${priced}`,
          `${COLUMN.expected}${priced}`,
        ]}
      >
        {options
          .filter(({ forbidden }) => forbidden.length === 0)
          .map((option) => (
            <Row key={option.action} {...props} option={option} />
          ))}
      </CardTable>
      {lacks.length > 0 && (
        <p>
          {lacks.join(' ')}{' '}
          {props.ranking.by === 'chance' &&
            'Until then the least that surely ends within comes first; prices would rank by cost: '}
          <Link href="/workshop/prices">Prices and times</Link>.
        </p>
      )}
      <Struck options={options} units={props.units} />
      <p className="zh-muted mb-0">
        Expected cost = parts + work + chance of a comeback × its cost; the chance of a comeback is
        taken as 1 − chance within. Pads, clips and fluid are priced for the whole axle. Tax is left
        out.
      </p>
    </div>
  );
}
