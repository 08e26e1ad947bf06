import 'server-only';
import { ownerFormSchema } from '../../core/contracts';
import {
  eraseOwner,
  findOwner,
  findVehicle,
  lockOpenJobsOf,
  saveOwner,
  type OwnerRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';

/** The owner of a vehicle; null where none is on file. */
export const ownerOf = async (vehicleId: string): Promise<OwnerRow | null> =>
  findOwner(await database(), vehicleId);

/** Writes who brings a vehicle; both fields empty erases it, everywhere and from copies made later. */
export const keepOwner = (input: unknown): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const parsed = ownerFormSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const owner = parsed.data;
    if (!(await findVehicle(tx, owner.vehicleId))) {
      return refuse('This vehicle is not on file any more.');
    }
    if (owner.name === '' && owner.reach === '') {
      // A job that is being signed meanwhile keeps the name, or is signed without it: never half.
      await eraseOwner(tx, owner.vehicleId, await lockOpenJobsOf(tx, owner.vehicleId));
    } else await saveOwner(tx, owner);
    return accept(owner.vehicleId);
  });
