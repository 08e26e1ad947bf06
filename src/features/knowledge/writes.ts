import { keepWrite, type KeptAnswer } from '@/ui/keeper';

/** What of the shop’s own knowledge a form changes. */
export type KnowledgeChange = 'numbers' | 'weight' | 'drop-weight' | 'reset';

/** Writes a change of the shop’s own shares, minutes and weights. */
export const writeKnowledge = (
  what: KnowledgeChange,
  fields: Readonly<Record<string, string>>,
): Promise<KeptAnswer<null>> =>
  keepWrite({
    name: 'knowledge',
    input: { what, fields },
    place: `knowledge ${what} ${fields.answer ?? ''} ${fields.cause ?? ''}`,
    jobId: null,
    replaces: { room: 'shop', as: 'shown' },
    about: 'the shop’s own weights',
    refresh: 'by-writer',
  });
