import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectFile } from '@/work/paper/projectFile';

/** What a page without signal may need. */
const NEEDED = /\.(js|css|woff2|wasm|svg)$/;

/** The files of this build, as the browser asks for them. */
function files(): string[] {
  const folder = join(
    /* turbopackIgnore: true */ projectFile('web', 'package.json'),
    '..',
    process.env.UNDREL_DIST ?? '.next',
    'static',
  );
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => NEEDED.test(name))
    .map((name) => `/_next/static/${name.replaceAll('\\', '/')}`)
    .sort();
}

let text: string | undefined;

/** The service worker, with the list of files that belong to this build: another build is another worker. */
export function GET(): Response {
  text ??= `self.undrelFiles=${JSON.stringify(files())};\n${readFileSync(projectFile('web', 'dist', 'serviceWorker.js'), 'utf8')}`;
  return new Response(text, {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'no-cache',
      'content-security-policy': "default-src 'none'; script-src 'self'; connect-src 'self'",
    },
  });
}
