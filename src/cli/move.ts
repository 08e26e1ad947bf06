import { FolderInUse } from '../db/connect/folderLock';
import { moveByCommand } from './moveCommand';

moveByCommand(process.argv.slice(2))
  .then((said) => process.stdout.write(`${said}\n`))
  .catch((error: unknown) => {
    const said = error instanceof Error ? error.message : String(error);
    process.stderr.write(
      `${said}\n${error instanceof FolderInUse ? 'Stop the program first.\n' : ''}`,
    );
    process.exitCode = 1;
  });
