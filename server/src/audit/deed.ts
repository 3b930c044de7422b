/** Something that changes a kitchen, as it is noted: who does what, to what, from where. Of what is written only a name is kept. */
export interface Deed {
  /** The operation, as the interface calls it: "saveRecipe". */
  readonly does: string;
  /** What it is done to, as its address in the kitchen says: "recipes/leek-soup". */
  readonly to: string;
  /** What that is called, where the request says it. */
  readonly named: string | undefined;
  /** The revision it was made on, where it says one. */
  readonly revision: number | undefined;
  readonly by: { readonly id: string; readonly name: string };
  /** "page", or "token" for a program that came by one. */
  readonly through: 'page' | 'token';
  /** The address it was asked from. */
  readonly from: string;
  /** The page that asked, by a number it gave itself; so that it is not told of its own doings. */
  readonly tab: string;
}

/** A deed of a request under way, and whether it stands in the log by now. */
export interface PendingDeed {
  readonly deed: Deed;
  noted: boolean;
}

/** What is kept of a deed. */
export function entryOf({ does, to, named, revision, by, through, from }: Deed): object {
  return { does, to, ...(named === undefined ? {} : { named }), ...(revision === undefined ? {} : { revision }), by, through, from };
}

/** What others who look at the kitchen are told of it at once. */
export function toldOf({ does, to, by, tab }: Deed): object {
  return { does, to, by, tab };
}
