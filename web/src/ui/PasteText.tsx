import { useState } from 'react';
import { Button } from './Button';
import { TextArea } from './TextArea';

interface PasteTextProps {
  /** What opens it. */
  readonly action: string;
  /** What the text is. */
  readonly label: string;
  readonly placeholder: string;
  readonly busy: boolean;
  readonly onText: (text: string) => void;
}

/** Text from anywhere: a mail, a page, a list. It is asked for when it is wanted, and read when it is all there. */
export function PasteText({ action, label, placeholder, busy, onText }: PasteTextProps) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  if (!open)
    return (
      <Button kind="quiet" className="text-small self-start" onClick={() => setOpen(true)}>
        {action}
      </Button>
    );
  return (
    <div className="grid gap-2">
      <TextArea
        rows={5}
        aria-label={label}
        placeholder={placeholder}
        value={text}
        autoFocus
        onChange={({ target }) => setText(target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setOpen(false);
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && text.trim() !== '') onText(text);
        }}
      />
      <p className="flex gap-3 items-center">
        <Button disabled={busy || text.trim() === ''} onClick={() => onText(text)}>
          Read it
        </Button>
        <kbd>Ctrl Enter</kbd>
      </p>
    </div>
  );
}
