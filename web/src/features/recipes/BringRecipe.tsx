import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { readRecipe, recipeFromRead } from '@portiona/core';
import { useCreateRecipeMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { useKitchen } from '../kitchen/useKitchen';
import { TextArea } from '../../ui/TextArea';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';

const MOST_BYTES = 5 * 1024 * 1024;

/** A recipe from a pasted list and method, a saved page, or schema.org data, read and matched before it is begun. */
export function BringRecipe({ onClose }: { readonly onClose: () => void }) {
  const here = useKitchen();
  const [create, { isLoading }] = useCreateRecipeMutation();
  const [text, setText] = useState('');
  const [title, setTitle] = useState<string>();
  const [trouble, setTrouble] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const given = useDeferredValue(text);
  const read = useMemo(() => readRecipe(given), [given]);
  const recipe = useMemo(
    () => read && here && recipeFromRead({ ...read, title: title ?? read.title }, here.index, new Set()),
    [read, here, title],
  );
  const lines = recipe?.parts.flatMap((part) => part.lines) ?? [];
  const unmatched = lines.filter(({ food }) => food === undefined);
  const unsure = lines.filter(({ agreed }) => agreed === false);
  const take = async (chosen: File) => {
    if (chosen.size > MOST_BYTES) return setTrouble(`${chosen.name} is more than 5 MB. Save the page alone, without its pictures.`);
    setTrouble('');
    setText(await chosen.text());
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
        rows={9}
        aria-label="The recipe as text, page or data"
        placeholder={'Leek and barley pot\nMakes 5 boxes\n\n300 g pearl barley\n3 leeks, sliced\n\nMethod\n1. Boil the barley …'}
        value={text}
        autoFocus
        onChange={({ target }) => setText(target.value)}
      />
      {text.trim() !== '' && !recipe && <p className="muted">No ingredient found in it yet.</p>}
      {recipe && (
        <>
          <Field label="Name">
            <Input
              className="font-serif"
              maxLength={200}
              value={title ?? read?.title ?? ''}
              onChange={({ target }) => setTitle(target.value)}
            />
          </Field>
          <p aria-live="polite">
            {recipe.servings} {recipe.servingName === 'box' ? 'boxes' : `${recipe.servingName}s`}
            {read?.servings === undefined && <span className="warn"> ▲ assumed, it does not say</span>}, {recipe.parts.length}{' '}
            {recipe.parts.length === 1 ? 'part' : 'parts'}, {lines.length} lines, {recipe.steps?.length ?? 0}{' '}
            {recipe.steps?.length === 1 ? 'step' : 'steps'}
            {recipe.totalMinutes !== undefined && `, ${recipe.totalMinutes} min`}.{' '}
            {unmatched.length === 0 && unsure.length === 0 && <span className="ok">✓ every line has its food</span>}
            {unmatched.length > 0 && (
              <span className="warn">
                ▲ {unmatched.length} {unmatched.length === 1 ? 'line waits' : 'lines wait'} for a food:{' '}
                {unmatched
                  .map((line) => `“${line.text ?? ''}”`)
                  .slice(0, 4)
                  .join(', ')}
                {unmatched.length > 4 && ' …'}
              </span>
            )}
            {unsure.length > 0 && (
              <span className="warn block">
                ▲ {unsure.length} {unsure.length === 1 ? 'line is' : 'lines are'} unsure, to be agreed to once it is brought:{' '}
                {unsure
                  .slice(0, 6)
                  .map((line) => `“${line.text ?? ''}” as ${here?.foodsById.get(line.food ?? '')?.name ?? ''}`)
                  .join('; ')}
                {unsure.length > 6 && ' …'}
              </span>
            )}
          </p>
          {recipe.source !== undefined && <p className="faint text-small">From {recipe.source}; the recipe keeps that.</p>}
        </>
      )}
      {trouble !== '' && (
        <p className="bad" role="alert">
          {trouble}
        </p>
      )}
      <div className="flex gap-2 items-center">
        <Button onClick={() => file.current?.click()}>Choose a page or file</Button>
        <input
          ref={file}
          type="file"
          className="sr"
          tabIndex={-1}
          accept=".html,.htm,.json,.jsonld,.txt,.md,text/html,text/plain,application/json"
          aria-label="Recipe file"
          onChange={({ target }) => {
            const [chosen] = target.files ?? [];
            if (chosen) void take(chosen);
            target.value = '';
          }}
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
