'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useRefresh } from '@/ui/keeper';
import { chooseWho } from './requests';
import { NewPerson } from './NewPerson';

export interface Person {
  readonly id: string;
  readonly name: string;
}

interface WhoIsHereProps {
  readonly people: readonly Person[];
  /** Id of who is at this screen, or null. */
  readonly here: string | null;
  /** Folded to a line, where the work needs the room. */
  readonly isFolded?: boolean;
}

/** Who is at this screen: the name that goes under what is written down here. */
export function WhoIsHere({ isFolded = false, ...who }: WhoIsHereProps) {
  if (!isFolded) return <Names {...who} />;
  const name = who.people.find(({ id }) => id === who.here)?.name;
  return (
    <details className="zh-no-print">
      <summary className="zh-fold">{name ? `Here: ${name}` : 'Who is here?'}</summary>
      <Names {...who} />
    </details>
  );
}

function Names({ people, here }: Omit<WhoIsHereProps, 'isFolded'>) {
  const [isAdding, setAdding] = useState(people.length === 0);
  const { refresh, isLoading } = useRefresh();
  const [isChoosing, setChoosing] = useState(false);
  const busy = isChoosing || isLoading;
  const [trouble, setTrouble] = useState<string | null>(null);
  const choose = (id: string): void => {
    setChoosing(true);
    void chooseWho(id).then((chosen) => {
      setChoosing(false);
      setTrouble(chosen.ok ? null : chosen.message);
      refresh();
    });
  };
  return (
    <div className="zh-who zh-no-print" role="group" aria-label="Who is here">
      <span className="zh-muted">Who is here?</span>
      {people.map(({ id, name }) => (
        <Button
          key={id}
          type="button"
          variant={id === here ? 'dark' : 'outline-secondary'}
          aria-pressed={id === here}
          disabled={busy}
          onClick={() => choose(id === here ? '' : id)}
        >
          {name}
        </Button>
      ))}
      {trouble && (
        <span className="zh-error" role="alert">
          {trouble}
        </span>
      )}
      {isAdding ? (
        <NewPerson
          isFirst={people.length === 0}
          onDone={(id) => {
            setAdding(false);
            choose(id);
          }}
        />
      ) : (
        <Button type="button" variant="link" onClick={() => setAdding(true)}>
          Another name
        </Button>
      )}
    </div>
  );
}
