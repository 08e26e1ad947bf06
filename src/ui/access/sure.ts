/** Shows who is to give the password; answers whether it was given. */
type Asker = () => Promise<boolean>;

let asker: Asker | null = null;
let underWay: Promise<boolean> | null = null;

/** The page’s dialog says how a password is asked for; answers what takes it away again. */
export function setPasswordAsker(own: Asker): () => void {
  asker = own;
  return () => {
    if (asker === own) asker = null;
  };
}

/** Asks for the password of whoever is signed in, once for all who want it; false where it is not given. */
export function askPassword(): Promise<boolean> {
  underWay ??= (asker?.() ?? Promise.resolve(false)).finally(() => {
    underWay = null;
  });
  return underWay;
}

/** Whether an answer says that the password is to be given first. */
export const wantsPassword = (code: string | undefined): boolean => code === 'password';

const SIGNED_OUT = 'zh-signed-out';

/** Tells the page that the server knows nobody at this screen any more. */
export const saySignedOut = (): boolean => window.dispatchEvent(new Event(SIGNED_OUT));

/** Listens for that; answers what ends it. */
export function whenSignedOut(listener: () => void): () => void {
  window.addEventListener(SIGNED_OUT, listener);
  return () => window.removeEventListener(SIGNED_OUT, listener);
}
