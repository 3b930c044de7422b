import { useState } from 'react';
import { servingsForPack, type Kitchen, type Recipe, type RecipeFigures } from '@portiona/core';
import { numberText } from '../../ui/numberText';
import { lineName } from '../fit/fitWords';
import { countText, type ServingNames } from '../../ui/servingNames';
import { Select } from '../../ui/Select';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { Button } from '../../ui/Button';

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
        <Field label="Of" className="flex-1">
          <Select value={at} onChange={({ target }) => setAt(target.value)}>
            {lines.map((one) => (
              <option key={one.at} value={one.at}>
                {lineName(one)}, {numberText(one.weights?.purchase ?? 0, 0)} g now
              </option>
            ))}
          </Select>
        </Field>
        <Field label="I have, grams as bought" className="w-[150px]">
          <Input className="num" inputMode="decimal" value={text} onChange={({ target }) => setText(target.value)} />
        </Field>
      </div>
      {asked && exact === undefined && (
        <Remark tone="bad" className="mt-2">
          {lineName(line)} does not follow the number of {names.many}: its rule is fixed.
        </Remark>
      )}
      {exact !== undefined && exact < 1 && (
        <Remark tone="bad" className="mt-2">
          That is not enough for one {names.one}.
        </Remark>
      )}
      {exact !== undefined && whole !== undefined && exact >= 1 && (
        <p className="flex gap-2 mt-2 flex-wrap">
          <Button onClick={() => onServings(whole)}>
            {countText(whole, names)}, {numberText(left, 0)} g left over
          </Button>
          {exact - whole > 1e-6 && <Button onClick={() => onServings(exact)}>All of it: {countText(exact, names)}</Button>}
        </p>
      )}
    </>
  );
}
