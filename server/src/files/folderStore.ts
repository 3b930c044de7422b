import { createReadStream } from 'node:fs';
import { access, mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { dataFolder, forgetIdle } from './dataFolder.js';
import type { FileStore, Folder, OpenFile } from './fileStore.js';

/** What has not grown for so long, milliseconds, broke off. */
const BROKEN_OFF = 3_600_000;

/** Files in the data folder: of one machine, or of several that have it mounted. */
export class FolderStore implements FileStore {
  readonly #home = dataFolder('');

  get words(): string {
    return `the folder ${this.#home}`;
  }

  async coming(): Promise<string> {
    const folder = join(this.#home, 'coming');
    await mkdir(folder, { recursive: true });
    return folder;
  }

  async put(folder: Folder, name: string, path: string): Promise<void> {
    await mkdir(join(this.#home, folder), { recursive: true });
    await rename(path, this.#at(folder, name));
  }

  async path(folder: Folder, name: string): Promise<string | undefined> {
    const path = this.#at(folder, name);
    return access(path).then(
      () => path,
      () => undefined,
    );
  }

  async open(folder: Folder, name: string): Promise<OpenFile | undefined> {
    const path = this.#at(folder, name);
    const found = await stat(path).catch(() => undefined);
    return found && { stream: createReadStream(path), bytes: found.size };
  }

  async remove(folder: Folder, name: string): Promise<void> {
    await rm(this.#at(folder, name), { force: true });
  }

  async list(folder: Folder): Promise<{ readonly name: string; readonly at: Date; readonly bytes: number }[]> {
    const names = await readdir(join(this.#home, folder)).catch(() => []);
    const found = await Promise.all(
      names.map((name) =>
        stat(join(this.#home, folder, name)).then(
          ({ mtime, size }) => [{ name, at: mtime, bytes: size }],
          () => [],
        ),
      ),
    );
    return found.flat();
  }

  async tidyHere(): Promise<void> {
    await forgetIdle(join(this.#home, 'coming'), BROKEN_OFF);
  }

  #at(folder: Folder, name: string): string {
    return join(this.#home, folder, name);
  }
}
