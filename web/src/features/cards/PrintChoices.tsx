import type { ReactNode } from 'react';
import {
  chosenCard,
  ruleSet,
  RULE_SETS,
  type CardChoices,
  type CardCost,
  type CardExtra,
  type CardUnits,
  type ChosenCard,
  type NumberStyle,
  type Recipe,
  type RuleSet,
  type Settings,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { ChipButton } from '../../ui/ChipButton';
import { Segmented } from '../../ui/Segmented';
import { CardSignature } from './CardSignature';

const UNITS: readonly (readonly [CardUnits, string, string])[] = [
  ['written', 'As written', 'Each line in the measure it is written in, the other behind it'],
  ['metric', 'Metric', 'Grams and millilitres first'],
  ['us', 'US', 'Ounces and US cups first; figures are of the ounces that are printed'],
];
const COSTS: readonly (readonly [CardCost, string, string?])[] = [
  ['all', 'All', 'Of one, of all, and at the till'],
  ['serving', 'Of one'],
  ['none', 'None'],
];
const NUMBERS: readonly (readonly [NumberStyle, string, string])[] = [
  ['en', '1,234.5', 'English'],
  ['de', '1.234,5', 'German, Spanish, Italian, Dutch'],
  ['fr', '1 234,5', 'French'],
  ['ch', '1’234.5', 'Swiss'],
];
const CAUTIONS = [
  ['full', 'Full'],
  ['short', 'Short', 'Allergens, core temperatures and what the figures are: a card is never without'],
] as const;
const FIGURES: readonly (readonly [CardExtra, string])[] = [
  ['energyKj', 'kJ'],
  ['sugars', 'sugars'],
  ['saturates', 'saturates'],
  ['fibre', 'fibre'],
  ['salt', 'salt'],
];
/** What is on a card or not. */
const SWITCHES = [
  ['table', 'Table, boxed'],
  ['perPart', 'Figures of each part'],
  ['topping', 'With topping'],
  ['claims', 'Claims that hold'],
  ['about', '“About” where unsure'],
] as const;

interface PrintChoicesProps {
  readonly recipe: Recipe;
  readonly settings: Settings;
  /** For this dish. */
  readonly onChange: (choices: CardChoices | undefined) => void;
  /** For every card of the kitchen. */
  readonly onKitchen: (choices: CardChoices) => void;
}

/** What a card prints: each choice as it stands for this dish, what differs from the kitchen's cards marked, and made the kitchen's by one press. */
export function PrintChoices({ recipe, settings, onChange, onKitchen }: PrintChoicesProps) {
  const chosen = chosenCard(recipe, settings);
  const kitchens = chosenCard({}, settings);
  const own = Object.keys(recipe.card ?? {}).length > 0;
  const choose = (choice: CardChoices) => {
    // What is chosen as the kitchen has it is no choice of the dish.
    const next = Object.fromEntries(
      Object.entries({ ...recipe.card, ...choice }).filter(([name, value]) => !isSame(value, kitchens[name as keyof ChosenCard])),
    );
    onChange(Object.keys(next).length === 0 ? undefined : next);
  };
  const differs = (name: keyof ChosenCard) => recipe.card !== undefined && name in recipe.card;
  const figures = [...FIGURES, ...(settings.index ? [['index', settings.index.name] as const] : [])];
  return (
    <div className="print-choices">
      <Choice name="Units first" own={differs('units')}>
        <Segmented label="Units first" value={chosen.units} options={UNITS} onChange={(units) => choose({ units })} />
      </Choice>
      <Choice name="Rounded by" own={differs('rules')}>
        <Segmented<RuleSet>
          label="Rounding of this card"
          value={chosen.rules}
          options={RULE_SETS.map((rules) => [rules, ruleSet(rules).short, ruleSet(rules).name] as const)}
          onChange={(rules) => choose({ rules })}
        />
      </Choice>
      <Choice name="Figures" own={differs('figures')}>
        <span className="print-chips" role="group" aria-label="Figures beside energy, protein, carbohydrate and fat">
          {figures.map(([figure, words]) => (
            <ChipButton
              key={figure}
              aria-pressed={chosen.figures.includes(figure)}
              onClick={() =>
                choose({
                  figures: chosen.figures.includes(figure) ? chosen.figures.filter((one) => one !== figure) : [...chosen.figures, figure],
                })
              }
            >
              {words}
            </ChipButton>
          ))}
        </span>
      </Choice>
      <Choice name="Also" own={SWITCHES.some(([name]) => differs(name))}>
        <span className="print-chips" role="group" aria-label="What else is on the card">
          {SWITCHES.map(([name, words]) => (
            <ChipButton key={name} aria-pressed={chosen[name]} onClick={() => choose({ [name]: !chosen[name] })}>
              {words}
            </ChipButton>
          ))}
        </span>
      </Choice>
      <Choice name="Cost" own={differs('cost')}>
        <Segmented label="Cost on the card" value={chosen.cost} options={COSTS} onChange={(cost) => choose({ cost })} />
      </Choice>
      <Choice name="Numbers" own={differs('numbers')}>
        <Segmented label="How numbers are written" value={chosen.numbers} options={NUMBERS} onChange={(numbers) => choose({ numbers })} />
      </Choice>
      <Choice name="Cautions" own={differs('cautions')}>
        <Segmented label="Cautions" value={chosen.cautions} options={CAUTIONS} onChange={(cautions) => choose({ cautions })} />
      </Choice>
      <p className="print-scope">
        {own ? (
          <>
            <span className="muted">Marked: of this dish alone.</span>
            <Button onClick={() => onKitchen({ ...settings.card?.choices, ...recipe.card })}>Make it so on every card</Button>
            <Button kind="quiet" onClick={() => onChange(undefined)}>
              As the kitchen’s cards
            </Button>
          </>
        ) : (
          <span className="muted">As every card of the kitchen. What you change here is for this dish.</span>
        )}
      </p>
      <CardSignature settings={settings} />
    </div>
  );
}

function Choice({ name, own, children }: { readonly name: string; readonly own: boolean; readonly children: ReactNode }) {
  return (
    <div className="print-choice">
      <span className="print-name">
        {name}
        {own && (
          <span className="print-own" title="Of this dish alone">
            {' '}
            ◆<span className="sr-only">, of this dish alone</span>
          </span>
        )}
      </span>
      {children}
    </div>
  );
}

function isSame(one: unknown, other: unknown): boolean {
  if (Array.isArray(one) && Array.isArray(other)) return one.length === other.length && one.every((member) => other.includes(member));
  return one === other;
}
