import { Fragment } from 'react';
import {
  amountWords,
  isCalled,
  lineDoubt,
  lineText,
  lineWords,
  dayText,
  namedAllergens,
  nameOfLine,
  offerText,
  packWords,
  parseLineText,
  unitSlip,
  usualRetained,
  type Finding,
  type Food,
  type ResolvedFood,
  type Line,
  type LineFigures,
  type LinePlace,
} from '@portiona/core';
import { FoundMark } from '../../features/check/FoundMark';
import { numberText } from '../../ui/numberText';
import { withFood } from '../../features/recipes/editRecipe';
import { LineNotes } from '../../features/notes/LineNotes';
import { LineDetails } from './LineDetails';
import { PartOffered, PartTaken } from './PartTaken';
import { FoodPicker } from './FoodPicker';
import type { SheetActions } from './useSheetActions';
import { useStation } from '../station';
import { ToTasteChip } from './ToTasteChip';
import { Chip } from '../../ui/Chip';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';

interface LineWordsProps {
  readonly line: Line;
  readonly food: Food | undefined;
  /** Where the line stands: number of its part and of itself, from 0. */
  readonly part: number;
  readonly number: number;
  readonly figures: LineFigures | undefined;
  /** What the dish calls one serving ("box"). */
  readonly servingName: string;
  /** What Check found in it. */
  readonly found: readonly Finding[] | undefined;
  readonly current: boolean;
  readonly actions: SheetActions;
}

/** A line's words: as they read, as they are typed, and what was understood of them. */
export function LineWords({ line, food, part, number, figures, servingName, found, current, actions }: LineWordsProps) {
  const place: LinePlace = { part, line: number };
  const text =
    line.text ??
    (figures?.of.kind === 'part'
      ? `${line.amount === undefined ? '' : amountWords(line.amount, line.unit ?? 'g')} ${nameOfLine(figures)}`
      : lineText(line, food));
  return (
    <span className="words">
      <Shown line={line} food={food} text={text} figures={figures} servingName={servingName} place={place} actions={actions} />
      {found && !current && <FoundMark findings={found} of={text} />}
      {line.id !== undefined && !current && <LineNotes part={part} line={line.id} of={text} />}
      <input
        className="line-field"
        data-row={`${part}/${number}/line`}
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
          actions.insert({ ...place, line: number + 1 }, lines);
        }}
        onKeyDown={(event) => actions.onKey(event, { ...place, empty: false })}
      />
      {current && <Understood line={line} place={place} figures={figures} actions={actions} />}
    </span>
  );
}

/** The line as it reads when nobody is typing in it, with what a person should know of it. */
interface ShownProps {
  readonly line: Line;
  readonly food: Food | undefined;
  readonly text: string;
  readonly figures: LineFigures | undefined;
  readonly servingName: string;
  readonly place: LinePlace;
  readonly actions: SheetActions;
}

/** It asks for nothing of the station: what the whole recipe comes to changes at every key, and a row that stays the same must not. */
function Shown({ line, food, text, figures, servingName, place, actions }: ShownProps) {
  const { amount, food: words, note } = lineWords(line, food);
  const parsed = parseLineText(text);
  const plain = food === undefined && line.recipe === undefined;
  return (
    <span className="shown" aria-hidden={false}>
      <span aria-hidden>
        {plain ? (
          text
        ) : amount === 'to taste' ? (
          <>
            {words}, <span className="line-amount">to taste</span>
          </>
        ) : (
          <>
            <span className="line-amount">{amount}</span> {words}
          </>
        )}
        {!plain && note !== '' && <span className="line-note">, {note}</span>}
        {!plain && parsed.fullness && (
          <span className="line-note">
            {' '}
            (said {parsed.fullness.how}: ×{parsed.fullness.times})
          </span>
        )}
        {!plain && parsed.perServing && <span className="line-note"> (said of each {servingName})</span>}
        {!plain && parsed.also && (
          <span className="line-note">
            {' '}
            ({[`${numberText(parsed.also.amount, 0)} ${parsed.also.unit}`, ...(parsed.again ?? [])].join(', ')})
          </span>
        )}
      </span>{' '}
      {food && <CountedAs line={line} food={food} text={text} />}
      <Chips line={line} figures={figures} place={place} actions={actions} />
    </span>
  );
}

