'use client';

import { FileLink } from '@/ui/Link';
import { Button, FormSelect } from 'react-bootstrap';
import { useState } from 'react';
import { measuredSet } from '@/core/assessment';
import { compareSets, type ComparedSet } from '@/core/quality';
import { evenAngles, averageLaps, readingUncertainty } from '@/core/readings';
import { formatIn } from '@/core/units';
import { ReasonForm } from '@/ui/ReasonForm';
import { formerReadings, type FormerReading } from './requests';
import type { BenchCorner, BenchSet, Cursor } from './model';
import { PasteSets } from './PasteSets';
import { setName } from './SetTabs';
import lists from '@/ui/shell/lists.module.css';

export interface SetToolsProps {
  readonly set: BenchSet | null;
  readonly sets: readonly BenchSet[];
  readonly corner: BenchCorner;
  readonly onAside: (reason: string) => void;
  readonly onAgain: (reason: string) => void;
  readonly onPick: (place: Cursor) => void;
  readonly onImported: (ids: readonly string[]) => void;
}

function asCompared(set: BenchSet): ComparedSet | null {
  const measured = measuredSet(set);
  if (!measured) return null;
  const sign = measured.kind === 'runout' && measured.face === 'inboard' ? -1 : 1;
  const averaged = averageLaps(measured.laps).map((value) => sign * value);
  return {
    averaged,
    angles: measured.angles ?? evenAngles(averaged.length),
    sigma: readingUncertainty(measured.gauge, measured.laps.length, null),
  };
}

function Comparison({ set, sets, corner }: Omit<SetToolsProps, 'set'> & { set: BenchSet }) {
  const rivals = sets.filter((each) => each.kind === set.kind && each.id !== set.id);
  const [otherId, setOtherId] = useState('');
  const other = rivals.find(({ id }) => id === otherId);
  if (rivals.length === 0) return null;
  const [first, second] = [other && asCompared(other), asCompared(set)];
  const compared = first && second ? compareSets(first, second) : null;
  const say = (value: number): string => formatIn(corner.units, 'deviation', value);
  return (
    <div className="mt-2">
      <label htmlFor="compare">Compare with </label>{' '}
      <FormSelect
        id="compare"
        className="d-inline-block w-auto"
        value={otherId}
        onChange={(event) => setOtherId(event.target.value)}
      >
        <option value="">…</option>
        {rivals.map((each) => (
          <option key={each.id} value={each.id}>
            {setName(each, corner)}
            {each.isAside ? ' (set aside)' : ''}
          </option>
        ))}
      </FormSelect>
      {other && !compared && <p className="zh-muted mb-0">One of the two is not read yet.</p>}
      {compared && (
        <p className="mb-0" role="status">
          {compared.same ? 'They agree' : 'They differ'}: at most {say(compared.largest)} apart,{' '}
          {say(compared.allowed)} is what the gauge explains.
          {set.kind === 'thickness' &&
            ` On average this one is ${say(compared.shiftOfMean)} thicker.`}
          {!compared.same &&
            other?.shift !== set.shift &&
            ' They are of two mountings: the rotor’s share has turned.'}
        </p>
      )}
    </div>
  );
}

function History({ set, onPick }: { set: BenchSet; onPick: (place: Cursor) => void }) {
  const [former, setFormer] = useState<readonly FormerReading[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const look = async (): Promise<void> => {
    const found = await formerReadings(set.id);
    setTrouble(found.ok ? null : found.message);
    if (found.ok) setFormer(found.value);
  };
  return (
    <details
      className="mt-2"
      onToggle={(event) => {
        if (event.currentTarget.open) void look();
      }}
    >
      <summary className="py-2">Readings that were changed</summary>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
      {former?.length === 0 && (
        <p className="zh-muted mb-0">None: every reading stands as first typed.</p>
      )}
      <ul className={lists.list}>
        {former?.map(({ lap, position, text, replacedAt }, i) => (
          <li key={i}>
            <Button
              type="button"
              variant="link"
              className="p-0"
              onClick={() => onPick({ lap, position })}
            >
              Lap {lap + 1}, position {position === set.positions ? '1 again' : position + 1}
            </Button>
            : was <span className="zh-figure">{text}</span>{' '}
            <span className="zh-muted">until {new Date(replacedAt).toLocaleTimeString()}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What can be done with sets beside reading them: compare, set aside, look back, in and out. */
export function SetTools(props: SetToolsProps) {
  const { set, corner, onAside, onAgain, onPick, onImported } = props;
  const [asking, setAsking] = useState<'aside' | 'again' | null>(null);
  return (
    <>
      {set && (
        <>
          <div className="d-flex flex-wrap gap-2">
            {(['again', 'aside'] as const).map((what) => (
              <Button
                key={what}
                type="button"
                variant="outline-secondary"
                aria-expanded={asking === what}
                onClick={() => setAsking(asking === what ? null : what)}
              >
                {what === 'again' ? 'Repeat it, with a reason' : 'Set it aside'}
              </Button>
            ))}
            <FileLink variant="outline-secondary" href={`/api/v1/sets/${set.id}/csv`} download>
              CSV
            </FileLink>
            <FileLink variant="outline-secondary" href={`/api/v1/sets/${set.id}/case`} download>
              JSON for the solver
            </FileLink>
          </div>
          {asking && (
            <ReasonForm
              label="Why it is set aside"
              placeholder="why? It stays on file"
              button={asking === 'again' ? 'Repeat it' : 'Set it aside'}
              isPrimary
              onGive={(reason) => {
                setAsking(null);
                if (asking === 'again') onAgain(reason);
                else onAside(reason);
              }}
            />
          )}
          <Comparison {...props} set={set} />
          <History key={set.id} set={set} onPick={onPick} />
        </>
      )}
      <PasteSets corner={corner} onImported={onImported} />
    </>
  );
}
