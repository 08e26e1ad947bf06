'use client';

import { Button } from 'react-bootstrap';
import { ButtonLink } from '@/ui/Link';
import { useSend } from '@/ui/field';
import { keepDeviceText, useDeviceText } from '@/ui/deviceText';
import { WhoIsHere, type Person } from '@/features/people/WhoIsHere';
import { writeUnits } from '@/features/settings/writes';
import type { FirstQuestion } from '@/server/shop/firstRun';

const ASKED: Readonly<Record<FirstQuestion, string>> = {
  people: 'Who works here?',
  units: 'Which units are on your gauges?',
  prices: 'Prices and times: now or later?',
};

const QUESTIONS = Object.keys(ASKED);

interface FirstRunProps {
  /** What the shop has not answered yet. */
  readonly open: readonly FirstQuestion[];
  readonly people: readonly Person[];
  readonly here: string | null;
}

/** Questions that were skipped at this device. */
const SKIPPED = 'zh-first-run-skipped';

function Units() {
  const { send, busy, trouble } = useSend(writeUnits);
  return (
    <>
      <p>It can be changed at any time at the top of the page.</p>
      <div className="d-flex flex-wrap gap-2">
        {(
          [
            ['mm', 'Millimetres'],
            ['thou', 'Thousandths of an inch'],
          ] as const
        ).map(([units, name]) => (
          <Button
            key={units}
            type="button"
            variant="primary"
            disabled={busy}
            onClick={() => send([units])}
          >
            {name}
          </Button>
        ))}
      </div>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </>
  );
}

/** Leads an empty shop by three questions, one at a time; each can be skipped. */
export function FirstRun({ open, people, here }: FirstRunProps) {
  const skipped = (useDeviceText(SKIPPED) ?? '').split(',');
  const question = open.find((each) => !skipped.includes(each));
  if (!question) return null;
  const skip = (): void => keepDeviceText(SKIPPED, [...skipped, question].join(','));
  return (
    <section className="zh-card mb-3" aria-labelledby="first-question">
      <p className="zh-muted mb-1">
        Question {QUESTIONS.indexOf(question) + 1} of {QUESTIONS.length}, and the shop is ready
      </p>
      <h2 id="first-question">{ASKED[question]}</h2>
      {question === 'people' && (
        <>
          <p>
            Names stand under what is written down. A lead signs jobs off; others are added the same
            way, here or in the workshop.
          </p>
          <WhoIsHere people={people} here={here} />
        </>
      )}
      {question === 'units' && <Units />}
      {question === 'prices' && (
        <>
          <p>
            With prices the options of a corner are ranked by what they cost; without them the least
            that surely ends within comes first.
          </p>
          <ButtonLink variant="primary" href="/workshop/prices">
            Prices now
          </ButtonLink>
        </>
      )}
      <Button type="button" variant="link" onClick={skip}>
        {question === 'people' && people.length > 0
          ? 'That is everyone'
          : question === 'prices'
            ? 'Later'
            : 'Skip'}
      </Button>
    </section>
  );
}
