import {
  amountWords,
  lineText,
  lineWords,
  namedAllergens,
  nameOfLine,
  energySharesOf,
  parseLineText,
  type Line,
  type LineFigures,
} from '@portiona/core';
import { useStation } from '../station';
import type { LinePlace } from '../../features/recipes/editRecipe';
import { EnergySplit } from '../../ui/EnergySplit';
import { numberText } from '../../ui/numberText';
import { FoodPicker } from './FoodPicker';
import type { SheetActions } from './Sheet';
import { ToTasteChip } from './ToTasteChip';

interface LineRowProps {
  readonly line: Line;
  readonly place: LinePlace;
  readonly figures: LineFigures | undefined;
  readonly batchEnergy: number;
  readonly current: boolean;
  readonly actions: SheetActions;
}

/** One ingredient as text, and what it comes to. */
export function LineRow({ line, place, figures, batchEnergy, current, actions }: LineRowProps) {
  const { here, showWorking } = useStation();
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const text =
    line.text ??
    (figures?.of.kind === 'part'
      ? `${line.amount === undefined ? '' : amountWords(line.amount, line.unit ?? 'g')} ${nameOfLine(figures)}`
      : lineText(line, food));
  const { energyKcal, protein, carbohydrateAvailable, fat, fibre } = figures?.nutrients ?? {};
  const shares = energySharesOf({
    protein: protein?.amount ?? 0,
    carbohydrate: carbohydrateAvailable?.amount ?? 0,
    fat: fat?.amount ?? 0,
    fibre: fibre?.amount ?? 0,
  });
  const share = batchEnergy > 0 && figures?.counted ? ((energyKcal?.amount ?? 0) / batchEnergy) * 100 : 0;
  return (
    <div className={`row ${current ? 'cur' : ''}`}>
      <span className="words">
        <Shown line={line} text={text} figures={figures} place={place} actions={actions} />
        <input
          className="line-field"
          data-row={`${place.part}/${place.line}/line`}
          aria-label={`Ingredient: ${text}`}
          value={text}
          spellCheck={false}
          maxLength={500}
          onFocus={() => actions.setCaret({ ...place, empty: false })}
          onChange={({ target }) => actions.type(place, target.value)}
          onPaste={(event) => {
            const lines = event.clipboardData
              .getData('text')
              .split(/\r?\n/)
              .filter((one) => one.trim() !== '');
            if (lines.length < 2) return;
            event.preventDefault();
            actions.insert({ ...place, line: place.line + 1 }, lines);
          }}
          onKeyDown={(event) => {
            if (event.altKey && event.key.toLowerCase() === 'w') {
              event.preventDefault();
              showWorking('energyKcal');
            } else actions.onKey(event, { ...place, empty: false });
          }}
        />
        {current && <Understood line={line} place={place} figures={figures} actions={actions} />}
      </span>
      <Cell
        amount={figures?.weights?.edible}
        decimals={figures?.weights && figures.weights.edible < 10 ? 1 : 0}
        onPress={() => showWorking('weight')}
        name="Weight"
      />
      <Cell
        amount={energyKcal?.amount}
        decimals={0}
        gap={(energyKcal?.gaps.length ?? 0) > 0}
        onPress={() => showWorking('energyKcal')}
        name="Energy"
      />
      <Cell
        amount={protein?.amount}
        decimals={1}
        gap={(protein?.gaps.length ?? 0) > 0}
        onPress={() => showWorking('protein')}
        name="Protein"
      />
      <Cell
        amount={figures?.usedCost.amount}
        decimals={2}
        gap={(figures?.usedCost.gaps.length ?? 0) > 0}
        onPress={() => showWorking('usedCost')}
        name="Used cost"
      />
      <span className="share">{share > 0.4 && <EnergySplit shares={shares} width={Math.min(100, share)} />}</span>
    </div>
  );
}

