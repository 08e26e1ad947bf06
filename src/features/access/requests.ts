import { ask, type Asked } from '@/ui/ask';

/** Pairs this screen by a code that another one shows. */
export const pairByCode = (name: string, code: string): Promise<Asked<string>> =>
  ask('/api/v1/pair', { method: 'POST', body: { name, code } });

/** Pairs a screen of the server’s own machine by a lead’s password. */
export const pairByLead = (name: string, lead: string, password: string): Promise<Asked<string>> =>
  ask('/api/v1/pair', { method: 'POST', body: { name, lead, password } });

/** Signs somebody in at this screen by a PIN or a password. */
export const signIn = (person: string, secret: string): Promise<Asked<unknown>> =>
  ask('/api/v1/session', { method: 'POST', body: { person, secret } });

/** Signs out whoever is at this screen. */
export const signOut = (): Promise<Asked<null>> => ask('/api/v1/session', { method: 'DELETE' });

/** A code for one more screen, where it is typed, and the same as a picture to scan. */
export interface PairingCode {
  readonly code: string;
  readonly until: string;
  readonly address: string;
  readonly picture: string;
}

/** Makes a code by which one more screen is paired. */
export const makeCode = (): Promise<Asked<PairingCode>> =>
  ask('/api/v1/devices', { method: 'POST', body: {} });

/** Takes a screen’s key away. */
export const unpair = (id: string): Promise<Asked<string>> =>
  ask(`/api/v1/devices/${id}`, { method: 'DELETE' });

/** Gives somebody a PIN, or a lead a password. */
export const giveSecrets = (secrets: {
  readonly person: string;
  readonly pin?: string;
  readonly password?: string;
}): Promise<Asked<null>> => ask('/api/v1/secrets', { method: 'POST', body: secrets });

/** Makes a key for another program of the shop; it is told this once. */
export const makeProgram = (program: {
  readonly name: string;
  readonly role: string;
  readonly days: string;
}): Promise<Asked<{ readonly id: string; readonly key: string }>> =>
  ask('/api/v1/programs', { method: 'POST', body: program });

/** Takes a program’s key away. */
export const dropProgram = (id: string): Promise<Asked<string>> =>
  ask(`/api/v1/programs/${id}`, { method: 'DELETE' });
