'use client';

import { beyondPlace } from '@/core/assessment';
import { evenAngles, RASTER } from '@/core/readings';
import { writeDetails } from './writes';
import { SerialGauge } from './SerialGauge';
import { VirtualGauge, type Shown } from './VirtualGauge';
import { gaugeOf, unitOf, type BenchCorner, type BenchSet, type Cursor } from './model';

export interface GaugePanelProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly cursor: Cursor | null;
  readonly onShows: (shown: Shown | null) => void;
  readonly onTake: (shown: Shown) => void;
  /** A reading that a gauge sent by its own button: text with its unit. */
  readonly onReading: (text: string) => void;
  readonly onNoted: (set: BenchSet) => void;
}

/** Degrees from the chalk mark to the place that is read next, whole laps added up. */
function targetOf(set: BenchSet, cursor: Cursor | null): number | null {
  if (!cursor) return null;
  const beyond = beyondPlace(set, cursor.position);
  if (beyond) return beyond.of === 'extra' ? beyond.angleDeg : null;
  const angles = set.angles ?? evenAngles(set.positions);
  const own = cursor.position === set.positions ? 360 + (angles[0] ?? 0) : angles[cursor.position];
  return 360 * cursor.lap + (own ?? 0);
}

/** The gauge that reads this set by itself: a virtual one, or one on a cable. */
export function GaugePanel(props: GaugePanelProps) {
  const { set, corner, cursor, onShows, onTake, onReading, onNoted } = props;
  if (!set.isVirtual && !corner.practice) {
    const gauge = gaugeOf(set, corner);
    if (!gauge?.lineFormat) return null;
    return (
      <SerialGauge
        name={gauge.name}
        format={gauge.lineFormat}
        onReading={({ text, unit }) => onReading(`${text} ${unit}`)}
      />
    );
  }
  return (
    <VirtualGauge
      key={set.id}
      corner={corner}
      set={set}
      unit={unitOf(set, corner)}
      target={targetOf(set, cursor)}
      isFree={cursor !== null && beyondPlace(set, cursor.position)?.of === 'turn'}
      step={cursor && beyondPlace(set, cursor.position) ? RASTER : 360 / set.positions}
      onShows={onShows}
      onTake={onTake}
      onNote={(detail, value) => {
        void writeDetails(corner.jobId, { setId: set.id, [detail]: value });
        onNoted({ ...set, [detail]: value });
      }}
    />
  );
}
