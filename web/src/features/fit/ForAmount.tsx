import { useState } from 'react';
import { edibleShare, figureKey, FoodIndex, gramsGiving, NUTRIENTS, type Kitchen, type Nutrient, type RecipeFigures } from '@portiona/core';
import { figureName, figureUnit } from '../briefs/briefWords';
import { numberText } from '../../ui/numberText';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Select } from '../../ui/Select';

interface ForAmountProps {
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
}

/** Macro exchange: how much of each food of the dish, or of any other, gives so much of a nutrient. */
export function ForAmount({ figures, kitchen }: ForAmountProps) {
  const [nutrient, setNutrient] = useState<Nutrient>('carbohydrate');
  const [text, setText] = useState('20');
  const [words, setWords] = useState('');
  const [index] = useState(() => new FoodIndex(kitchen.content.foods));
  const amount = Number(text.replace(',', '.'));
  const ids = words.trim() === '' ? ofTheDish(figures) : index.find(words, 8).map(({ food }) => food.id);
  const rows = ids.flatMap((id) => {
    const resolved = kitchen.resolvedFood(id);
    const key = figureKey(nutrient, kitchen.convention);
    const grams = Number.isFinite(amount) && amount > 0 ? gramsGiving(resolved, key, amount) : undefined;
    return grams === undefined ? [] : [{ food: resolved.food, grams }];
  });
  return (
    <>
      <div className="flex gap-2 items-end my-2 flex-wrap">
        <Field label="For">
          <Input className="num w-[80px]" inputMode="decimal" value={text} onChange={({ target }) => setText(target.value)} />
        </Field>
        <Field label="of">
          <Select value={nutrient} onChange={({ target }) => setNutrient(target.value as Nutrient)}>
            {NUTRIENTS.map((one) => (
              <option key={one} value={one}>
                {figureName(one)}, {figureUnit(one, '')}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="Food" className="flex-1">
          <Input value={words} placeholder="the foods of this dish, or type another" onChange={({ target }) => setWords(target.value)} />
        </Field>
      </div>
      {rows.length === 0 ? (
        <p className="muted">None of these foods is known to hold any.</p>
      ) : (
        <table>
          <thead>
            <tr>
              <th>food</th>
              <th>edible</th>
              <th>as bought</th>
              <th style={{ textAlign: 'left' }}>from</th>
            </tr>
          </thead>
          <tbody>
            {[...rows]
              .sort((a, b) => a.grams - b.grams)
              .map(({ food, grams }) => (
                <tr key={food.id}>
                  <td>{food.name}</td>
                  <td className="num font-semibold">
                    {numberText(grams, grams < 100 ? 1 : 0)} g
                    <div className="src">
                      {numberText(amount, 1)} ÷ {numberText((amount / grams) * 100, 2)} in 100 g × 100
                    </div>
                  </td>
                  <td className="num">{numberText(grams / edibleShare(food), grams < 100 ? 1 : 0)} g</td>
                  <td className="src">{food.source ?? 'estimate'}</td>
                </tr>
              ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** Foods of the dish, each once, those of other recipes' parts too. */
function ofTheDish({ lines }: RecipeFigures): string[] {
  return [...new Set(lines.flatMap(({ purchases }) => purchases.map(({ food }) => food)))];
}
