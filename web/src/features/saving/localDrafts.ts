import { keptName } from '../../api/kitchenAtHand';
/** What was written and has not reached the server, and the revision it was made on. */
export interface LocalDraft<Document> {
  readonly revision: number;
  readonly document: Document;
}

/** Unsaved work of one kind, kept in the browser until the server has it: a crash, a closed lid or dialog, a reload lose nothing. */
export class LocalDrafts<Document> {
  private readonly prefix: string;

  /** @param kind of what is kept: each kitchen's own is kept apart */
  constructor(kind: string) {
    this.prefix = `${keptName(kind)}:`;
  }

  keep(id: string, draft: LocalDraft<Document>): void {
    try {
      localStorage.setItem(this.prefix + id, JSON.stringify(draft));
    } catch {
      // A full or closed store only costs the second net; the save itself goes on.
    }
  }

  of(id: string): LocalDraft<Document> | undefined {
    try {
      const text = localStorage.getItem(this.prefix + id);
      return text === null ? undefined : (JSON.parse(text) as LocalDraft<Document>);
    } catch {
      return undefined;
    }
  }

  forget(id: string): void {
    try {
      localStorage.removeItem(this.prefix + id);
    } catch {
      // Nothing to forget where nothing can be kept.
    }
  }
}
