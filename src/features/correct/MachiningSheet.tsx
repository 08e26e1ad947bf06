import { Table } from 'react-bootstrap';
import type { MachiningResult } from '@/core/machining';
import { formatIn, type UnitSystem } from '@/core/units';
import { describeReason } from '@/core/verdict';
import { Figure, VerdictMark } from '@/ui/verdict';
import { budgetUsed, dialSettings, NEVER_CUT } from './model';
import styles from './correct.module.css';
import lists from '@/ui/shell/lists.module.css';

interface MachiningSheetProps {
  readonly cut: MachiningResult;
  /** The same on the other lathe; null where it cannot be planned there. */
  readonly other: MachiningResult | null;
  readonly lathe: 'on-vehicle' | 'bench';
  readonly isEqual: boolean;
  readonly scores: {
    readonly outboard: number;
    readonly inboard: number;
    readonly cleanUp: number;
  };
  readonly units: UnitSystem;
}

const LATHE_NAME = { 'on-vehicle': 'On-vehicle lathe', bench: 'Bench lathe' } as const;

function SidePasses({
  name,
  passes,
  units,
}: {
  name: string;
  passes: readonly number[];
  units: UnitSystem;
}) {
  const settings = dialSettings(passes);
  return (
    <div>
      <h2>{name}</h2>
      <ol className="mb-1 ps-3">
        <li>Turn the rotor, bring the tool in until it just touches: the first contact.</li>
        <li>Set the dial to zero there. Then cut:</li>
      </ol>
      <Table size="sm" className={styles.passes}>
        <thead>
          <tr>
            <th scope="col">Pass</th>
            <th scope="col">Takes</th>
            <th scope="col">Dial from first contact</th>
          </tr>
        </thead>
        <tbody>
          {settings.map(({ number, kind, depth, dial }) => (
            <tr key={number}>
              <th scope="row">
                {number}, {kind}
              </th>
              <td>
                <Figure value={depth} units={units} />
              </td>
              <td>
                <Figure value={dial} units={units} large />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}

/** The sheet for the lathe: passes a side, what they leave, and what must not be cut. */
export function MachiningSheet({ cut, other, lathe, isEqual, scores, units }: MachiningSheetProps) {
  const say = (um: number): string => formatIn(units, 'deviation', um);
  const size = (um: number): string => formatIn(units, 'size', um);
  const used = budgetUsed(cut);
  const [low, high] = cut.finishedThicknessRange;
  return (
    <>
      <p>
        <strong>{LATHE_NAME[lathe]}</strong>,{' '}
        {isEqual ? 'both sides equally deep' : 'each side as deep as it needs'}. Scores{' '}
        {say(scores.outboard)} outboard, {say(scores.inboard)} inboard, allowance{' '}
        {say(scores.cleanUp)} a side, all in the depths below.
      </p>
      <div className={lists.pair}>
        <SidePasses name="Outboard face" passes={cut.passes.outboard} units={units} />
        <SidePasses name="Inboard face" passes={cut.passes.inboard} units={units} />
      </div>
      <Table size="sm">
        <tbody>
          <tr>
            <th scope="row">Thickness expected after the cut</th>
            <td>
              <Figure value={cut.finishedThickness} role="size" units={units} large />
              {high > low && (
                <div className="zh-muted">up to {size(high)}, as the hub is not known</div>
              )}
            </td>
          </tr>
          <tr>
            <th scope="row">Machine-to thickness</th>
            <td>
              <Figure value={cut.machineTo} role="size" units={units} />{' '}
              <VerdictMark state={cut.verdict.state} />
              <div className="zh-muted">
                {cut.verdict.reasons.map((reason) => describeReason(reason, size)).join(' ')}
              </div>
            </td>
          </tr>
          <tr>
            <th scope="row">Budget from the thinnest place</th>
            <td>
              <Figure value={cut.budget} units={units} />
              <span className="zh-muted">
                {' '}
                {say(cut.budgetPerSide)} a side
                {used !== null &&
                  `; the cut takes ${Math.round(100 * used)} % of it from the thickest place`}
              </span>
            </td>
          </tr>
          <tr>
            <th scope="row">Runout expected on the vehicle afterwards</th>
            <td>
              {cut.remainingRunout === null ? (
                'not known: the hub is not told from the rotor'
              ) : (
                <>
                  at most <Figure value={cut.remainingRunout} units={units} />
                </>
              )}
            </td>
          </tr>
          <tr>
            <th scope="row">{isEqual ? 'As cut' : 'With equal depths on both sides'}</th>
            <td>
              {say(cut.equalCutsAlternative.depth)} a side, ends at{' '}
              {size(cut.equalCutsAlternative.finishedThickness)}
            </td>
          </tr>
          {other && (
            <tr>
              <th scope="row">On the {lathe === 'bench' ? 'vehicle' : 'bench lathe'} instead</th>
              <td>
                {say(other.depthOutboard)} outboard, {say(other.depthInboard)} inboard, ends at{' '}
                {size(other.finishedThickness)}; runout afterwards{' '}
                {other.remainingRunout === null
                  ? 'not known'
                  : `at most ${say(other.remainingRunout)}`}
              </td>
            </tr>
          )}
        </tbody>
      </Table>
      <p>
        <strong>Stop, and do not cut, where the rotor is:</strong> {NEVER_CUT.join('; ')}. Stop as
        soon as both faces are clean: what is left on counts.
      </p>
    </>
  );
}
