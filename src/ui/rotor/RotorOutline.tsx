import { facingSense } from '@/core/readings';
import { openPath, outlinePath, SIDE } from '@/core/drawing';
import { placeAngle, scaleOf, type RotorFaceProps } from './rotorFaceProps';

/** The readings as an exaggerated outline: closed once all are there, as far as it came while a wheel is swept. */
export function RotorOutline(props: RotorFaceProps) {
  const { corner, values, isSwept } = props;
  const sense = facingSense(corner);
  const read = values.filter((value) => value !== null);
  const angles = values.map((_, j) => placeAngle(props, j));
  const isWhole = read.length === values.length && read.length > 0;
  if (!isWhole && !(isSwept && read.length > 1)) return null;
  return (
    <path
      className={isWhole ? 'outline' : 'outline open'}
      transform={`translate(${SIDE / 2} ${SIDE / 2})`}
      d={
        isWhole
          ? outlinePath(read, angles, sense, scaleOf(props))
          : openPath(values, angles, sense, scaleOf(props))
      }
    />
  );
}