/** The line as it reads when nobody is typing in it, with what a person should know of it. */
function Shown({
  line,
  text,
  figures,
  place,
  actions,
}: {
  readonly line: Line;
  readonly text: string;
  readonly figures: LineFigures | undefined;
  readonly place: LinePlace;
  readonly actions: SheetActions;
}) {
  const { here } = useStation();
  const food = line.food === undefined ? undefined : here.foodsById.get(line.food);
  const { amount, food: words, note } = lineWords(line, food);
  const parsed = parseLineText(text);
  const plain = food === undefined;
  return (
    <span className="shown" aria-hidden={false}>
      <span aria-hidden>
        {plain ? (
          text
        ) : amount === 'to taste' ? (
          <>
            {words}, <span className="amt">to taste</span>
          </>
        ) : (
          <>
            <span className="amt">{amount}</span> {words}
          </>
        )}
        {!plain && note !== '' && <span className="nt">, {note}</span>}
        {!plain && parsed.also && (
          <span className="nt">
            {' '}
            ({numberText(parsed.also.amount, 0)} {parsed.also.unit})
          </span>
        )}
      </span>{' '}
      <Chips line={line} figures={figures} place={place} actions={actions} />
    </span>
  );
}

function Chips({
  line,
  figures,
  place,
  actions,
}: {
  readonly line: Line;
  readonly figures: LineFigures | undefined;
  readonly place: LinePlace;
  readonly actions: SheetActions;
}) {
  if (!figures) return null;
  const { of, weights } = figures;
  const allergens = of.kind === 'food' ? namedAllergens(of.basis.food.allergens ?? []) : [];
  return (
    <>
      {of.kind === 'unmatched' && <span className="chip bad">✕ no food yet</span>}
      {of.kind === 'food' && !weights && <span className="chip bad">✕ no weight</span>}
      {weights && line.as !== 'AP' && weights.purchase > weights.grams * 1.05 && (
        <span className="chip">buy {numberText(weights.purchase, 0)} g</span>
      )}
      {weights && weights.eaten < weights.edible * 0.999 && <span className="chip">{numberText(weights.eaten, 0)} g eaten</span>}
      {line.optional && <span className="chip">optional</span>}
      {line.toTaste !== undefined && line.amount === undefined && (
        <ToTasteChip line={line} onWrite={(next) => actions.write(place, next)} />
      )}
      {allergens.map((allergen) => (
        <span key={allergen} className="chip">
          {allergen}
        </span>
      ))}
    </>
  );
}

/** Under the line being typed: what was understood, and the way to another food. */
function Understood({
  line,
  place,
  figures,
  actions,
}: {
  readonly line: Line;
  readonly place: LinePlace;
  readonly figures: LineFigures | undefined;
  readonly actions: SheetActions;
}) {
  const food = figures?.of.kind === 'food' ? figures.of.basis.food : undefined;
  return (
    <span className="under">
      <FoodPicker line={line} onPick={(next) => actions.write(place, next)} />
      {food && <span className="chip">{food.source ?? 'estimate'}</span>}
      {food && figures?.weights && figures.weights.unit?.from !== 'mass' && (
        <span className="chip">{numberText(figures.weights.grams, figures.weights.grams < 20 ? 1 : 0)} g</span>
      )}
      {food && food.drained !== undefined && food.drained < 1 && figures?.weights && (
        <span className="chip">drained {numberText(figures.weights.edible, 0)} g</span>
      )}
      {food && figures && !figures.weights && (
        <span className="bad">Nobody knows what one {line.unit ?? 'piece'} weighs: write grams, or give the food that measure.</span>
      )}
      <span className="faint">Tab to change</span>
    </span>
  );
}

function Cell({
  amount,
  decimals,
  gap = false,
  onPress,
  name,
}: {
  readonly amount: number | undefined;
  readonly decimals: number;
  readonly gap?: boolean;
  readonly onPress: () => void;
  readonly name: string;
}) {
  return (
    <span className="num">
      {amount === undefined ? (
        <span className="warn" title={`${name} unknown`}>
          ?<span className="sr"> {name} unknown</span>
        </span>
      ) : (
        <button className="figbtn" tabIndex={-1} onClick={onPress} title={`Working of ${name.toLowerCase()}`}>
          {gap && <span className="warn">≥ </span>}
          {numberText(amount, decimals)}
        </button>
      )}
    </span>
  );
}
