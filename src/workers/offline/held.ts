/** Pages that a screen holds for when the server cannot be reached, as the browser stores them. */
export const PAGES = 'zesty-hound-pages';

/** Photos that a screen holds beside them. */
export const PHOTOS = 'zesty-hound-photos';
const PHOTO = /^\/api\/v1\/photos\/[0-9a-f]{64}$/;

/** Whether an address is that of a photo, which is held for the pages that show it. */
export const isPhoto = (path: string): boolean => PHOTO.test(path);

/** When a held page was rendered for this screen, in ms by this screen's clock. */
export const HELD_AT = 'x-zh-held';
/** Its title, as in an address. */
export const TITLE = 'x-zh-title';

/** The page that stands for one that is not held. */
export const NOT_HELD = '/offline';

/** What is held of the program itself, beside jobs: its start, and the page for what is not held. */
export const PROGRAM = 'program';

/** Pages of people and keys, and those of coming in: never held. */
const NEVER = /^\/(api|pair|sign-in|workshop|_next)(\/|$)/;

export const mayBeHeld = (path: string): boolean => !NEVER.test(path);

/** Asks the worker to hold pages; what was held of the same at the same version is not fetched again. */
export interface Hold {
  readonly is: 'hold';
  readonly of: string;
  readonly version: number;
  /** Pages, and photos that they show. */
  readonly pages: readonly string[];
}

/** Tells the worker that nobody is in: it throws away what it holds, and what is on its way to it. */
export const FORGET = { is: 'forget' } as const;

const isSaid = (said: unknown, is: string): boolean =>
  typeof said === 'object' && said !== null && 'is' in said && said.is === is;

export const isForget = (said: unknown): boolean => isSaid(said, FORGET.is);

export const isHold = (said: unknown): said is Hold => isSaid(said, 'hold');
