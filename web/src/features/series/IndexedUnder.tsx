import { useState } from 'react';
import type { Recipe } from '@portiona/core';
import { useDispatch } from 'react-redux';
import { api, useSaveRecipeMutation, type SeriesDishDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { openedRecipe } from '../recipes/openedRecipe';
import { Input } from '../../ui/Input';
import { useToast } from '../../ui/Toasts';

const BY: Readonly<Record<SeriesDishDto['indexedBy'], string>> = {
  recipe: 'as you said',
  title: 'its title names them',
  list: 'it stands first in its list',
};

/** Foods that a booklet's index has a dish under: proposed by its title, and a person's to say. Saved when it is left. */
export function IndexedUnder({ dish: { id, title, indexed, indexedBy } }: { readonly dish: SeriesDishDto }) {
  const [text, setText] = useState(indexed.join(', '));
  const dispatch = useDispatch<Parameters<typeof openedRecipe>[1]>();
  const [save] = useSaveRecipeMutation();
  const say = useToast();
  const keep = async () => {
    if (text.trim() === indexed.join(', ')) return;
    const names = text
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== '');
    try {
      const { revision, document } = await openedRecipe(id, dispatch);
      const { indexedUnder: _was, ...recipe }: Recipe = document;
      await save({
        id,
        saveRecipeDto: { revision, document: names.length === 0 ? recipe : { ...recipe, indexedUnder: names } },
      }).unwrap();
      dispatch(api.util.invalidateTags(['series']));
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <span className="series-indexed">
      <Input
        value={text}
        maxLength={300}
        aria-label={`${title}: in the index under`}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
        }}
      />
      <small className="muted">{BY[indexedBy]}</small>
    </span>
  );
}
