import { access, mkdir, rename, rm, utimes } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { Client } from 'minio';
import { dataFolder, forgetIdle } from './dataFolder.js';
import type { FileStore, Folder, OpenFile } from './fileStore.js';

/** What has not grown for so long, milliseconds, broke off; copies that nobody read for so long go. */
const BROKEN_OFF = 3_600_000;
const UNREAD = 3_600_000;

/** Where a bucket is, and as whom it is reached. */
export interface BucketPlace {
  /** "https://objects.example:9000". */
  readonly endpoint: string;
  readonly bucket: string;
  readonly region: string;
  readonly key: string;
  readonly secret: string;
}

/** What a store answers that has no such object. */
const NOT_THERE: ReadonlySet<unknown> = new Set(['NoSuchKey', 'NotFound', 'NoSuchObject']);

/** Files in a bucket that speaks the S3 protocol: every server finds them, and brings what it reads more than once to its own machine. */
export class BucketStore implements FileStore {
  readonly #client: Client;
  readonly #bucket: string;
  readonly #coming = dataFolder('coming');
  readonly #copies = dataFolder('copies');
  readonly #bringing = new Map<string, Promise<string | undefined>>();
  readonly words: string;

  constructor({ endpoint, bucket, region, key, secret }: BucketPlace) {
    const { protocol, hostname, port } = new URL(endpoint);
    this.#bucket = bucket;
    this.words = `the bucket ${bucket} at ${hostname}`;
    this.#client = new Client({
      endPoint: hostname,
      useSSL: protocol === 'https:',
      ...(port === '' ? {} : { port: Number(port) }),
      region,
      accessKey: key,
      secretKey: secret,
      pathStyle: true,
    });
  }

  async coming(): Promise<string> {
    await mkdir(this.#coming, { recursive: true });
    return this.#coming;
  }

  async put(folder: Folder, name: string, path: string): Promise<void> {
    await this.#client.fPutObject(this.#bucket, `${folder}/${name}`, path);
    await rm(path, { force: true });
  }

  /** Many who ask at once bring it once. */
  path(folder: Folder, name: string): Promise<string | undefined> {
    const asked = `${folder}-${name}`;
    const bringing =
      this.#bringing.get(asked) ?? this.#bring(folder, name, join(this.#copies, asked)).finally(() => this.#bringing.delete(asked));
    this.#bringing.set(asked, bringing);
    return bringing;
  }

  async open(folder: Folder, name: string): Promise<OpenFile | undefined> {
    return ifThere(async () => {
      const { size } = await this.#client.statObject(this.#bucket, `${folder}/${name}`);
      return { stream: await this.#client.getObject(this.#bucket, `${folder}/${name}`), bytes: size };
    });
  }

  async remove(folder: Folder, name: string): Promise<void> {
    await rm(join(this.#copies, `${folder}-${name}`), { force: true });
    await ifThere(() => this.#client.removeObject(this.#bucket, `${folder}/${name}`));
  }

  async list(folder: Folder): Promise<{ readonly name: string; readonly at: Date; readonly bytes: number }[]> {
    const found: { name: string; at: Date; bytes: number }[] = [];
    for await (const one of this.#client.listObjectsV2(this.#bucket, `${folder}/`, true) as AsyncIterable<{
      name?: string;
      lastModified?: Date;
      size: number;
    }>)
      if (one.name !== undefined)
        found.push({ name: one.name.slice(folder.length + 1), at: new Date(one.lastModified ?? 0), bytes: one.size });
    return found;
  }

  async tidyHere(): Promise<void> {
    await forgetIdle(this.#coming, BROKEN_OFF);
    await forgetIdle(this.#copies, UNREAD);
  }

  /** A copy says nothing of whether the file was taken away elsewhere: that is asked each time. */
  async #bring(folder: Folder, name: string, copy: string): Promise<string | undefined> {
    const there = await ifThere(() => this.#client.statObject(this.#bucket, `${folder}/${name}`));
    if (!there) {
      await rm(copy, { force: true });
      return undefined;
    }
    if (
      await access(copy).then(
        () => true,
        () => false,
      )
    ) {
      await utimes(copy, new Date(), new Date());
      return copy;
    }
    await mkdir(this.#copies, { recursive: true });
    const part = join(await this.coming(), randomUUID());
    try {
      await this.#client.fGetObject(this.#bucket, `${folder}/${name}`, part);
      await rename(part, copy);
      return copy;
    } finally {
      await rm(part, { force: true });
    }
  }
}

/** What is answered; undefined where the store says that there is no such thing. */
async function ifThere<Found>(ask: () => Promise<Found>): Promise<Found | undefined> {
  try {
    return await ask();
  } catch (error) {
    if (typeof error === 'object' && error !== null && 'code' in error && NOT_THERE.has(error.code)) return undefined;
    throw error;
  }
}
