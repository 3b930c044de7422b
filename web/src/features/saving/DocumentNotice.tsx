import { Button } from '../../ui/Button';
import type { DocumentHere } from './useDocument';

interface DocumentNoticeProps {
  readonly here: Pick<DocumentHere<object>, 'state' | 'takeTheirs' | 'saveMine'>;
  /** What it is: "session". */
  readonly what: string;
}

/** That a document could not be saved, or was saved elsewhere; nothing where all is well. */
export function DocumentNotice({ here: { state, takeTheirs, saveMine }, what }: DocumentNoticeProps) {
  if (state.kind === 'trouble')
    return (
      <p className="notice" role="alert">
        ✕ {state.text}
      </p>
    );
  if (state.kind !== 'stale') return null;
  return (
    <div className="notice" role="alert">
      <p>▲ This {what} was saved elsewhere since you opened it. Nothing of yours was written over it.</p>
      <Button onClick={takeTheirs}>Take what is there</Button>
      <Button onClick={saveMine}>Save mine over it</Button>
    </div>
  );
}
