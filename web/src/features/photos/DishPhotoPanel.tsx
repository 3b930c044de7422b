import { useState } from 'react';
import type { DishPhoto, PhotoCrop, PhotoShape } from '@portiona/core';
import ReactCrop, { type Crop } from 'react-image-crop';
import 'react-image-crop/dist/ReactCrop.css';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { TextArea } from '../../ui/TextArea';
import { PhotoField } from './PhotoField';
import { photoAddress } from './photoAddress';

const SHAPES: readonly (readonly [PhotoShape, string, string])[] = [
  ['band', 'Across a page', 'On the docket, the page and what readers open'],
  ['upright', 'Upright', 'The picture of 1080 × 1350'],
  ['square', 'Square', 'The picture of 1080 × 1080'],
];

export interface DishPhotoPanelProps {
  readonly photo: DishPhoto | undefined;
  readonly title: string;
  readonly onPhoto: (photo: DishPhoto | undefined) => void;
}

/** The photo of a dish: taken in, said in words, and cut by hand for each shape that a card has a place for. */
export function DishPhotoPanel({ photo, title, onPhoto }: DishPhotoPanelProps) {
  const [shape, setShape] = useState<PhotoShape>('band');
  const cropped = (crop: PhotoCrop | undefined) => {
    if (!photo) return;
    const { [shape]: _was, ...others } = photo.crops ?? {};
    const crops = crop ? { ...others, [shape]: crop } : others;
    const { crops: _crops, ...rest } = photo;
    onPhoto(Object.keys(crops).length === 0 ? rest : { ...rest, crops });
  };
  return (
    <div className="dish-photo">
      <PhotoField photo={photo} of={title} onPhoto={onPhoto}>
        {photo && <SaidOnIt key={photo.id} photo={photo} onPhoto={onPhoto} />}
      </PhotoField>
      {photo && (
        <>
          <p className="dish-photo-shapes">
            <Segmented label="Shape that is cut" value={shape} options={SHAPES} onChange={setShape} />
            {photo.crops?.[shape] && (
              <Button kind="quiet" onClick={() => cropped(undefined)}>
                all of it
              </Button>
            )}
          </p>
          <Cut key={`${photo.id} ${shape}`} id={photo.id} crop={photo.crops?.[shape]} onCrop={cropped} />
          <p className="muted text-small">
            Draw over what is to be seen, or move it with the arrow keys. A card shows as much of it as its place allows, around the middle.
          </p>
        </>
      )}
    </div>
  );
}

/** What can be seen on the photo: asked for, since not everybody sees it. */
function SaidOnIt({ photo, onPhoto }: { readonly photo: DishPhoto; readonly onPhoto: (photo: DishPhoto) => void }) {
  const [text, setText] = useState(photo.alt ?? '');
  const keep = () => {
    const { alt: _was, ...rest } = photo;
    if (text.trim() !== (photo.alt ?? '')) onPhoto(text.trim() === '' ? rest : { ...rest, alt: text.trim() });
  };
  return (
    <Field label="What can be seen on it, for whoever does not see it">
      <TextArea value={text} maxLength={300} rows={2} onChange={({ target }) => setText(target.value)} onBlur={keep} />
      {text.trim() === '' && <span className="warn text-small">▲ Not said yet: the title is read out instead.</span>}
    </Field>
  );
}

interface CutProps {
  readonly id: string;
  readonly crop: PhotoCrop | undefined;
  readonly onCrop: (crop: PhotoCrop | undefined) => void;
}

function Cut({ id, crop, onCrop }: CutProps) {
  const [drawn, setDrawn] = useState<Crop | undefined>(crop && inPercent(crop));
  return (
    <ReactCrop
      crop={drawn}
      keepSelection
      ruleOfThirds
      ariaLabels={{
        cropArea: 'Use the arrow keys to move what is to be seen',
        nwDragHandle: 'Upper left corner, arrow keys move it',
        nDragHandle: 'Upper edge, arrow keys move it',
        neDragHandle: 'Upper right corner, arrow keys move it',
        eDragHandle: 'Right edge, arrow keys move it',
        seDragHandle: 'Lower right corner, arrow keys move it',
        sDragHandle: 'Lower edge, arrow keys move it',
        swDragHandle: 'Lower left corner, arrow keys move it',
        wDragHandle: 'Left edge, arrow keys move it',
      }}
      onChange={(_pixels, percent) => setDrawn(percent)}
      onComplete={(_pixels, percent) => onCrop(percent.width < 2 || percent.height < 2 ? undefined : inShares(percent))}
    >
      <img src={photoAddress(id)} alt="What is cut" className="dish-photo-cut" />
    </ReactCrop>
  );
}

function inPercent({ x, y, width, height }: PhotoCrop): Crop {
  return { unit: '%', x: x * 100, y: y * 100, width: width * 100, height: height * 100 };
}

/** In shares of the sides, to a thousandth: finer than anybody draws. */
function inShares({ x, y, width, height }: Crop): PhotoCrop {
  const share = (percent: number, most: number) => Math.min(most, Math.max(0, Math.round(percent * 10) / 1000));
  return { x: share(x, 0.99), y: share(y, 0.99), width: share(width, 1), height: share(height, 1) };
}
