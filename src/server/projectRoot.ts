import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder that holds package.json, from wherever this code was built to. */
export function projectRoot(): string {
  let folder = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(folder, 'package.json'))) {
    const parent = dirname(folder);
    if (parent === folder) throw new Error('Fanfare cannot find its own folder.');
    folder = parent;
  }
  return folder;
}
