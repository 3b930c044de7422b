import { sameDocument, tidied } from '@portiona/core';
import { isPassing, problemOf, type Problem } from '../../api/problem';
import type { LocalDrafts } from './localDrafts';

/** What became of a save. */
export type SaveOutcome<Answer> =
  | { readonly kind: 'saved'; readonly answer: Answer }
  /** The server has decided against it: for what is in it, or because another save came before. */
  | { readonly kind: 'refused'; readonly problem: Problem }
  /** The server has not decided: it is to be sent again. */
  | { readonly kind: 'undecided'; readonly problem: Problem };

/** How one document is sent. */
export interface Sending<Document, Answer> {
  /** Told once it is really sent: what the server would refuse unread is not. */
  readonly begun: () => void;
  readonly send: (revision: number, document: Document) => Promise<Answer>;
}

/** Saves in a row of which nobody knows whether they landed. */
const MOST_UNKNOWN = 20;

/**
 * The one way documents are saved, recipes and foods alike: one save at a time over all of a kind, each made on the newest revision
 * known. A save that landed while its answer was lost is known as one's own, and the next goes on top of it.
 */
export class Saver<Document extends object, Answer extends { readonly revision: number }> {
  readonly #revisions = new Map<string, number>();
  /**
   * What this page sent of each, or took up again, since its last save is known to have landed, that one too: found on the server,
   * it is no one else's work.
   */
  readonly #ours = new Map<string, readonly Document[]>();
  #last: Promise<unknown> = Promise.resolve();

  constructor(readonly drafts: LocalDrafts<Document>) {}

  /** Says on which revision the next save of a document is made. */
  standsAt(id: string, revision: number): void {
    this.#revisions.set(id, revision);
  }

  /** The revision that the next save of a document is made on. */
  revisionOf(id: string): number {
    return this.#revisions.get(id) ?? 0;
  }

  /** What was kept here and is worked on again was this page's own. */
  takenUp(id: string, document: Document): void {
    this.#ours.set(id, [document]);
  }

  /** Sends a document after those before it. What is kept of it here is forgotten once just that has landed. */
  save(id: string, sent: Document, { begun, send }: Sending<Document, Answer>): Promise<SaveOutcome<Answer>> {
    const before = this.#last;
    const run = (async (): Promise<SaveOutcome<Answer>> => {
      await before;
      const { tidy, faults } = tidied(sent, 'document');
      if (faults.length > 0) return { kind: 'refused', problem: unreadable(faults) };
      begun();
      this.#ours.set(id, [...(this.#ours.get(id) ?? []).slice(-MOST_UNKNOWN), tidy]);
      try {
        const answer = await this.#onOwn(id, () => send(this.revisionOf(id), tidy));
        this.#ours.set(id, [tidy]);
        this.#revisions.set(id, answer.revision);
        const kept = this.drafts.of(id);
        if (kept && JSON.stringify(kept.document) === JSON.stringify(sent)) this.drafts.forget(id);
        return { kind: 'saved', answer };
      } catch (error) {
        const problem = problemOf(error);
        return { kind: isPassing(problem) ? 'undecided' : 'refused', problem };
      }
    })();
    this.#last = run.catch(() => undefined);
    return run;
  }

  /** One that was under way when the page was loaded anew may have landed since: what stands there then is our own. */
  async #onOwn(id: string, send: () => Promise<Answer>): Promise<Answer> {
    try {
      return await send();
    } catch (error) {
      const { current } = problemOf(error);
      if (!current || !this.#ours.get(id)?.some((one) => sameDocument(current.document, one))) throw error;
      this.#revisions.set(id, current.revision);
      return send();
    }
  }
}

/** What the server would say of it, said without asking. */
function unreadable(faults: Problem['faults']): Problem {
  return { status: 422, title: 'Cannot be read', detail: 'nothing was saved; mend what is listed', faults };
}
