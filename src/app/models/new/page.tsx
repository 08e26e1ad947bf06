import type { Metadata } from 'next';
import { Here } from '@/app/Here';
import { sheetForm } from '@/features/sheets/model';
import { SheetEditor } from '@/features/sheets/SheetEditor';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'New sheet' };

export default async function NewSheetPage() {
  return (
    <>
      <h1>New sheet</h1>
      <Here />
      <SheetEditor id={null} form={sheetForm(null)} units={await shopUnits()} entered={{}} />
    </>
  );
}
