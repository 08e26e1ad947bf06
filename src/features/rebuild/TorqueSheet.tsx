import { Table } from 'react-bootstrap';
import { SOURCE_NAME } from '@/core/assessment';
import { CORNER_NAME, type Corner, type Fastening } from '@/core/readings';
import { starOrder } from '@/core/torque';
import { formatTorque, type TorqueUnit } from '@/core/units';
import type { FastenerView } from './TorqueList';

interface TorqueSheetProps {
  readonly corner: Corner;
  readonly count: number;
  readonly fastening: Fastening;
  readonly unit: TorqueUnit;
  readonly fasteners: readonly FastenerView[];
  /** What the figures are kept by, in words. */
  readonly kept: string;
}

const BOX = '\u2610';
/** Boxes of a fastener whose number is not on file: as many as a caliper has, to be struck out. */
const USUAL_BOXES = 4;

/** What a fastener is drawn up to, stage by stage. */
function sayStages({ figure, stages }: FastenerView, unit: TorqueUnit): string {
  if (!figure) return 'no figure yet';
  const pulls = stages.map((share) => formatTorque(share * figure.nm, unit));
  return [...pulls, ...(figure.angle > 0 ? [`+ ${figure.angle}°`] : [])].join(' → ');
}

/** Where a figure is from, and what speaks against taking it as it is. */
function Source({ fastener: { figure } }: { readonly fastener: FastenerView }) {
  if (!figure) return null;
  return (
    <div>
      {SOURCE_NAME[figure.source]}
      {figure.forAnyWheel && (
        <strong>
          . Entered before it was known what these wheels are made of: hold it against the maker’s.
        </strong>
      )}
    </div>
  );
}

/** The boxes that are ticked by pen: each nut of the wheel in its order in each stage. */
function Boxes({ fastener, count }: Pick<TorqueSheetProps, 'count'> & { fastener: FastenerView }) {
  if (fastener.pulled) {
    return <>✓ {[fastener.pulled.by, fastener.pulled.at].filter(Boolean).join(', ')}</>;
  }
  if (fastener.code !== 'wheel-nuts') {
    return Array.from({ length: USUAL_BOXES }, () => BOX).join(' ');
  }
  return fastener.stages.map((_, stage) => (
    <div key={stage}>
      {starOrder(count)
        .map((nut) => `${nut + 1} ${BOX}`)
        .join('  ')}
    </div>
  ));
}

/** The torque list of a corner on paper, to be ticked by pen where no screen is wanted. */
export const TorqueSheet = (props: TorqueSheetProps) => {
  const { corner, fastening, unit, fasteners, kept } = props;
  return (
    <section className="d-none d-print-block" aria-label="Torque list on paper">
      <h2>
        <span className="zh-figure">{corner}</span> {CORNER_NAME[corner]}: drawn up to
      </h2>
      <p>Figures are kept for {kept}. Every bolt is started by hand.</p>
      <Table size="sm">
        <thead>
          <tr>
            {['Fastener', 'Torque by stages', 'Thread', 'Drawn up'].map((title) => (
              <th key={title} scope="col">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {fasteners.map((fastener) => (
            <tr key={fastener.code}>
              <th scope="row">
                {fastener.name}
                <div className="fw-normal">{fastener.say}</div>
              </th>
              <td>
                <span className="zh-figure">{sayStages(fastener, unit)}</span>
                <Source fastener={fastener} />
              </td>
              <td>
                {fastener.figure?.treatment || fastener.product}
                {fastener.figure?.oneUse && '; renewed each time'}
              </td>
              <td className="text-nowrap">
                <Boxes fastener={fastener} count={props.count} />
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row">With the weight on the tyre</th>
            <td colSpan={2}>
              every {fastening === 'studs' ? 'nut' : 'bolt'} of the wheel once more
            </td>
            <td>{BOX}</td>
          </tr>
        </tbody>
      </Table>
      <p>Drawn up by ____________________ on ______________ with wrench ______________</p>
      <p className="zh-muted">
        A figure that is missing is read in the maker’s service information. What was ticked here
        goes into the job before it is signed.
      </p>
    </section>
  );
};
