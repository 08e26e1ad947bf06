import type { Metadata } from 'next';
import Link from '@/ui/Link';
import { notFound } from 'next/navigation';
import { CORNERS } from '@/core/readings';
import { RotorCharts } from '@/features/vehicles/RotorCharts';
import { RotorLives } from '@/features/vehicles/RotorLives';
import { rotorCharts } from '@/server/records/rotorCharts';
import { shopUnits } from '@/server/shop/settings';
import { shopOfToday } from '@/server/shop/shop';
import { RotorLines } from '@/ui/rotor/RotorLines';
import { CornerLinks } from '@/ui/shell';

export const metadata: Metadata = { title: 'Rotors' };

export default async function RotorPage({
  params,
}: {
  params: Promise<{ id: string; corner: string }>;
}) {
  const { id, corner: asked } = await params;
  const corner = CORNERS.find((each) => each === asked);
  const charts = corner ? await rotorCharts(id, corner) : null;
  if (!corner || !charts) notFound();
  const units = await shopUnits();
  const { padFamily } = (await shopOfToday()).equipment;
  return (
    <>
      <h1>
        Rotors of{' '}
        <Link className="zh-figure" href={`/vehicles/${id}`}>
          {charts.vehicle.plate}
        </Link>
      </h1>
      <div className="mb-3">
        <CornerLinks corners={CORNERS} current={corner} base={`/vehicles/${id}/rotors`} />
      </div>
      {charts.lines.length === 0 ? (
        <div className="zh-card">
          <p className="mb-0">
            Nothing is on record of this rotor yet: it needs a job with an odometer reading and a
            whole thickness set.
          </p>
        </div>
      ) : (
        <>
          <RotorLives charts={charts} units={units} padFamily={padFamily} />
          <RotorCharts charts={charts} units={units} />
          <section className="zh-card mt-3">
            <h2>Job by job</h2>
            <RotorLines lines={charts.lines} units={units} />
          </section>
        </>
      )}
    </>
  );
}
