import type { SheetForm, SheetsIn, SheetTake } from '@/core/contracts';
import type { SheetsPlan } from '@/server/shop/sheetsExchange';
import { ask, type Asked } from '@/ui/ask';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const SHOP = { jobId: null, refresh: 'by-writer' } as const;

/** Writes a model’s sheet, new when `id` is null; answers with its id. */
export const writeSheet = (id: string | null, form: SheetForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    ...SHOP,
    name: 'sheet',
    input: { id, form },
    place: `sheet ${id ?? `new ${form.make} ${form.model} ${form.axle}`}`,
    replaces: { room: 'shop', as: 'typed' },
    about: `the sheet of ${form.make} ${form.model}`,
  });

/** Takes a sheet off file. */
export const dropSheet = (id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    ...SHOP,
    name: 'sheet-drop',
    input: { id },
    place: `sheet ${id}`,
    replaces: { room: 'shop', as: 'typed' },
    about: 'a sheet',
  });

/** Brings a spreadsheet in, with the figures that are chosen over ours; answers with how many. */
export const bringSheets = (form: SheetsIn): Promise<KeptAnswer<number>> =>
  keepWrite({
    ...SHOP,
    name: 'sheets-in',
    input: form,
    place: 'sheets',
    about: 'a spreadsheet of model sheets',
  });

/** Says what a spreadsheet would bring; nothing is written. */
export const planSheets = (text: string): Promise<Asked<SheetsPlan>> =>
  ask('/api/v1/sheets/plan', { method: 'POST', body: { text, take: [] } });

/** Keeps a vehicle’s figures as its model’s sheet; answers with how many were added. */
export const keepAsSheet = (vehicleId: string): Promise<KeptAnswer<number>> =>
  keepWrite({
    ...SHOP,
    name: 'sheet-from',
    input: { id: vehicleId },
    place: `sheet from ${vehicleId}`,
    about: 'figures for the model’s sheet',
  });

/** Gives a vehicle what it lacks and its model’s sheets say; answers with how many figures. */
export const takeSheet = (form: SheetTake): Promise<KeptAnswer<number>> =>
  keepWrite({
    ...SHOP,
    name: 'sheet-take',
    input: form,
    place: `sheet for ${form.vehicleId}`,
    about: `figures of ${form.make} ${form.model}`,
  });
