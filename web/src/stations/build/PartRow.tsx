import { useRef } from 'react';
import { cookedEstimate, type Figure, type Part, type PartFigures, type Portion, type Served, type WorkedFigure } from '@portiona/core';
import { useAppDispatch, useRecipeState } from '../../features/recipes/useRecipeState';
import { removePart, replacePart } from '../../features/recipes/editRecipe';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { NumberField } from '../../ui/NumberField';
import { numberText } from '../../ui/numberText';
import { Dishes } from '../../features/subRecipes/Dishes';
import { useStation } from '../station';
import type { Column } from './columns';
import { Discards } from './Discards';
import { shareText } from '../../working/workingTexts';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';
import { DropPanel } from '../../ui/DropPanel';
import { Segmented } from '../../ui/Segmented';

interface PartRowProps {
  readonly part: Part;
  readonly at: number;
  readonly figures: PartFigures | undefined;
  readonly columns: readonly Column[];
  readonly onWorking: (figure: WorkedFigure) => void;
}

const SERVED_WORDS: Readonly<Record<Served, string>> = { box: 'in the box', table: 'at the table', optional: 'optional, not counted' };

/** A part's name, where it is served and how it is shared, with its totals. */
export function PartRow({ part, at, figures, columns, onWorking }: PartRowProps) {
  const dispatch = useAppDispatch();
  const { present: recipe, usedIn } = useRecipeState();
  const { here } = useStation();
  if (!recipe) return null;
  const change = (next: Partial<Part>, mergeKey?: string) =>
    dispatch(recipeActions.edited({ recipe: replacePart(recipe, at, next), ...(mergeKey === undefined ? {} : { mergeKey }) }));
  return (
    <div className="row part">
      <span className="flex items-baseline gap-1.5 min-w-0">
        <input
          className="part-name"
          data-part={at}
          aria-label="Part name"
          value={part.name}
          maxLength={200}
          onChange={({ target }) => target.value.trim() !== '' && change({ name: target.value }, `part ${at}`)}
        />
        <DropPanel
          trigger={
            <button className="part-how truncate">
              {SERVED_WORDS[part.served ?? 'box']}
              {figures && figures.cooked > 0 && `, ${shareText(figures)}`} ▾
            </button>
          }
          className="p-3 w-[320px] grid gap-2.5"
          label={`How ${part.name} is served`}
        >
          <ServedChoice part={part} onChange={change} />
          <CookedWeight part={part} figures={figures} onChange={change} />
          <PortionChoice part={part} servings={recipe.servings} onChange={change} />
          <Discards part={part} onChange={(discards) => change({ discards })} />
          {recipe.parts.length > 1 && (
            <Button
              kind="quiet"
              className="bad justify-self-start"
              onClick={() => dispatch(recipeActions.edited({ recipe: removePart(recipe, at) }))}
            >
              Take this part out
            </Button>
          )}
        </DropPanel>
        <Dishes base={recipe.id} part={part.id} cooked={figures?.cooked ?? 0} usedIn={usedIn} here={here} />
      </span>
      {columns.map((column) => (
        <Total key={column.id} column={column} figure={figures && column.ofPart(figures, here.kitchen)} onPress={onWorking} />
      ))}
      <span />
    </div>
  );
}

interface TotalProps {
  readonly column: Column;
  readonly figure: Figure | undefined;
  readonly onPress: (figure: WorkedFigure) => void;
}

function Total({ column: { name, head, decimals, opens }, figure, onPress }: TotalProps) {
  const { here } = useStation();
  return (
    <span className="num" data-head={head(here.kitchen)}>
      {figure?.amount !== undefined && (
        <button className="figbtn" tabIndex={-1} onClick={() => onPress(opens)} title={`Working of ${name.toLowerCase()}`}>
          {figure.gaps.length > 0 && <span className="warn">≥ </span>}
          {numberText(figure.amount, decimals(figure.amount))}
        </button>
      )}
    </span>
  );
}

type Change = (next: Partial<Part>, mergeKey?: string) => void;

