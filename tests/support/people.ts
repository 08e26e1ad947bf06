import { signOff } from '@/server/signoff/signOff';
import { known } from '../integration/known';

/** A lead as the records have one. */
export const LEAD = {
  id: '00000000-0000-4000-8000-00000000000a',
  name: 'Ines',
  role: 'lead' as const,
  initials: 'IN',
  isHere: true,
};
export const TECHNICIAN = { ...LEAD, name: 'Tobiah', role: 'technician' as const };

/** Signs a job off as the lead. */
export const signedOff = async (jobId: string, cause: string | null = null): Promise<string> =>
  known(await signOff({ jobId, cause, reason: 'nothing else was asked for' }, LEAD));
