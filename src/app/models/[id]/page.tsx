import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Here } from '@/app/Here';
import { saySheet } from '@/core/sheets';
import { sheetForm } from '@/features/sheets/model';
import { SheetEditor } from '@/features/sheets/SheetEditor';
import { shopReach } from '@/server/records/reach';
import { shopUnits } from '@/server/shop/settings';
import { sheetOf } from '@/server/shop/sheets';
import { SeenMark } from '@/ui/keeper';

export const metadata: Metadata = { title: 'Model sheet' };

export default async function SheetPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const shop = await shopReach();
  const sheet = await sheetOf(id);
  if (!sheet) notFound();
  const entered = Object.fromEntries(
    sheet.figures.map(({ code, by, at }) => [
      code,
      `entered ${by ? `by ${by} ` : ''}${formatDate(at, 'D MMM YYYY')}`,
    ]),
  );
  return (
    <>
      <SeenMark reach={{ shop }} />
      <h1>{saySheet(sheet)}</h1>
      <Here />
      <SheetEditor id={id} form={sheetForm(sheet)} units={await shopUnits()} entered={entered} />
    </>
  );
}
