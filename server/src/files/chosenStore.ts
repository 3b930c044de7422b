import { BucketStore } from './bucketStore.js';
import type { FileStore } from './fileStore.js';
import { FolderStore } from './folderStore.js';

/**
 * The store that files are kept in: the data folder, or a bucket where PORTIONA_S3_ENDPOINT and what belongs to it are set.
 *
 * @throws Error that names what is missing
 */
export function chosenStore(environment: NodeJS.ProcessEnv = process.env): FileStore {
  const said = (name: string) => environment[name]?.trim() || undefined;
  const endpoint = said('PORTIONA_S3_ENDPOINT');
  if (endpoint === undefined) return new FolderStore();
  const [bucket, key, secret] = ['PORTIONA_S3_BUCKET', 'PORTIONA_S3_KEY', 'PORTIONA_S3_SECRET'].map((name) => {
    const found = said(name);
    if (found === undefined) throw new Error(`PORTIONA_S3_ENDPOINT is set, and ${name} is not: set it too`);
    return found;
  });
  if (!URL.canParse(endpoint) || !/^https?:$/.test(new URL(endpoint).protocol))
    throw new Error(`PORTIONA_S3_ENDPOINT is "${endpoint}"; it must be an address such as https://objects.example`);
  return new BucketStore({
    endpoint,
    bucket: bucket ?? '',
    region: said('PORTIONA_S3_REGION') ?? 'us-east-1',
    key: key ?? '',
    secret: secret ?? '',
  });
}