/** The food that a line is counted as, where its words do not say so; in saffron while nobody agreed to it. */
function CountedAs({ line, food, text }: { readonly line: Line; readonly food: Food; readonly text: string }) {
  if (line.agreed === false) return <Chip tone="warn">▲ counted as {food.name}?</Chip>;
  return isCalled(food, text) ? null : <span className="counted-as">counted as {food.name}</span>;
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
  const allergens = of.kind === 'food' ? namedAllergens(of.resolved.food.allergens ?? []) : [];
  return (
    <>
      {of.kind === 'unmatched' && <Chip tone="bad">✕ no food yet</Chip>}
      {of.kind === 'part' && <Chip>from {of.recipe.title}</Chip>}
      {of.kind === 'food' && !weights && <Chip tone="bad">✕ no weight</Chip>}
      {weights && weights.eaten < weights.edible * 0.999 && <Chip>{numberText(weights.eaten, 0)} g eaten</Chip>}
      {line.loss !== undefined && <Chip>{numberText(line.loss * 100, 0)} % lost</Chip>}
      {line.comment !== undefined && (
        <Chip title={line.comment}>
          ✎<span className="sr"> comment: {line.comment}</span>
        </Chip>
      )}
      {line.optional && <Chip>optional</Chip>}
      {line.toTaste !== undefined && line.amount === undefined && (
        <ToTasteChip line={line} onWrite={(next) => actions.write(place, next)} />
      )}
      {allergens.map((allergen) => (
        <Chip key={allergen}>{allergen}</Chip>
      ))}
    </>
  );
}

/** The pack whose price the line is counted at: what is counted as dry lentils is bought as 500 g of somebody's. */
function BoughtAs({ resolved: { best } }: { readonly resolved: ResolvedFood }) {
  if (!best) return null;
  const { net, unit, shop } = best.pack;
  const offer = offerText(best.pack, (day) => dayText(day, false));
  return (
    <Chip tone={offer === '' ? undefined : 'warn'}>
      bought as {packWords(net, unit)}, {shop}
      {offer !== '' && `, ${offer}`}
    </Chip>
  );
}

/** Why it is not sure that the words mean the food, the way to agree, and what else they could mean. */
function Unsure({
  line,
  food,
  place,
  actions,
}: {
  readonly line: Line;
  readonly food: Food;
  readonly place: LinePlace;
  readonly actions: SheetActions;
}) {
  const { here, recipe } = useStation();
  const doubt = lineDoubt(line, here.index);
  return (
    <span className="warn">
      Unsure: {doubt?.reason ?? 'nobody agreed to it yet'}.{' '}
      <Button kind="quiet" onClick={() => actions.write(place, { ...line, agreed: true })} hint="Agree (Alt Enter)">
        It is {food.name}
      </Button>
      {doubt?.rivals.slice(0, SHOWN_RIVALS).map((rival) => (
        <Fragment key={rival.id}>
          {' '}
          or{' '}
          <Button kind="quiet" onClick={() => actions.write(place, withFood(line, rival, here, recipe))}>
            {rival.name}
          </Button>
        </Fragment>
      ))}
    </span>
  );
}

/** Rivals that stand beside the line; the rest are in the list of foods. */
const SHOWN_RIVALS = 3;

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
  const { here, recipe } = useStation();
  const food = figures?.of.kind === 'food' ? figures.of.resolved.food : undefined;
  const text = line.text ?? '';
  const part = recipe.parts[place.part];
  const offered = food && part ? usualRetained(line, part) : undefined;
  const slip = food ? undefined : unitSlip(parseLineText(text), here.index);
  return (
    <span className="under">
      {slip && (
        <span className="bad">
          “{slip.word}” is no unit. Did you mean{' '}
          {slip.meant.map((unit, i) => (
            <Fragment key={unit}>
              {i > 0 && ' or '}
              <Button
                kind="quiet"
                onClick={() => {
                  actions.type(place, text.replace(slip.word, unit));
                  actions.setCaret({ ...place, empty: false });
                }}
              >
                {unit}
              </Button>
            </Fragment>
          ))}
          ?
        </span>
      )}
      {line.agreed === false && food && <Unsure line={line} food={food} place={place} actions={actions} />}
      <FoodPicker line={line} onPick={(next) => actions.write(place, next)} />
      {line.recipe === undefined && !figures?.weights && <PartOffered text={text} onTake={(next) => actions.write(place, next)} />}
      {figures?.of.kind === 'part' && <PartTaken figures={figures} />}
      {food && <Chip>{food.source ?? 'estimate'}</Chip>}
      {food && figures?.weights && figures.weights.unit?.from !== 'mass' && (
        <Chip>{numberText(figures.weights.grams, figures.weights.grams < 20 ? 1 : 0)} g</Chip>
      )}
      {food && food.drained !== undefined && food.drained < 1 && figures?.weights && (
        <Chip>drained {numberText(figures.weights.edible, 0)} g</Chip>
      )}
      {figures?.of.kind === 'food' && <BoughtAs resolved={figures.of.resolved} />}
      {food && figures && !figures.weights && (
        <span className="bad">Nobody knows what one {line.unit ?? 'piece'} weighs: write grams, or give the food that measure.</span>
      )}
      {offered && (
        <ChipButton
          tone="warn"
          title={`${offered.because}; a press counts it so`}
          onClick={() => actions.write(place, { ...line, retained: offered.share })}
        >
          ▲ {offered.use}: {numberText(offered.share * 100, 0)} % eaten?
        </ChipButton>
      )}
      {(line.food !== undefined || line.recipe !== undefined) && (
        <LineDetails part={place.part} line={line} food={food} name={text} onWrite={(next) => actions.write(place, next)} />
      )}
      <span className="faint">Tab to change</span>
    </span>
  );
}
