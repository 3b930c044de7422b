import type { Recipe } from '@portiona/core';
import { countText, type ServingNames } from '../../ui/servingNames';
import { Remark } from '../../ui/Remark';
import { sizeWords } from './sizeWords';

interface SizeInWordsProps {
  readonly recipe: Recipe;
  readonly servings: number;
  readonly names: ServingNames;
  /** Whether the words follow the size. */
  readonly follows: boolean;
  readonly onFollows: (follows: boolean) => void;
}

/** Where the words of the dish would say another size than it has then. */
export function SizeInWords({ recipe, servings, names, follows, onFollows }: SizeInWordsProps) {
  const said = sizeWords(recipe, servings);
  if (said.length === 0) return null;
  const old = said.filter(({ found }) => found.count === recipe.servings);
  const other = said.filter(({ found }) => found.count !== recipe.servings);
  return (
    <Remark tone="warn" className="said-size">
      {old.length > 0 && (
        <p>
          <span aria-hidden>▲</span> {quoted(old)}.{' '}
          <label className="inline-flex gap-1.5 items-center">
            <input type="checkbox" checked={follows} onChange={({ target }) => onFollows(target.checked)} />
            Make {old.length === 1 ? 'it' : 'them'} say {countText(servings, names)}
          </label>
        </p>
      )}
      {other.length > 0 && (
        <p>
          <span aria-hidden>▲</span> {quoted(other)}, and it would make {countText(servings, names)}: look at the words.
        </p>
      )}
    </Remark>
  );
}

/** "the lead says “6 boxes”, step 3 “six boxes”". */
function quoted(said: ReturnType<typeof sizeWords>): string {
  const text = said.map(({ where, found }, i) => `${where}${i === 0 ? ' says' : ''} “${found.words}”`).join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1);
}
