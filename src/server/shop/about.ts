import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { schemaVersion } from '../../db/client';
import { version } from '../../../package.json';
import { environment } from '../environment';

/** What the program is and where its records are. */
export interface About {
  readonly version: string;
  readonly node: string;
  /** The newest step of the database's schema. */
  readonly schema: string;
  /** The data folder, or null where the records are in a server. */
  readonly folder: string | null;
}

/** What the program says of itself. */
export function about(): About {
  const { folder, url } = environment();
  return {
    version,
    node: process.version,
    schema: schemaVersion().tag,
    folder: url ? null : folder,
  };
}

const lockSchema = z.object({
  packages: z.record(
    z.string(),
    z.object({
      version: z.string().optional(),
      license: z.string().optional(),
      dev: z.boolean().optional(),
      os: z.array(z.string()).optional(),
    }),
  ),
});

/** A package that the program is made with, and its licence. */
export interface Licence {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
}

/** The packages that the running program is made with, by name, from the lock file. */
export function licences(): Licence[] {
  const file = path.join(/* turbopackIgnore: true */ process.cwd(), 'package-lock.json');
  const parsed = lockSchema.safeParse(JSON.parse(fs.readFileSync(file, 'utf8')));
  if (!parsed.success) return [];
  const found = Object.entries(parsed.data.packages).flatMap(([place, entry]): Licence[] => {
    // Builds for other platforms are named in the lock file, and are not installed.
    if (place === '' || entry.dev || entry.os) return [];
    const name = place.slice(place.lastIndexOf('node_modules/') + 'node_modules/'.length);
    return [
      { name, version: entry.version ?? '', licence: entry.license ?? 'see the package itself' },
    ];
  });
  return found.sort((p, q) => (p.name < q.name ? -1 : 1));
}
