import { exaggerationOf } from '@/core/drawing';
import { meanOf } from '@/core/numeric';
import { trueThicknessAt, type BenchFaults, type VirtualCorner } from '@/core/bench';
import { partsOf, type PlaceBeside, type PracticeCase } from '@/core/practice';
import { CORNER_NAME, evenAngles } from '@/core/readings';
import { toRadians, type Degrees } from '@/core/units';
import { RotorFace } from '@/ui/rotor';

/** Values about their mean: where a dial was zeroed says nothing of the face. */
export const evened = (values: readonly number[]): number[] =>
  values.map((value) => value - meanOf(values));

interface FacesOf {
  readonly angles: readonly Degrees[];
  readonly faces: readonly { readonly name: string; readonly values: readonly number[] }[];
}

/** A face as it is beside the same as it was read. */
export const readAndTrue = (what: string, places: readonly PlaceBeside[]): FacesOf => ({
  angles: places.map(({ angleDeg }) => angleDeg),
  faces: [
    { name: `${what} as it is`, values: evened(places.map(({ truth }) => truth)) },
    { name: `${what} as it was read`, values: evened(places.map(({ read }) => read)) },
  ],
});

const PART_NAME: Readonly<Record<ReturnType<typeof partsOf>[number]['of'], string>> = {
  hub: 'The hub alone',
  rotor: 'The rotor alone',
  dirt: 'Dirt under the hat',
  nuts: 'Unevenly drawn nuts',
};
const AROUND = evenAngles(36);

/** What the runout of a corner is made of as first marked, each alone, and its thickness where that is asked for. */
export const partFaces = (
  virtual: VirtualCorner,
  faults: BenchFaults,
  hasThickness = false,
): FacesOf => ({
  angles: AROUND,
  faces: [
    ...partsOf(virtual, faults, 0).map(({ of, face }) => ({
      name: PART_NAME[of],
      values: evened(AROUND.map(face)),
    })),
    ...(hasThickness
      ? [
          {
            name: 'Its thickness',
            values: evened(AROUND.map((at) => trueThicknessAt(virtual, 0, toRadians(at)))),
          },
        ]
      : []),
  ],
});

/** Faces of one rotor side by side, in one scale. */
export function Faces({
  own,
  angles,
  faces,
  limit,
}: FacesOf & {
  readonly own: Pick<PracticeCase, 'corner' | 'studs'>;
  readonly limit: number;
}) {
  const scale = exaggerationOf(
    faces.flatMap(({ values }) => values),
    limit,
  );
  return (
    <>
      {faces.map(({ name, values }) => (
        <figure key={name} className="mb-0">
          <RotorFace
            {...{ corner: own.corner, studs: own.studs, fastening: 'studs', limit }}
            {...{ angles, scale, values }}
            isPlain
            label={`${CORNER_NAME[own.corner]}: ${name}`}
          />
          <figcaption className="text-center">{name}</figcaption>
        </figure>
      ))}
    </>
  );
}
