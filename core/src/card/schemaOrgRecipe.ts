import type { CardContent } from './cardContent.js';
import type { CardFigure } from './cardFigure.js';
import { cardSeries } from './cardSeries.js';
import { stepTextOf } from './cardSteps.js';
import { webAddress } from './webAddress.js';

/** Claims that a card prints, as the vocabulary names diets. Others, vegan among them, are not claimed: no food of the kitchen says what it is made of. */
const DIETS: { readonly [claim: string]: string | undefined } = {
  'low fat': 'LowFatDiet',
  'low salt': 'LowSaltDiet',
  'low sodium': 'LowSaltDiet',
  'low energy': 'LowCalorieDiet',
  'low calorie': 'LowCalorieDiet',
};

/** What is known of a card besides what it says. */
export interface CardPublication {
  /** ISO date of its first issue. */
  readonly published?: string;
  /** ISO date of the issue at hand. */
  readonly modified?: string;
  /** Where it is read. */
  readonly url?: string;
  /** Addresses of its pictures: of the web, or with the picture inside (data:). */
  readonly images?: readonly string[];
}

/**
 * A card as schema.org/Recipe, ready for a JSON-LD script element.
 *
 * @param publication left out: it is not published
 * @returns a plain object; figures with their units, durations as ISO 8601
 */
export function schemaOrgRecipe(card: CardContent, { published, modified, url, images = [] }: CardPublication = {}): object {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: card.title,
    ...(card.lead === '' ? {} : { description: card.lead }),
    ...seriesOf(card),
    recipeYield: [String(card.servings), card.servingsText],
    ...(card.totalMinutes === undefined ? {} : { totalTime: `PT${card.totalMinutes}M` }),
    ...authored(card),
    ...(url === undefined ? {} : { url, mainEntityOfPage: url }),
    ...(images.length === 0 ? {} : { image: images }),
    ...(published === undefined ? {} : { datePublished: published }),
    ...(modified === undefined ? {} : { dateModified: modified }),
    ...diets(card),
    ...(card.equipment && card.equipment.length > 0 ? { tool: card.equipment.map((name) => ({ '@type': 'HowToTool', name })) } : {}),
    recipeIngredient: card.sections.flatMap(({ lines }) =>
      lines.map(({ amount, food, note, optional }) =>
        [`${amount === 'to taste' ? `${food}, to taste` : `${amount} ${food}`.trim()}`, note, optional ? 'optional' : '']
          .filter(Boolean)
          .join(', '),
      ),
    ),
    recipeInstructions: card.steps.map((step, i) => ({
      '@type': 'HowToStep',
      position: i + 1,
      ...(step.part === '' ? {} : { name: step.part }),
      text: stepTextOf(step),
    })),
    nutrition: {
      '@type': 'NutritionInformation',
      servingSize: `1 ${card.servingName} (${card.weight.text} g)`,
      ...property('calories', card.energy, 'kcal'),
      ...property('proteinContent', macro(card, 'protein'), 'g'),
      ...property('carbohydrateContent', macro(card, 'carbohydrate'), 'g'),
      ...property('sugarContent', macro(card, 'sugars'), 'g'),
      ...property('fatContent', macro(card, 'fat'), 'g'),
      ...property('saturatedFatContent', macro(card, 'saturates'), 'g'),
      ...property('fiberContent', macro(card, 'fibre'), 'g'),
      ...sodium(card),
    },
  };
}

function seriesOf({ series }: CardContent): object {
  const { name, number } = cardSeries(series);
  if (name === '') return {};
  return { isPartOf: { '@type': 'CreativeWorkSeries', name }, ...(number === undefined ? {} : { position: number }) };
}

/** The publication, with where it is found where that is an address. */
function authored({ publication, address }: CardContent): object {
  if (publication === undefined) return {};
  const url = webAddress(address);
  return { author: { '@type': 'Organization', name: publication, ...(url === undefined ? {} : { url }) } };
}

function diets({ claims = [] }: CardContent): object {
  const named = [...new Set(claims.flatMap((claim) => DIETS[claim] ?? []))];
  return named.length === 0 ? {} : { suitableForDiet: named.map((diet) => `https://schema.org/${diet}`) };
}

function macro(card: CardContent, figure: CardFigure['figure']): CardFigure | undefined {
  return card.macros.find((one) => one.figure === figure);
}

function property(name: string, figure: CardFigure | undefined, unit: string): object {
  return figure ? { [name]: `${figure.text} ${unit}` } : {};
}

/** The vocabulary has sodium, not salt. */
function sodium(card: CardContent): object {
  return card.sodiumMilligrams === undefined ? {} : { sodiumContent: `${card.sodiumMilligrams} mg` };
}
