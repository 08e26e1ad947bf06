import { FolderInUse } from '../db/connect/folderLock';
import { copyByCommand } from './backupCommand';

const sayWhy = (error: unknown): unknown => (error instanceof Error ? error.message : error);

copyByCommand(process.argv.slice(2))
  .then((said) => console.log(said))
  .catch((error: unknown) => {
    const more = error instanceof FolderInUse ? ' Or restore from its page: Workshop, Copies.' : '';
    console.error(`${String(sayWhy(error))}${more}`);
    process.exit(1);
  });
