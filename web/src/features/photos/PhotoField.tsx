import { useRef, useState, type DragEvent } from 'react';
import type { PhotoTaken } from '@portiona/core';
import { Button } from '../../ui/Button';
import { FileInput } from '../../ui/FileInput';
import { bringPhoto } from './bringPhoto';
import { photoAddress } from './photoAddress';
import './photos.css';

interface PhotoFieldProps {
  readonly photo: PhotoTaken | undefined;
  /** What it is of, where nothing says what can be seen on it. */
  readonly of: string;
  readonly onPhoto: (photo: PhotoTaken | undefined) => void;
  /** Where what can be seen on it is written. */
  readonly children: React.ReactNode;
}

/** A photo: chosen, dropped or pasted; made small here, and nothing but the picture is sent. */
export function PhotoField({ photo, of, onPhoto, children }: PhotoFieldProps) {
  const file = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState('');
  const [isComing, setComing] = useState(false);
  const [isOver, setOver] = useState(false);
  const take = async (picked: readonly File[]) => {
    const [first] = picked.filter(({ type }) => type.startsWith('image/'));
    if (!first) {
      if (picked.length > 0) setTrouble(`“${picked[0]?.name ?? ''}” is no picture. Choose a JPEG or a PNG.`);
      return;
    }
    setTrouble('');
    setComing(true);
    const brought = await bringPhoto(first);
    setComing(false);
    if (!brought.ok) return setTrouble(brought.because);
    // Another picture shows something else: what was said of the one before does not go with it.
    onPhoto({ id: brought.id });
    if (picked.length > 1) setTrouble(`One photo was taken of ${picked.length}: “${first.name}”.`);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take([...event.dataTransfer.files]);
  };
  return (
    <section
      className={`photo-field ${isOver ? 'over' : ''}`}
      aria-label="Photo"
      aria-busy={isComing}
      onPaste={(event) => {
        if (event.clipboardData.files.length === 0) return;
        event.preventDefault();
        void take([...event.clipboardData.files]);
      }}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      {photo && <img src={photoAddress(photo.id)} alt={photo.alt ?? `Photo of ${of}`} />}
      <div className="photo-said">
        {photo ? (
          children
        ) : (
          <p className="muted text-compact">
            How it looked: choose a photo, drop it here or paste it. It is made small and upright in the browser; where and with what it was
            taken stays there.
          </p>
        )}
        <p className="photo-does">
          <Button onClick={() => file.current?.click()} disabled={isComing}>
            {photo ? 'Another photo' : 'Add a photo'}
          </Button>
          {photo && (
            <Button kind="quiet" onClick={() => onPhoto(undefined)}>
              take the photo out
            </Button>
          )}
          {isComing && <span className="muted text-small">Taking it …</span>}
        </p>
        {trouble !== '' && (
          <p className="bad text-small" role="alert">
            ✕ {trouble}
          </p>
        )}
      </div>
      <FileInput ref={file} label="Photo file" accept="image/*" onFile={(picked) => take([picked])} />
    </section>
  );
}
