import fs from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';

/** Made once, with the program. */
export const dynamic = 'force-static';

const ROOT = /* turbopackIgnore: true */ process.cwd();
const STATIC = path.join(ROOT, '.next', 'static');

/** Every file of the built program that a browser loads. Its name changes with what is in it. */
const builtFiles = (): { url: string; revision: null }[] =>
  fs
    .readdirSync(STATIC, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !/[Mm]anifest\.js$|\.map$/.test(entry.name))
    .map((entry) => path.relative(STATIC, path.join(entry.parentPath, entry.name)))
    .sort()
    .map((file) => ({ url: `/_next/static/${file.replaceAll(path.sep, '/')}`, revision: null }));

/** The worker that holds pages for when the server is away, as one file with the names of all that it holds. */
export async function GET(): Promise<Response> {
  const built = await build({
    entryPoints: [path.join(ROOT, 'src', 'workers', 'offline', 'serviceWorker.ts')],
    ...{ bundle: true, minify: true, write: false, format: 'iife', target: 'es2022' },
    define: {
      ZH_FILES: JSON.stringify(builtFiles()),
      'process.env.NODE_ENV': '"production"',
    },
  });
  return new Response(built.outputFiles[0]?.text, {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'no-cache',
      'content-security-policy': "default-src 'self'",
    },
  });
}
