import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** A file or folder of the project, looked for from the working directory upward. */
export function projectFile(...path: string[]): string {
  for (let folder = process.cwd(); ; folder = dirname(folder)) {
    const candidate = join(/* turbopackIgnore: true */ folder, ...path);
    if (existsSync(candidate)) return candidate;
    if (dirname(folder) === folder) throw new Error(`${join(...path)} was not found above ${process.cwd()}.`);
  }
}
