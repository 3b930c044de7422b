import { useDeferredValue, useMemo, useState } from 'react';
import {
  everyLine,
  FoodIndex,
  Kitchen,
  lineDoubt,
  readRecipes,
  recipeFigures,
  recipeFromRead,
  type Figure,
  type Food,
  type Settings,
} from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { TextArea } from '../../ui/TextArea';

/** A list as a cook would paste it: one that is plain, one that leaves a choice, and one that no pantry has. */
const LIST = `Makes 4 boxes
500 g boneless, skinless chicken thighs
2 tbsp plus 1 tsp olive oil
1 tin chickpeas, drained and rinsed
2 red peppers, sliced
1 heaped tsp smoked paprika
1 cup rice
a handful of parsley
1 tsp moon dust`;

/** What becomes of a pasted list: each line with what it counts as, how sure that is, and what a box comes to. */
export function PastedList({ foods, settings }: { readonly foods: readonly Food[]; readonly settings: Settings }) {
  const [text, setText] = useState(LIST);
  const given = useDeferredValue(text);
  const index = useMemo(() => new FoodIndex(foods), [foods]);
  const kitchen = useMemo(() => new Kitchen({ settings, foods, packs: [], recipes: [] }), [settings, foods]);
  const [read] = useMemo(() => readRecipes(given), [given]);
  const recipe = useMemo(() => read && recipeFromRead(read, index, new Set(), settings.measures), [read, index, settings.measures]);
  const figures = useMemo(() => recipe && recipeFigures(recipe, kitchen), [recipe, kitchen]);
  const lines = figures?.parts.flatMap((part) => part.lines) ?? [];
  const { energyKcal, protein } = figures?.perServing.nutrients ?? {};
  return (
    <section className="pasted" aria-label="What a pasted list becomes">
      <h2>What a pasted list becomes</h2>
      <p className="muted text-small">Try one of your own: nothing of it is kept.</p>
      <TextArea
        rows={9}
        className="w-full"
        aria-label="A list of ingredients"
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      {recipe && figures ? (
        <>
          <ul>
            {lines.map((line, i) => {
              const written = everyLine(recipe)[i];
              const food = line.of.kind === 'food' ? line.of.resolved.food : undefined;
              const doubt = written && lineDoubt(written, index);
              return (
                <li key={i}>
                  <span className="pasted-words">{written?.text}</span>
                  <span className="num">{line.weights ? `${numberText(line.weights.grams, line.weights.grams < 20 ? 1 : 0)} g` : ''}</span>
                  <span className={`pasted-food ${food === undefined ? 'bad' : doubt ? 'warn' : 'muted'}`}>
                    {food === undefined
                      ? '✕ no food yet: it waits for one'
                      : `${doubt ? '▲ ' : '✓ '}${food.name}${doubt ? `? ${doubt.reason}` : ''}`}
                  </span>
                </li>
              );
            })}
          </ul>
          <p className="pasted-sum" role="status">
            <span>Each of {recipe.servings} boxes</span>
            <b className="num">{figureText(energyKcal)} kcal</b>
            <span className="num">{figureText(protein)} g protein</span>
          </p>
          <p className="muted text-small">
            Every figure leads to its lines, labels and prices; what is unsure is asked, never assumed unsaid.
          </p>
        </>
      ) : (
        <p className="muted">No ingredient found in it yet.</p>
      )}
    </section>
  );
}

function figureText(figure: Figure | undefined): string {
  if (figure?.amount === undefined) return '?';
  return `${figure.gaps.length > 0 ? 'at least ' : ''}${numberText(figure.amount, 0)}`;
}
