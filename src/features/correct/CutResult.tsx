import { Table } from 'react-bootstrap';
import { formatIn, type UnitSystem } from '@/core/units';
import { Figure, VerdictMark } from '@/ui/verdict';
import { AS_PLANNED, type CutOutcome } from './model';

interface CutResultProps {
  readonly outcome: CutOutcome;
  /** Runout that was to remain, and what was measured since; null where not known. */
  readonly remaining: number | null;
  readonly measuredRunout: number | null;
  readonly units: UnitSystem;
}

const SENTENCE = {
  within: 'It stays above machine-to.',
  'too-close':
    'It is nearer to machine-to than the micrometer can tell: measure again, several laps.',
  beyond: 'It ended below machine-to: do not fit it. Renew both rotors of the axle.',
  'below-discard':
    'It ended at or below its discard thickness: it is scrap. The vehicle does not leave on it.',
} as const;

/** What the cut was to leave against what it left. */
export function CutResult({ outcome, remaining, measuredRunout, units }: CutResultProps) {
  const { measured, expected, apart, state } = outcome;
  const say = (um: number): string => formatIn(units, 'deviation', um);
  return (
    <div className={state === 'within' ? '' : 'zh-stop'} role="status">
      <Table size="sm" className="mb-1">
        <thead>
          <tr>
            <th scope="col">After the cut</th>
            <th scope="col">Expected</th>
            <th scope="col">Measured</th>
            <th scope="col">Apart</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Thickness</th>
            <td>
              <Figure value={expected} role="size" units={units} />
            </td>
            <td>
              <Figure value={measured} role="size" units={units} />
            </td>
            <td>{apart === null ? '\u2013' : say(apart)}</td>
          </tr>
          <tr>
            <th scope="row">Runout on the vehicle</th>
            <td>
              {remaining === null ? (
                'not known'
              ) : (
                <>
                  at most <Figure value={remaining} units={units} />
                </>
              )}
            </td>
            <td>
              {measuredRunout === null ? (
                'not measured yet'
              ) : (
                <Figure value={measuredRunout} units={units} />
              )}
            </td>
            <td>
              {remaining !== null && measuredRunout !== null && measuredRunout > remaining
                ? `${say(measuredRunout - remaining)} more than predicted: clean, refit, measure again`
                : ''}
            </td>
          </tr>
        </tbody>
      </Table>
      <VerdictMark state={state === 'below-discard' ? 'beyond' : state} /> {SENTENCE[state]}
      {apart !== null && Math.abs(apart) > AS_PLANNED && (
        <>
          {' '}
          It misses the plan by {say(Math.abs(apart))}: check the zero at first contact and the
          micrometer.
        </>
      )}
    </div>
  );
}
