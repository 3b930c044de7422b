import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { pageText, readRecipes, recipeFromRead } from '@portiona/core';
import { useCreateRecipeMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { useKitchen } from '../kitchen/useKitchen';
import { TextArea } from '../../ui/TextArea';
import { Input } from '../../ui/Input';
import { Select } from '../../ui/Select';
import { EmptyPantry } from '../foods/StarterPantry';
import { BroughtRecipe } from './BroughtRecipe';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';
import { FileInput } from '../../ui/FileInput';

const MOST_BYTES = 5 * 1024 * 1024;

/** A recipe from a pasted list and method, a saved page, or schema.org data, read and matched before it is begun. */
export function BringRecipe({ onClose }: { readonly onClose: () => void }) {
  const here = useKitchen();
  const [create, { isLoading }] = useCreateRecipeMutation();
  const [text, setText] = useState('');
  const [title, setTitle] = useState<string>();
  const [chosen, setChosen] = useState(0);
  const [trouble, setTrouble] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const given = useDeferredValue(text);
  const found = useMemo(() => readRecipes(given), [given]);
  const read = found[chosen] ?? found[0];
  const recipe = useMemo(
    () => read && here && recipeFromRead({ ...read, title: title ?? read.title }, here.index, new Set(), here.kitchen.settings.measures),
    [read, here, title],
  );
  const change = (next: string) => {
    setText(next);
    setChosen(0);
    setTitle(undefined);
  };
  const take = async (from: File) => {
    if (from.size > MOST_BYTES) return setTrouble(`${from.name} is more than 5 MB. Save the page alone, without its pictures.`);
    setTrouble('');
    change(pageText(new Uint8Array(await from.arrayBuffer()), from.type));
  };
  const begin = async () => {
    if (!recipe) return;
    try {
      const { id } = await underFreeId(recipe.title, [], (free) =>
        create({ newRecipeDto: { document: { ...recipe, id: free } } }).unwrap(),
      );
      onClose();
      await navigate(`/recipes/${id}/build`);
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <div className="grid gap-3">
      <TextArea
        className="w-full"
        rows={recipe ? 5 : 9}
        aria-label="The recipe as text, page or data"
        placeholder={'Leek and barley pot\nMakes 5 boxes\n\n300 g pearl barley\n3 leeks, sliced\n\nMethod\n1. Boil the barley …'}
        value={text}
        autoFocus
        onChange={({ target }) => change(target.value)}
      />
      {here?.foods.length === 0 && <EmptyPantry />}
      {text.trim() !== '' && !recipe && (
        <p className="muted" role="status">
          {/<\w/.test(text) ? 'This page holds no recipe: no list of ingredients is found in it.' : 'No ingredient found in it yet.'}
        </p>
      )}
      {found.length > 1 && (
        <Field label={`It holds ${found.length} recipes; begin with`}>
          <Select
            value={String(Math.min(chosen, found.length - 1))}
            onChange={({ target }) => {
              setChosen(Number(target.value));
              setTitle(undefined);
            }}
          >
            {found.map((one, i) => (
              <option key={i} value={i}>
                {one.title || 'Without a name'}
              </option>
            ))}
          </Select>
        </Field>
      )}
      {recipe && read && here && (
        <>
          <Field label="Name">
            <Input className="font-serif" maxLength={200} value={title ?? read.title} onChange={({ target }) => setTitle(target.value)} />
          </Field>
          <BroughtRecipe recipe={recipe} read={read} here={here} />
        </>
      )}
      {trouble !== '' && (
        <p className="bad" role="alert">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2 items-center">
        <Button onClick={() => file.current?.click()}>Choose a page or file</Button>
        <FileInput
          ref={file}
          label="Recipe file"
          accept=".html,.htm,.json,.jsonld,.txt,.md,text/html,text/plain,application/json"
          onFile={take}
        />
        <Button className="ml-auto" onClick={onClose}>
          Not now
        </Button>
        <Button kind="main" disabled={!recipe || isLoading} onClick={() => void begin()}>
          Begin with it
        </Button>
      </div>
    </div>
  );
}
