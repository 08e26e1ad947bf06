import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { refusePassword } from '../core/access';
import { FolderInUse } from '../db/connect/folderLock';
import { findPersonByName, savePerson } from '../db/repositories';
import { giveSecrets } from '../server/access/signIn';
import { closeDatabase, database } from '../server/database';
import { initialsOf } from '../server/shop/people';

const USAGE = `Usage: npm run lead -- "Name"
Makes somebody a lead, where they are none yet, and asks for a new password: for the first lead, and for one who lost it.
The program must not run on the folder meanwhile. The password may also come on the standard input.`;

/** Reads a line of the terminal without showing what is typed. */
async function readHidden(question: string): Promise<string> {
  if (process.stdin.isTTY) process.stdout.write(question);
  const output = new Writable({ write: (_text, _encoding, done) => done() });
  const terminal = createInterface({ input: process.stdin, output, terminal: process.stdin.isTTY });
  try {
    for await (const line of terminal) return line;
    return '';
  } finally {
    terminal.close();
    if (process.stdin.isTTY) process.stdout.write('\n');
  }
}

async function main(name: string | undefined): Promise<string> {
  if (!name?.trim()) throw new Error(USAGE);
  const db = await database();
  const known = await findPersonByName(db, name.trim());
  const password = await readHidden(`New password of ${name.trim()}: `);
  // Before anybody is made a lead.
  const bad = refusePassword(password, name.trim());
  if (bad) throw new Error(bad);
  const id =
    known?.role === 'lead'
      ? known.id
      : await savePerson(db, {
          name: name.trim(),
          role: 'lead',
          initials: known?.initials ?? initialsOf(name),
        });
  const given = await giveSecrets(
    { person: id, password },
    { id: '', name: 'the command', role: 'lead', initials: '', isHere: true },
  );
  if (!given.ok) throw new Error(given.message);
  return `${name.trim()} is a lead and signs in by that password. What was open under the old one has ended.`;
}

main(process.argv[2])
  .then((said) => process.stdout.write(`${said}\n`))
  .catch((error: unknown) => {
    const said = error instanceof Error ? error.message : String(error);
    process.stderr.write(
      error instanceof FolderInUse ? `${said}\nStop the program first.\n` : `${said}\n`,
    );
    process.exitCode = 1;
  })
  .finally(() => void closeDatabase());