function ServedChoice({ part, onChange }: { readonly part: Part; readonly onChange: Change }) {
  return (
    <Segmented
      label="Served"
      wide
      value={part.served ?? 'box'}
      options={[
        ['box', 'in the box'],
        ['table', 'at the table'],
        ['optional', 'optional'],
      ]}
      onChange={(served) => onChange({ served: served === 'box' ? undefined : served })}
    />
  );
}

function CookedWeight({
  part,
  figures,
  onChange,
}: {
  readonly part: Part;
  readonly figures: PartFigures | undefined;
  readonly onChange: Change;
}) {
  const { recipe, here } = useStation();
  const field = useRef<HTMLInputElement>(null);
  const old = figures?.outdated;
  const estimated =
    part.cookedWeight === undefined && figures
      ? `; estimated ${numberText(figures.cooked, 0)}${figures.learned ? `, by ${figures.learned.batches} batches` : ''}`
      : '';
  // What was in the pot is kept with what it weighed: other lines, and the weight follows them.
  const weigh = (cookedWeight: number | undefined) =>
    onChange({ cookedWeight, measuredFor: cookedWeight === undefined ? undefined : positive(cookedEstimate(part, recipe, here.kitchen)) });
  return (
    <>
      <NumberField label={`Cooked weight in grams${estimated}`} amount={part.cookedWeight} field={field} sums onChange={weigh} />
      {old && (
        <Remark tone="warn" className="block">
          ▲ Weighed for other amounts: {numberText(old.measured, 0)} g, when {numberText(old.measuredFor, 0)} g were to be expected; of{' '}
          {numberText(old.now, 0)} g it counts as {numberText((old.measured * old.now) / old.measuredFor, 0)} g.{' '}
          <Button kind="quiet" onClick={() => field.current?.select()}>
            Weigh it anew
          </Button>{' '}
          <Button kind="quiet" onClick={() => weigh(old.measured)}>
            It still weighs {numberText(old.measured, 0)} g
          </Button>
        </Remark>
      )}
    </>
  );
}

/** An estimate of nothing is none to measure against. */
function positive(grams: number): number | undefined {
  return grams > 0 ? grams : undefined;
}

function PortionChoice({ part, servings, onChange }: { readonly part: Part; readonly servings: number; readonly onChange: Change }) {
  const portion = part.portion ?? { by: 'equal' };
  const starts: Readonly<Record<Portion['by'], Portion>> = {
    equal: { by: 'equal' },
    grams: { by: 'grams', grams: 200 },
    pieces: { by: 'pieces', made: servings * 2, each: 2 },
    volume: { by: 'volume', made: servings * 500, each: 500 },
  };
  return (
    <>
      <Segmented
        label="Shared by"
        wide
        value={portion.by}
        options={(['equal', 'grams', 'pieces', 'volume'] as const).map((by) => [by, by] as const)}
        onChange={(by) => onChange({ portion: by === 'equal' ? undefined : starts[by] })}
      />
      {portion.by === 'grams' && (
        <NumberField
          label="Grams a box"
          amount={portion.grams}
          onChange={(grams) => grams && onChange({ portion: { ...portion, grams } })}
        />
      )}
      {portion.by === 'grams' && (
        <label className="by-eye">
          <input
            type="checkbox"
            checked={portion.eye ?? false}
            onChange={({ target }) =>
              onChange({ portion: { by: 'grams', grams: portion.grams, ...(target.checked ? { eye: true } : {}) } })
            }
          />
          By eye, a palm or a fist: every band is as wide as that is sure, 30 %
        </label>
      )}
      {(portion.by === 'pieces' || portion.by === 'volume') && (
        <div className="pair">
          <NumberField
            label={portion.by === 'pieces' ? 'Pieces made' : 'Millilitres made'}
            amount={portion.made}
            onChange={(made) => made && onChange({ portion: { ...portion, made } })}
          />
          <NumberField
            label={portion.by === 'pieces' ? 'Pieces a box' : 'Millilitres a box'}
            amount={portion.each}
            onChange={(each) => each && onChange({ portion: { ...portion, each } })}
          />
        </div>
      )}
    </>
  );
}
