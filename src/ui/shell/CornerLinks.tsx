import { CORNER_NAME, type Corner } from '@/core/readings';
import { PlaceRow } from './PlaceRow';

/** The corners as places to go, one of them the one shown. */
export const CornerLinks = ({
  corners,
  current,
  base,
}: {
  corners: readonly Corner[];
  current: Corner;
  base: string;
}) => (
  <PlaceRow
    label="Corners"
    places={corners.map((corner) => ({
      href: `${base}/${corner}`,
      label: <span className="zh-figure">{corner}</span>,
      title: CORNER_NAME[corner],
      isHere: corner === current,
    }))}
  />
);
