import { readFigure, type FigureItem, type LookItem, type PlannedStep } from '@/core/procedure';

interface Named {
  readonly items: readonly LookItem[];
  readonly figures: readonly FigureItem[];
  readonly steps: readonly PlannedStep[];
}

const WORDS: Readonly<Record<string, string>> = {
  done: 'Done',
  skipped: 'Left out',
  'left-out': 'Left out',
  right: 'Right',
  wrong: 'Wrong',
  missing: 'Missing',
  fixed: 'Put right',
};

/** What a check says, in words, with the name of its item. */
export function sayCheck({ items, figures, steps }: Named, code: string, value: unknown): string {
  const item = items.find((each) => each.code === code);
  const name =
    item?.name ??
    figures.find((each) => each.code === code)?.name ??
    steps.find((each) => each.code === code)?.title ??
    code;
  if (value === null) return `${name}: not looked at`;
  if (Array.isArray(value)) {
    const found = item?.conditions.filter((each) => value.includes(each.code)) ?? [];
    return `${name}: ${value.length === 0 ? 'Sound' : found.map((each) => each.name).join(', ')}`;
  }
  if (typeof value === 'object') return `${name}: ${readFigure(value)?.text ?? typedText(value)}`;
  return `${name}: ${WORDS[String(value)] ?? String(value)}`;
}

/** The text of a figure on its way, before the server has read it. */
const typedText = (value: object): string =>
  'text' in value && typeof value.text === 'string' ? value.text : '';
