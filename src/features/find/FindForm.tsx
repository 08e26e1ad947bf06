import { Button, Form } from 'react-bootstrap';
import { CORNERS } from '@/core/readings';
import type { FindQuery } from '@/core/contracts';
import { FormField } from '@/ui/field';
import picks from '@/ui/shell/picks.module.css';

interface Cause {
  readonly code: string;
  readonly name: string;
}

const STATES = [
  ['any', 'any'],
  ['open', 'open'],
  ['to-measure', 'open, to measure'],
  ['to-decide', 'open, to decide'],
  ['to-correct', 'open, to correct'],
  ['to-prove', 'open, to rebuild and prove'],
  ['waiting', 'waiting for parts'],
  ['closed', 'signed off'],
] as const;

const SORTS = [
  ['newest', 'newest first'],
  ['oldest', 'oldest first'],
  ['closed', 'signed off last first'],
] as const;

/** What is looked for; a plain form, so that its address can be kept and works without script. */
export function FindForm({
  query,
  causes,
}: {
  readonly query: FindQuery;
  readonly causes: readonly Cause[];
}) {
  const choice = (
    name: string,
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <FormField
      label={label}
      error={undefined}
      control={(ids) => (
        <Form.Select {...ids} name={name} defaultValue={value}>
          {options.map(([code, word]) => (
            <option key={code} value={code}>
              {word}
            </option>
          ))}
        </Form.Select>
      )}
    />
  );
  const day = (name: 'from' | 'to', label: string) => (
    <FormField
      label={label}
      error={undefined}
      control={(ids) => (
        <Form.Control {...ids} type="date" name={name} defaultValue={query[name] ?? ''} />
      )}
    />
  );
  return (
    <form action="/find" className="zh-card mb-3" role="search" key={JSON.stringify(query)}>
      <FormField
        label="Plate, vehicle, complaint, cause, number"
        error={undefined}
        control={(ids) => (
          <Form.Control {...ids} type="search" name="q" defaultValue={query.q} autoComplete="off" />
        )}
      />
      <details open={isNarrowed(query)}>
        <summary className="zh-fold">Narrow it down</summary>
        <div className="zh-limits">
          {choice('state', 'How far', query.state, STATES)}
          {choice('cause', 'Confirmed cause', query.cause ?? '', [
            ['', 'any'],
            ...causes.map(({ code, name }) => [code, name] as const),
          ])}
          {choice('corner', 'Corner', query.corner ?? '', [
            ['', 'any'],
            ...CORNERS.map((corner) => [corner, corner] as const),
          ])}
          {day('from', 'Opened from')}
          {day('to', 'Opened until')}
          {choice('sort', 'Order', query.sort, SORTS)}
        </div>
        <label className={picks.check}>
          <input type="checkbox" name="comeback" value="1" defaultChecked={query.comeback} />{' '}
          Comebacks only
        </label>
        <label className={`${picks.check} mb-2`}>
          <input type="checkbox" name="due" value="1" defaultChecked={query.due} /> With something
          overdue
        </label>
      </details>
      <Button type="submit" variant="primary">
        Find
      </Button>
    </form>
  );
}

/** Whether more than words is asked for. */
const isNarrowed = ({ state, cause, corner, from, to, comeback, due, sort }: FindQuery): boolean =>
  state !== 'any' ||
  sort !== 'newest' ||
  comeback ||
  due ||
  [cause, corner, from, to].some((value) => value !== null);
