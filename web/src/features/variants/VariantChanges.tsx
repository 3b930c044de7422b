import { useState } from 'react';
import { X } from 'lucide-react';
import { lineText, referenceTo, type Line, type Recipe, type Variant, type VariantChange } from '@portiona/core';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { retyped } from '../recipes/editRecipe';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';

interface VariantChangesProps {
  readonly recipe: Recipe;
  readonly here: LoadedKitchen;
  readonly variant: Variant;
  readonly onChange: (changes: readonly VariantChange[]) => void;
}

/** What a variant changes, line by line; a change is written as text, like the sheet. */
export function VariantChanges({ recipe, here, variant: { changes }, onChange }: VariantChangesProps) {
  const lines = recipe.parts.flatMap((part) => part.lines.map((line, i) => ({ at: referenceTo(part, line, i), line })));
  const changed = new Set(changes.flatMap((change) => ('at' in change ? [change.at] : [])));
  const free = lines.filter(({ at }) => !changed.has(at));
  const [where, setWhere] = useState('');
  const [text, setText] = useState('');
  const place = where === '' ? (free[0]?.at ?? `in ${recipe.parts[0]?.id ?? ''}`) : where;
  const old = lines.find(({ at }) => at === place)?.line;
  const textOf = (line: Line) => line.text ?? lineText(line, here.foodsById.get(line.food ?? ''));
  const weighed = place.startsWith(WEIGHED) ? place.slice(WEIGHED.length) : undefined;
  const grams = Number(text.trim().replace(/g$/, '').trim().replace(',', '.'));
  const cookedWeight = weighed !== undefined && grams > 0 && Number.isFinite(grams) ? grams : undefined;
  const read = text.trim() === '' || weighed !== undefined ? undefined : retyped(undefined, text, here, recipe);
  const matched =
    here.foodsById.get(read?.food ?? '') ?? here.parts.find(({ recipe: of, part }) => of === read?.recipe && part === read.part);
  const change = changeTo(place, { read: read && (old ? { ...keptOf(old), ...read } : read), weighed, cookedWeight });
  const add = () => {
    if (!change) return;
    onChange([...changes.filter((one) => !isSameWeight(one, change)), change]);
    setText('');
    setWhere('');
  };
  return (
    <>
      <ul className="changes" aria-label="What it changes">
        {changes.map((change, i) => (
          <li key={i}>
            <span>{changeText(change, recipe, lines, textOf)}</span>
            <Button
              kind="icon"
              aria-label={`Undo: ${changeText(change, recipe, lines, textOf)}`}
              onClick={() => onChange(changes.filter((_, c) => c !== i))}
            >
              <X size={14} />
            </Button>
          </li>
        ))}
        {changes.length === 0 && <li className="muted">Nothing yet: choose a line, and write what stands in its place.</li>}
      </ul>
      <div className="flex gap-2 items-end flex-wrap">
        <Field label="In place of" className="w-[220px]">
          <Select value={place} onChange={({ target }) => setWhere(target.value)}>
            {free.map(({ at, line }) => (
              <option key={at} value={at}>
                {textOf(line)}
              </option>
            ))}
            {recipe.parts.map(({ id, name }) => (
              <option key={id} value={`in ${id}`}>
                one more in {name}
              </option>
            ))}
            {recipe.parts.map(({ id, name }) => (
              <option key={id} value={`${WEIGHED}${id}`}>
                the cooked weight of {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={weighed === undefined ? 'Write' : 'Grams, cooked'} className="flex-1">
          <Input
            value={text}
            maxLength={500}
            placeholder={weighed !== undefined ? '2150' : old ? textOf(old) : '30 g pumpkin seeds'}
            onChange={({ target }) => setText(target.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
        </Field>
        <Button disabled={!change} onClick={add}>
          Change
        </Button>
        {old && <Button onClick={() => onChange([...changes, { at: place, out: true }])}>Leave it out</Button>}
      </div>
      {read && (
        <p className={`text-small mt-1 ${matched ? 'muted' : 'bad'}`} role="status">
          {matched ? `Counted as ${matched.name}.` : 'No food of the pantry is meant by these words yet.'}
        </p>
      )}
    </>
  );
}

/** Before the id of a part whose cooked weight is another. */
const WEIGHED = 'cooked ';

/** The change that was written; undefined where nothing is said yet. */
function changeTo(
  place: string,
  said: { readonly read: Line | undefined; readonly weighed: string | undefined; readonly cookedWeight: number | undefined },
): VariantChange | undefined {
  const { read, weighed, cookedWeight } = said;
  if (weighed !== undefined) return cookedWeight === undefined ? undefined : { part: weighed, cookedWeight };
  if (!read) return undefined;
  return place.startsWith('in ') ? { part: place.slice(3), line: read } : { at: place, line: read };
}

/** A part has one cooked weight: the newer takes the older's place. */
function isSameWeight(one: VariantChange, other: VariantChange): boolean {
  return 'cookedWeight' in one && 'cookedWeight' in other && one.part === other.part;
}

/** What stays of a line when another stands in its place. */
function keptOf({ scaling, retained, optional }: Line): Partial<Line> {
  return { ...(scaling ? { scaling } : {}), ...(retained === undefined ? {} : { retained }), ...(optional ? { optional } : {}) };
}

function changeText(
  change: VariantChange,
  recipe: Recipe,
  lines: readonly { readonly at: string; readonly line: Line }[],
  textOf: (line: Line) => string,
): string {
  const partName = (id: string) => recipe.parts.find((part) => part.id === id)?.name ?? id;
  if ('cookedWeight' in change) return `${partName(change.part)} weighs ${change.cookedWeight} g cooked`;
  if ('part' in change) return `${textOf(change.line)}, more in ${partName(change.part)}`;
  const old = lines.find(({ at }) => at === change.at)?.line;
  const was = old ? textOf(old) : change.at;
  return 'out' in change ? `without ${was}` : `${textOf(change.line)} in place of ${was}`;
}
