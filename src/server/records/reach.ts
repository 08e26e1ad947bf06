import 'server-only';
import { idSchema } from '../../core/contracts';
import { reachOf } from '../../db/repositories';
import { database } from '../database';

/** The last line of the ledger about the shop; asked before what a page shows of it is read. */
export const shopReach = async (): Promise<number> => reachOf(await database(), { of: 'shop' });

/** The last line of the ledger about a vehicle; asked before what a page shows of it is read. */
export const reachOfVehicle = async (id: string): Promise<number> =>
  idSchema.safeParse(id).success ? reachOf(await database(), { of: 'vehicle', id }) : 0;
