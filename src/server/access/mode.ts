/** Set by the server of ours (`scripts/server.mjs`) and by nothing else: everybody signs in. */
export const SIGN_IN = 'ZESTY_HOUND_SIGN_IN';

/** Whether screens are paired and people sign in: the program is open to the network. */
export const isSignInAsked = (): boolean => process.env[SIGN_IN] === '1';

/**
 * Headers by which the door says who came in. The server of ours takes whatever comes in under these
 * names off every request before the door writes its own.
 */
export const DOOR_HEADERS = {
  device: 'x-zh-device',
  deviceName: 'x-zh-device-name',
  person: 'x-zh-person',
  session: 'x-zh-session',
  /** Another program of the shop, by its key; then there is neither screen nor person. */
  program: 'x-zh-program',
  sure: 'x-zh-sure',
  peer: 'x-zh-peer',
  /** Set where it came from the server’s own machine. */
  ownMachine: 'x-zh-own-machine',
} as const;

/** Cookies of a paired screen; the prefix makes browsers hold them to this server and to HTTPS. */
export const DEVICE_COOKIE = '__Host-zh-device';
export const SESSION_COOKIE = '__Host-zh-session';
