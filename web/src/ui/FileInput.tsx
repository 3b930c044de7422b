import type { RefObject } from 'react';

interface FileInputProps {
  /** A button opens it: it is not seen itself. */
  readonly ref: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => unknown;
}

/** A file to choose; the same one may be chosen again. */
export function FileInput({ ref, label, accept, onFile }: FileInputProps) {
  return (
    <input
      ref={ref}
      type="file"
      className="sr"
      tabIndex={-1}
      accept={accept}
      aria-label={label}
      onChange={({ target }) => {
        const [picked] = target.files ?? [];
        if (picked) void onFile(picked);
        target.value = '';
      }}
    />
  );
}
