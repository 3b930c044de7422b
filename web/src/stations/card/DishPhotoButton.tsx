import { useState } from 'react';
import type { DishPhotoPanelProps } from '../../features/photos/DishPhotoPanel';
import { Arriving } from '../../ui/Arriving';
import { Button } from '../../ui/Button';
import { later } from '../../ui/later';
import { Modal } from '../../ui/Modal';

/** Cutting by hand is a library of its own: it comes when it is wanted. */
const { View: DishPhotoPanel } = later(async () => ({ default: (await import('../../features/photos/DishPhotoPanel')).DishPhotoPanel }));

/** Opens the photo of the dish, to bring one and to cut it for each shape. */
export function DishPhotoButton(props: DishPhotoPanelProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Photo</Button>
      <Modal open={open} title="Photo of the dish" onClose={() => setOpen(false)}>
        <Arriving>
          <DishPhotoPanel {...props} />
        </Arriving>
      </Modal>
    </>
  );
}
