import { useState } from 'react';
import { servingsForPack, type Kitchen, type Recipe, type RecipeFigures } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { lineName } from '../fit/fitWords';
import { countText, type ServingNames } from '../../ui/servingNames';

interface ByPackProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly names: ServingNames;
  readonly onServings: (servings: number) => void;
}

/** "I have 1.36 kg of it": whole servings that can be made, and what is left over; or all of it. */
export function ByPack({ recipe, figures, kitchen, names, onServings }: ByPackProps) {
  const lines = figures.lines.filter(({ weights, of }) => weights && weights.purchase > 0 && of.kind === 'food');
  const [at, setAt] = useState(lines[0]?.at ?? '');
  const [text, setText] = useState('');
  const grams = Number(text.replace(',', '.'));
  const asked = Number.isFinite(grams) && grams > 0;
  const exact = asked ? servingsForPack(recipe, at, grams, kitchen) : undefined;
  const whole = exact === undefined ? undefined : Math.max(1, Math.floor(exact + 1e-9));
  const line = lines.find((one) => one.at === at);
  const left = exact !== undefined && whole !== undefined ? grams * (1 - whole / exact) : 0;
  return (
    <>
      <div className="flex gap-2 items-end">
        <label className="labelled flex-1">
          Of
          <select className="field" value={at} onChange={({ target }) => setAt(target.value)}>
            {lines.map((one) => (
              <option key={one.at} value={one.at}>
                {lineName(one)}, {numberText(one.weights?.purchase ?? 0, 0)} g now
              </option>
            ))}
          </select>
        </label>
        <label className="labelled w-[150px]">
          I have, grams as bought
          <input className="field num" inputMode="decimal" value={text} onChange={({ target }) => setText(target.value)} />
        </label>
      </div>
      {asked && exact === undefined && (
        <p className="check bad mt-2">
          {lineName(line)} does not follow the number of {names.many}: its rule is fixed.
        </p>
      )}
      {exact !== undefined && exact < 1 && <p className="check bad mt-2">That is not enough for one {names.one}.</p>}
      {exact !== undefined && whole !== undefined && exact >= 1 && (
        <p className="flex gap-2 mt-2 flex-wrap">
          <button className="btn" onClick={() => onServings(whole)}>
            {countText(whole, names)}, {numberText(left, 0)} g left over
          </button>
          {exact - whole > 1e-6 && (
            <button className="btn" onClick={() => onServings(exact)}>
              All of it: {countText(exact, names)}
            </button>
          )}
        </p>
      )}
    </>
  );
}
