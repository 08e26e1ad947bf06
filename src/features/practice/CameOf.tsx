import { formatDate } from '@/core/calendar';
import { Button } from 'react-bootstrap';
import { workOf, type Outcome } from '@/core/practice';
import { formatIn, type UnitSystem } from '@/core/units';
import Link from '@/ui/Link';
import { CardTable } from '@/ui/table';
import { SOURCE_NAME } from './ApartAnswer';
import { outcomesCsv, type Learning } from './learning';
import { causeName, pathOf } from './words';

/** A case that was ended: here, or handed in under an id. */
export type Ended = Outcome & { readonly id: string | null };

/** The mean error of the last readings, and whether it grew less. */
function Errors({ learning, units }: { readonly learning: Learning; readonly units: UnitSystem }) {
  const { now, before } = learning.error;
  if (now === null) return null;
  const say = (value: number) => (
    <span className="zh-figure">{formatIn(units, 'deviation', value)}</span>
  );
  return (
    <>
      {' '}
      Readings of the last cases were off by {say(now)}
      {before !== null && <>, of those before by {say(before)}</>}.
    </>
  );
}

/** What the cases say of what is to be learned. */
export function Learned({
  learning,
  units,
}: {
  readonly learning: Learning;
  readonly units: UnitSystem;
}) {
  const { cases, right, harms, pace, missed, mistaken, mistakenCauses } = learning;
  return (
    <p>
      <span className="zh-figure">
        {right} of {cases}
      </span>{' '}
      right
      {harms > 0 && (
        <>
          , <span className="zh-figure">{harms}</span> with harm
        </>
      )}
      {pace !== null && (
        <>
          , <span className="zh-figure">{pace.toFixed(1)}</span> times the shortest way
        </>
      )}
      .
      <Errors {...{ learning, units }} />
      {missed[0] && (
        <>
          {' '}
          Missed most: {workOf(missed[0].fault).look.name.toLowerCase()} (
          <span className="zh-figure">{missed[0].count}</span>).
        </>
      )}
      {mistaken[0] && (
        <>
          {' '}
          Mistaken most: {SOURCE_NAME[mistaken[0].source]} for {SOURCE_NAME[mistaken[0].said]} (
          <span className="zh-figure">{mistaken[0].count}</span>).
        </>
      )}
      {mistakenCauses[0] && (
        <>
          {' '}
          Of whole cars: {causeName(mistakenCauses[0].cause)} taken for{' '}
          {causeName(mistakenCauses[0].said)} (
          <span className="zh-figure">{mistakenCauses[0].count}</span>).
        </>
      )}
    </p>
  );
}

const COLUMNS = ['Case', 'Who', 'When', 'Came out', 'Minutes (shortest)', 'Missed'] as const;

/** Saves the cases as a table for a spreadsheet. */
function saveCsv(outcomes: readonly Outcome[]): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([outcomesCsv(outcomes)], { type: 'text/csv' }));
  link.download = 'practice.csv';
  link.click();
  URL.revokeObjectURL(link.href);
}

/** What was missed in a case, or taken for something else. */
function sayMissed({ missed, cause, saidCause, source, said }: Outcome): string {
  const names = missed.map((fault) => workOf(fault).look.name.toLowerCase());
  if (cause && saidCause && cause !== saidCause) {
    names.push(`${causeName(cause)}, taken for ${causeName(saidCause)}`);
  }
  if (source && said && source !== said) {
    names.push(`${SOURCE_NAME[source]}, taken for ${SOURCE_NAME[said]}`);
  }
  return names.join(', ') || 'nothing';
}

/** Cases that were ended, the latest first. */
export const Done = ({ outcomes }: { readonly outcomes: readonly Ended[] }) => (
  <>
    <CardTable columns={COLUMNS}>
      {outcomes.map((each) => (
        <tr key={`${each.code} ${each.at}`} role="row">
          <td role="cell" data-label={COLUMNS[0]}>
            <Link className="zh-link zh-figure" href={pathOf(each.code, each.id)}>
              {each.code}
            </Link>
          </td>
          <td role="cell" data-label={COLUMNS[1]}>
            {each.who ?? '–'}
          </td>
          <td role="cell" data-label={COLUMNS[2]} className="text-nowrap">
            {formatDate(each.at, 'D MMM YYYY')}
          </td>
          <td role="cell" data-label={COLUMNS[3]}>
            {each.isHarm ? 'harm' : each.isRight ? 'right' : 'not right'}
          </td>
          <td role="cell" data-label={COLUMNS[4]} className="zh-figure">
            {each.minutes.toFixed(0)} ({each.best.toFixed(0)})
          </td>
          <td role="cell" data-label={COLUMNS[5]}>
            {sayMissed(each)}
          </td>
        </tr>
      ))}
    </CardTable>
    <Button variant="outline-secondary" onClick={() => saveCsv(outcomes)}>
      As CSV
    </Button>
  </>
);
