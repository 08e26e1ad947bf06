/** What is typed, where it is kept, and what going to a place does. */
export interface SearchProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly onGo: (href: string) => void;
}

/** The field that is typed in, with its list and before it is there. */
export const SEARCH_FIELD = {
  className: 'form-control',
  type: 'search',
  autoFocus: true,
  'aria-label': 'Plate, vehicle, complaint, number',
  placeholder: 'Plate, vehicle, complaint, number',
} as const;

/** The page of what is found by a text. */
export const searchFor = (text: string): string => `/find?q=${encodeURIComponent(text)}`;
