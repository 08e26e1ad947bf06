// Runs the command line tool: needs no build of the application and no running server.
import { pathToFileURL } from 'node:url';
import { commandLine } from './lib/commandLine.mjs';

const file = await commandLine();
process.chdir(process.env.INIT_CWD ?? process.cwd());
await import(pathToFileURL(file).href);
