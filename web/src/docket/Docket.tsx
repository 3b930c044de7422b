import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import {
  bandWithRivals,
  cardPriceText,
  energyShares,
  indexOf,
  indexText,
  ruleSet,
  pricesOf,
  servedOf,
  shownFigure,
  weighNext,
  nameOfLine,
  type Finding,
  type Figure,
  type Kitchen,
  type Nutrient,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import type { LoadedKitchen } from '../features/kitchen/useKitchen';
import { useAppDispatch } from '../features/recipes/useRecipeState';
import { scaledTo, usuallyScaled } from '../features/recipes/editRecipe';
import { recipeActions } from '../features/recipes/recipeSlice';
import { checkSign, type CheckHere } from '../features/check/useCheck';
import { useMay } from '../features/account/useMe';
import { useFoundAgain } from '../features/matches/useFoundAgain';
import { claimsHere } from '../working/claimsHere';
import type { PanelName } from '../working/panelName';
import { EnergySplit } from '../ui/EnergySplit';
import { BriefRows } from './BriefRows';
import { StatedRow } from './StatedRow';
import { sizeWords, withSizeWords } from '../features/scaling/sizeWords';
import { useToast } from '../ui/Toasts';
import { docketText, leastText, numberText, priceText } from '../ui/numberText';
import { countText, servingNames } from '../ui/servingNames';
import { Button } from '../ui/Button';
import './docket.css';

interface DocketProps {
  /** As it is written: what a change of its boxes starts from. On the card, the figures are of the amounts printed. */
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly findings: readonly Finding[];
  readonly check: CheckHere;
  readonly kitchen: Kitchen;
  /** The pantry as it is: lines that wait are tried against it. */
  readonly here: LoadedKitchen;
  readonly open: PanelName | null;
  readonly onOpen: (figure: PanelName | null) => void;
}

/** Figures below the two big ones, with what they are called here. */
const SMALL: readonly (readonly [Nutrient | 'salt', string])[] = [
  ['carbohydrate', 'Carbohydrate'],
  ['sugars', 'of which sugars'],
  ['fat', 'Fat'],
  ['saturates', 'of which saturates'],
  ['fibre', 'Fibre'],
  ['salt', 'Salt'],
];

/** The docket: what one serving delivers and costs, live, each figure a way to its working. */
export function Docket({ recipe, figures, findings, check, kitchen, here, open, onOpen }: DocketProps) {
  const { perServing, withTopping, hasTopping, batch } = figures;
  const bandOf = (nutrient: Nutrient) => bandWithRivals(nutrient, figures, here.index, kitchen.convention);
  const toggle = (figure: PanelName) => onOpen(open === figure ? null : figure);
  const { currency } = kitchen.settings;
  const till = batch.till.cost?.toNumber();
  const prices = cardPriceText({ prices: pricesOf(figures) });
  const energy = perServing.nutrients.energyKcal;
  const found = useFoundAgain(recipe, here).found.length;
  const unsure = findings.filter(({ code }) => code === 'food-unsure').length;
  const sign = checkSign(check);
  const showsCosts = useMay('costs');
  return (
    <aside className="docket" aria-label="Docket">
      <h2>
        <span>Docket</span>
        <span>per {recipe.servingName ?? 'serving'}</span>
      </h2>
      <Boxes recipe={recipe} figures={figures} kitchen={kitchen} open={open} onOpen={toggle} />
      <BigFigure
        name="Energy"
        figure={energy}
        band={bandOf('energyKcal')}
        unit="kcal"
        open={open === 'energyKcal'}
        onOpen={() => toggle('energyKcal')}
        decimals={0}
      >
        <EnergySplit shares={energyShares(perServing)} width="100%" />
      </BigFigure>
      <BigFigure
        name="Protein"
        figure={perServing.nutrients.protein}
        band={bandOf('protein')}
        unit="g"
        open={open === 'protein'}
        onOpen={() => toggle('protein')}
        decimals={1}
      >
        <b className="pat-protein" />
      </BigFigure>
      <div className="tear" />
      {SMALL.map(([nutrient, name]) => (
        <SmallFigure
          key={nutrient}
          name={name}
          figure={shownFigure(nutrient, perServing.nutrients, kitchen.convention)}
          unit="g"
          open={open === nutrient}
          onOpen={() => toggle(nutrient)}
        />
      ))}
      <div className="tear" />
      {recipe.brief && <BriefRows brief={recipe.brief} figures={figures} kitchen={kitchen} open={open} onOpen={toggle} />}
      {!showsCosts && <p className="muted text-small">Costs of this kitchen are not shown to you.</p>}
      {showsCosts && (
        <>
          <button className="fig" aria-expanded={open === 'usedCost'} onClick={() => toggle('usedCost')}>
            <span className="fig-name">Used</span>
            <Money figure={perServing.usedCost} currency={currency} />
          </button>
          <button className="fig" aria-expanded={open === 'tillCost'} onClick={() => toggle('tillCost')}>
            <span className="fig-name" title="Whole packs, for the batch">
              At the till, for{' '}
              {recipe.servings === 1 ? 'the one' : `all ${numberText(recipe.servings, Number.isInteger(recipe.servings) ? 0 : 1)}`}
            </span>
            <span className="fig-value">
              {till !== undefined && batch.till.unpriced.length > 0 && <span className="least">at least </span>}
              {till === undefined ? <span className="least">no price</span> : priceText(till, currency)}
            </span>
          </button>
        </>
      )}
      {prices !== '' && <p className="text-small faint">{prices}</p>}
      <div className="tear" />
      {hasTopping && (
        <button className="fig" aria-expanded={open === 'energyKcal'} onClick={() => toggle('energyKcal')}>
          <span className="fig-name">With topping</span>
          <span className="fig-value">
            {docketText(withTopping.nutrients.energyKcal.amount ?? 0)}
            <small>kcal</small> {docketText(withTopping.nutrients.protein.amount ?? 0)}
            <small>g</small>
            {withTopping.usedCost.amount !== undefined && (
              <span className="block">
                {leastText(withTopping.usedCost) !== '' && <span className="least">at least </span>}
                {priceText(withTopping.usedCost.amount, currency)}
              </span>
            )}
          </span>
        </button>
      )}
      <StatedRow recipe={recipe} figures={figures} kitchen={kitchen} open={open === 'energyKcal'} onOpen={() => toggle('energyKcal')} />
      <OwnFigureRow figures={figures} kitchen={kitchen} open={open === 'index'} onOpen={() => toggle('index')} />
      <ClaimsRow figures={figures} kitchen={kitchen} open={open === 'claims'} onOpen={() => toggle('claims')} />
      <WeighNextRow figures={figures} />
      {found > 0 && (
        <button className="fig warn" aria-expanded={open === 'matches'} onClick={() => toggle('matches')}>
          <span className="fig-name">
            <span className="warn">▲ {found === 1 ? 'one line finds' : `${found} lines find`} a food now</span>
          </span>
          <span className="fig-value text-small">see which</span>
        </button>
      )}
      {unsure > 0 && (
        <button className="fig warn" aria-expanded={open === 'matches'} onClick={() => toggle('matches')}>
          <span className="fig-name">
            <span className="warn">▲ {unsure === 1 ? 'one line' : `${unsure} lines`} unsure</span>
          </span>
          <span className="fig-value text-small">see what counts</span>
        </button>
      )}
      <p className="text-small mt-1">
        <Link className={`docket-check ${sign.tone === '' ? 'faint' : sign.tone}`} to={`/recipes/${recipe.id}/check`}>
          {sign.tone === 'bad' ? '✕' : sign.tone === 'warn' ? '▲' : sign.tone === 'good' ? '✓' : ''} {sign.words}
        </Link>
      </p>
      <p className="sr" role="status">
        {`${leastText(energy)}${docketText(energy.amount ?? 0)} kilocalories, ${docketText(perServing.nutrients.protein.amount ?? 0)} grams of protein`}
      </p>
    </aside>
  );
}

function Boxes({
  recipe,
  figures,
  kitchen,
  open,
  onOpen,
}: {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly open: PanelName | null;
  readonly onOpen: (figure: PanelName) => void;
}) {
  const dispatch = useAppDispatch();
  const say = useToast();
  const { perServing } = figures;
  /** The number before it was changed here, while the amounts still stand as they were. */
  const [before, setBefore] = useState<{ readonly from: number; readonly to: number }>();
  /** The number that the words of the dish were written for. */
  const [told, setTold] = useState<number>();
  const names = servingNames(recipe);
  const { one: name } = names;
  const change = (by: number) => {
    const servings = Math.max(1, Math.round(recipe.servings + by));
    if (servings === recipe.servings) return;
    const from = before && before.to === recipe.servings ? before.from : recipe.servings;
    setBefore(from === servings ? undefined : { from, to: servings });
    setTold(told ?? recipe.servings);
    dispatch(recipeActions.edited({ recipe: { ...recipe, servings }, mergeKey: 'servings' }));
  };
  const offered = before?.to === recipe.servings && recipe.amountsPer !== 'serving' ? before : undefined;
  return (
    <>
      <div className="boxes">
        <b>{countText(recipe.servings, names)}</b>
        <span className="step">
          <button aria-label={`One ${name} fewer`} onClick={() => change(-1)} disabled={recipe.servings <= 1}>
            −
          </button>
          <button aria-label={`One ${name} more`} onClick={() => change(1)}>
            +
          </button>
        </span>
        <button className="muted figbtn" aria-expanded={open === 'weight'} onClick={() => onOpen('weight')}>
          {numberText(perServing.weight, 0)} g each
        </button>
      </div>
      {offered && (
        <p className="text-small mb-1.5 -mt-1">
          The same batch, shared by {numberText(recipe.servings, 0)}.{' '}
          <Button
            kind="quiet"
            onClick={() => {
              const before = usuallyScaled({ ...recipe, servings: offered.from }, kitchen);
              dispatch(recipeActions.edited({ recipe: scaledTo(before, recipe.servings, kitchen, true) }));
              say(
                `Scaled by the lines’ rules, to what people can measure: cans, packs and eggs whole, seasoning a little less. Alt S shows each.`,
              );
              setBefore(undefined);
            }}
          >
            Scale the amounts instead
          </Button>
        </p>
      )}
      {told !== undefined && told !== recipe.servings && <OldSize recipe={recipe} from={told} />}
    </>
  );
}

/** Where the words of the dish still say the number of boxes it had before it was changed here. */
function OldSize({ recipe, from }: { readonly recipe: Recipe; readonly from: number }) {
  const dispatch = useAppDispatch();
  const said = sizeWords(recipe, recipe.servings).filter(({ found }) => found.count === from);
  const [first] = said;
  if (!first) return null;
  return (
    <p className="warn text-small mb-1.5 -mt-1">
      ▲ {first.where.charAt(0).toUpperCase() + first.where.slice(1)} says “{first.found.words}”
      {said.length > 1 && `, and ${said.length - 1} more`}.{' '}
      <Button kind="quiet" onClick={() => dispatch(recipeActions.edited({ recipe: withSizeWords(recipe, from, recipe.servings) }))}>
        Change the words
      </Button>
    </p>
  );
}

interface FigureProps {
  readonly name: string;
  readonly figure: Figure;
  readonly unit: string;
  readonly open: boolean;
  readonly onOpen: () => void;
}

interface BigFigureProps extends FigureProps {
  readonly band: readonly [number, number] | undefined;
  readonly decimals: number;
  /** What the bar up to the figure is filled with. */
  readonly children: ReactNode;
}

function BigFigure({ name, figure, band, unit, open, onOpen, decimals, children }: BigFigureProps) {
  return (
    <button className="fig big" aria-expanded={open} onClick={onOpen}>
      <span className="fig-name">{name}</span>
      <Amount figure={figure} unit={unit} decimals={decimals} />
      {band && figure.amount !== undefined && (
        <span className="fig-band">
          <Band band={band} figure={figure.amount}>
            {children}
          </Band>
          <span>
            {numberText(band[0], decimals)} to {numberText(band[1], decimals)}
          </span>
        </span>
      )}
    </button>
  );
}

/** The figure as a bar, and the band it lies in with 95 % probability. */
function Band({
  band: [low, high],
  figure,
  children,
}: {
  readonly band: readonly [number, number];
  readonly figure: number;
  readonly children: ReactNode;
}) {
  const most = Math.max(high * 1.12, 1e-9);
  const at = (amount: number) => `${(amount / most) * 100}%`;
  return (
    <span className="bandline" title="95 % of what this figure could be">
      <span className="fill" style={{ width: at(figure) }}>
        {children}
      </span>
      <u style={{ left: at(low), width: at(high - low) }} />
    </span>
  );
}

function SmallFigure({ name, figure, unit, open, onOpen }: FigureProps) {
  return (
    <button className="fig" aria-expanded={open} onClick={onOpen}>
      <span className="fig-name">{name}</span>
      <Amount figure={figure} unit={unit} />
    </button>
  );
}

function Amount({ figure, unit, decimals }: { readonly figure: Figure; readonly unit: string; readonly decimals?: number }) {
  if (figure.amount === undefined) return <span className="fig-value faint">unknown</span>;
  return (
    <span className="fig-value">
      {figure.gaps.length > 0 && <span className="least">at least </span>}
      {decimals === undefined ? docketText(figure.amount) : numberText(figure.amount, decimals)}
      <small>{unit}</small>
    </span>
  );
}

function Money({ figure, currency }: { readonly figure: Figure; readonly currency: string }) {
  return (
    <span className="fig-value">
      {figure.amount !== undefined && figure.gaps.length > 0 && <span className="least">at least </span>}
      {figure.amount === undefined ? <span className="least">no price</span> : priceText(figure.amount, currency)}
    </span>
  );
}

/** Claims that hold under the rule set of the cards; plain cards are held to those of the EU. */
function ClaimsRow({
  figures,
  kitchen,
  open,
  onOpen,
}: {
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly open: boolean;
  readonly onOpen: () => void;
}) {
  const rules = ruleSet(kitchen.settings.rules).claims;
  const held = useMemo(() => claimsHere(figures).filter((claim) => claim.rules === rules && claim.holds === 'yes'), [figures, rules]);
  const names = held
    .map(({ name }) => name)
    .filter((name, _, all) => !(name.startsWith('source of') && all.some((one) => one === name.replace('source of', 'high'))));
  return (
    <button className="fig" aria-expanded={open} onClick={onOpen}>
      <span className="fig-name whitespace-nowrap">May claim</span>
      <span className="text-compact font-semibold text-right whitespace-normal">{names.length === 0 ? 'nothing' : names.join(', ')}</span>
    </button>
  );
}

/** The kitchen's own figure, with what it is reckoned from. */
function OwnFigureRow({
  figures: { perServing },
  kitchen,
  open,
  onOpen,
}: {
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly open: boolean;
  readonly onOpen: () => void;
}) {
  const { index } = kitchen.settings;
  if (!index) return null;
  const { amount, gaps } = indexOf(index, perServing, kitchen.convention);
  return (
    <button className="fig" aria-expanded={open} onClick={onOpen} title={`${index.name} = ${index.formula}`}>
      <span className="fig-name">{index.name}</span>
      <span className="font-semibold text-line whitespace-nowrap">
        {amount !== undefined && gaps.length > 0 && <span className="least">a figure lacking </span>}
        {amount === undefined ? <span className="faint">unknown</span> : indexText(amount, index)}
      </span>
    </button>
  );
}

function WeighNextRow({ figures }: { readonly figures: RecipeFigures }) {
  const [first] = weighNext(figures.parts.filter(({ part }) => servedOf(part) === 'box'));
  const line = first && figures.lines.find(({ at }) => at === first.at);
  if (!first || !line || first.now - first.after < 0.5) return null;
  return (
    <p className="flex justify-between gap-3 px-1 -mx-1 py-0.5" title={`Weighing ${nameOfLine(line)} narrows the energy's band most`}>
      <span className="muted whitespace-nowrap">Weigh next</span>
      <span className="text-compact font-semibold text-right">
        {nameOfLine(line).split(/,| in /)[0]}: ± {numberText(first.now, 0)} → ± {numberText(first.after, 0)}
      </span>
    </p>
  );
}
