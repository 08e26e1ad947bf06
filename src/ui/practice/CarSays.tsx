'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';

/** What is asked of a car of practice: a finding or a look by its code, at a corner where it is of one. */
export interface AskedOfCar {
  readonly code: string;
  readonly kind: 'finding' | 'look';
  readonly corner: string | null;
}

/** What a car of practice answers, and what asking takes. */
export interface CarTells {
  readonly say: string;
  readonly minutes: string;
  /** What a press is called: ask, look, drive. */
  readonly verb: string;
}

/** The car of practice that the page is about. */
export interface Car {
  readonly tell: (asked: AskedOfCar) => CarTells | null;
  readonly told: ReadonlySet<string>;
  readonly onAsk: (key: string) => void;
}

const CarContext = createContext<Car | null>(null);
export const CarProvider = CarContext.Provider;

/**
 * What a car of practice answers where a job’s page asks for it: told when it is asked, and written down by whoever
 * asked. Nothing on the page of a real job.
 */
export function CarSays(asked: AskedOfCar): ReactNode {
  const car = useContext(CarContext);
  const answer = car?.tell(asked);
  if (!car || !answer) return null;
  const key = `${asked.kind} ${asked.code} ${asked.corner ?? ''}`;
  if (car.told.has(key)) {
    return (
      <p className="mb-2" role="status" data-part="car-says">
        <strong>{answer.say}</strong>
      </p>
    );
  }
  return (
    <p className="mb-2">
      <Button type="button" variant="secondary" onClick={() => car.onAsk(key)}>
        {answer.verb} <span className="fw-normal">{answer.minutes}</span>
      </Button>
    </p>
  );
}
