import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import type { Recipe } from '@portiona/core';
import { useCreateRecipeMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { Modal } from '../../ui/Modal';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { later } from '../../ui/later';
import { Arriving } from '../../ui/Arriving';

/** Reading what others wrote takes a parser of pages: it comes when it is asked for. */
const { View: BringRecipe } = later(async () => ({ default: (await import('./BringRecipe')).BringRecipe }));

/** Starts a recipe from a name and a number of boxes. */
export function NewRecipe({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Modal
      open={open}
      onClose={onClose}
      title="A new recipe"
      hint="Name it and say how many boxes it makes, or bring one that is written already. Everything else is done at the desk."
    >
      <Ways onClose={onClose} />
    </Modal>
  );
}

/** From nothing, or from a recipe that somebody wrote. */
function Ways({ onClose }: { readonly onClose: () => void }) {
  const [bringing, setBringing] = useState(false);
  return (
    <>
      <Segmented
        label="How to begin"
        className="mb-3"
        value={bringing ? 'text' : 'nothing'}
        options={[
          ['nothing', 'From nothing'],
          ['text', 'From a text or page'],
        ]}
        onChange={(from) => setBringing(from === 'text')}
      />
      {bringing ? (
        <Arriving>
          <BringRecipe onClose={onClose} />
        </Arriving>
      ) : (
        <NewRecipeForm onClose={onClose} />
      )}
    </>
  );
}

function NewRecipeForm({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const [create, { isLoading }] = useCreateRecipeMutation();
  const [title, setTitle] = useState('');
  const [servings, setServings] = useState('5');
  const [trouble, setTrouble] = useState('');
  const start = async (event: FormEvent) => {
    event.preventDefault();
    const boxes = Number(servings);
    if (title.trim() === '') return setTrouble('Give it a name first.');
    if (!Number.isFinite(boxes) || boxes < 1) return setTrouble('Boxes must be 1 or more.');
    const recipe = (id: string): Recipe => ({
      id,
      title: title.trim(),
      servings: boxes,
      servingName: 'box',
      parts: [{ id: 'main', name: 'Main', lines: [] }],
    });
    try {
      const { id } = await underFreeId(title, [], (free) => create({ newRecipeDto: { document: recipe(free) } }).unwrap());
      onClose();
      await navigate(`/recipes/${id}/build`);
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <form onSubmit={(event) => void start(event)} className="grid gap-3" noValidate>
      <Field label="Name">
        <Input
          className="font-serif"
          value={title}
          onChange={({ target }) => setTitle(target.value)}
          autoFocus
          maxLength={200}
          aria-invalid={trouble !== ''}
          aria-describedby="new-recipe-trouble"
        />
      </Field>
      <Field label="Boxes">
        <Input className="w-24" inputMode="decimal" value={servings} onChange={({ target }) => setServings(target.value)} />
      </Field>
      <p id="new-recipe-trouble" role="alert" className="bad">
        {trouble}
      </p>
      <div className="flex gap-2 justify-end">
        <Button type="button" onClick={onClose}>
          Not now
        </Button>
        <Button kind="main" disabled={isLoading}>
          Start
        </Button>
      </div>
    </form>
  );
}
