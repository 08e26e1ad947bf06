/**
 * Presses and typing of the moments in which a page is seen but not alive yet: they are held and
 * happen as soon as it is. Without this they are lost, and a form that is sent by the browser itself
 * loads the page anew without what was typed.
 */
interface Early {
  /** What was pressed, in order; the same thing pressed again at once is one press. */
  readonly pressed: HTMLElement[];
  /** What stands in fields that were typed in or chosen from. */
  readonly typed: Map<Element, string>;
}

declare global {
  interface Window {
    zhEarly?: Early | undefined;
  }
}

/** Runs in the page before anything else of it, see `Early`. */
export const EARLY_SCRIPT = `(() => {
  // Zod would look whether it may compile; the policy forbids it, and a browser logs that as a breach.
  globalThis.__zod_globalConfig = { jitless: true };
  const early = (window.zhEarly = { pressed: [], typed: new Map() });
  const isAlive = () => 'alive' in document.documentElement.dataset;
  const hold = (event) => {
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const press = (thing) => {
    if (early.pressed.at(-1) !== thing) early.pressed.push(thing);
    thing.setAttribute('aria-busy', 'true');
  };
  addEventListener('click', (event) => {
    if (isAlive()) return;
    const thing = event.target.closest('button, label, input');
    const field = thing && (thing.control ?? thing);
    const isTurned = field && ['checkbox', 'radio'].includes(field.type);
    if (!thing || !(isTurned || thing.matches('button'))) return;
    if (thing.form?.hasAttribute('action')) return;
    hold(event);
    press(isTurned ? field : thing);
  }, true);
  addEventListener('submit', (event) => {
    if (!isAlive() && !event.target.hasAttribute('action')) hold(event);
  }, true);
  for (const type of ['input', 'change'])
    addEventListener(type, ({ target }) => {
      if (!isAlive() && 'value' in target) early.typed.set(target, target.value);
    }, true);
})()`;

/** Puts a value into a field so that React takes it for typed: its own setter does not notice this one. */
function type(field: Element, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set;
  if (!setter || !('value' in field)) return;
  const isPicked = field instanceof HTMLInputElement && field.type === 'file';
  if (!isPicked) {
    // What React remembers must differ from what it finds.
    field.value = value === '' ? ' ' : '';
    setter.call(field, value);
  }
  const sort = field instanceof HTMLSelectElement || isPicked ? 'change' : 'input';
  field.dispatchEvent(new Event(sort, { bubbles: true }));
}

/** A press is given up where its button stays out of use for so long. */
const LONGEST_WAIT_MS = 5000;
const LOOK_EVERY_MS = 50;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Presses once what went before is through: a button is out of use while its write is on its way. */
async function press(thing: HTMLElement): Promise<void> {
  for (let waited = 0; thing.matches(':disabled') && waited < LONGEST_WAIT_MS;) {
    await pause(LOOK_EVERY_MS);
    waited += LOOK_EVERY_MS;
  }
  thing.removeAttribute('aria-busy');
  if (thing.isConnected) thing.click();
  await pause(0);
}

/** Lets happen what was held, in order; to be called once the page is alive. */
export async function replayEarly(): Promise<void> {
  const early = window.zhEarly;
  delete window.zhEarly;
  if (!early) return;
  for (const [field, value] of early.typed) if (field.isConnected) type(field, value);
  for (const thing of early.pressed) await press(thing);
}
