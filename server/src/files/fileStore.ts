import type { Readable } from 'node:stream';

/** What is kept as files: tables that were brought and not taken in yet; booklets and archives of cards. */
export const FOLDERS = ['tables', 'bundles'] as const;
export type Folder = (typeof FOLDERS)[number];

/** A file to be read once, from its beginning. */
export interface OpenFile {
  readonly stream: Readable;
  readonly bytes: number;
}

/** Under which a store is asked for. */
export const FILE_STORE = Symbol('file store');

/** Where files are kept that every server has to find: what was put there is there for all, whole, until it is taken away. */
export interface FileStore {
  /** What it is, in words, for whoever looks after it. */
  readonly words: string;
  /** Where files are written before they are put; on the machine at hand. */
  coming(): Promise<string>;
  /** Puts a file that was written on this machine; it is gone from there afterwards. */
  put(folder: Folder, name: string, path: string): Promise<void>;
  /** A path under which the file is read on this machine; undefined where there is none of that name. */
  path(folder: Folder, name: string): Promise<string | undefined>;
  /** Opens it, without bringing it here first; undefined where there is none. */
  open(folder: Folder, name: string): Promise<OpenFile | undefined>;
  /** Takes it away; one that is not there is no trouble. */
  remove(folder: Folder, name: string): Promise<void>;
  /** All that is there, with when it came. */
  list(folder: Folder): Promise<readonly { readonly name: string; readonly at: Date; readonly bytes: number }[]>;
  /** Takes away what this machine holds and needs no more: what broke off while it was written, copies that nobody reads. */
  tidyHere(): Promise<void>;
}

/** A brought table's name among files. */
export function tableName(id: string): string {
  return `${id}.table`;
}
