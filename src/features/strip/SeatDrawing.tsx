import { saySeat } from '@/core/assessment';
import { shortestTurn } from '@/core/indexing';
import { CORNER_NAME, type Corner, type Fastening } from '@/core/readings';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import { RotorFace } from '@/ui/rotor';
import styles from './strip.module.css';

/** Where a rotor goes on its hub. */
export interface SeatView {
  readonly corner: Corner;
  readonly studs: number;
  readonly fastening: Fastening;
  /** Index shift from its first mark. */
  readonly shift: number;
}

const NO_READINGS = new Array<null>(12).fill(null);

/** The rotor as it goes on, its mark where it belongs, with the way there from its first mark. */
export function SeatDrawing({ seat }: { readonly seat: SeatView }) {
  const { corner, studs, fastening, shift } = seat;
  const turn = shortestTurn(0, shift, studs);
  return (
    <figure className={`${styles.seat} mb-2`}>
      <RotorFace
        corner={corner}
        studs={studs}
        fastening={fastening}
        values={NO_READINGS}
        limit={WORKSHOP_DEFAULTS.runout}
        shift={shift}
        move={shift === 0 ? null : { from: 0, studs: turn.studs * turn.sense }}
        isPlain
        label={`Rotor ${CORNER_NAME[corner]}: its mark goes ${saySeat(seat, shift)}`}
      />
      <figcaption className="text-center">Its mark: {saySeat(seat, shift)}.</figcaption>
    </figure>
  );
}
