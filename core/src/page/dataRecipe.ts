import { plainLines } from './htmlText.js';
import { ingredientSections } from './headings.js';
import type { DataNode } from './markedData.js';
import type { ReadRecipe, ReadStep } from './readRecipe.js';
import { recipeMinutes } from './recipeMinutes.js';
import { recipeYield } from './recipeYield.js';
import { statedNutrition } from './statedNutrition.js';
import { stepsOfText } from './stepsOfText.js';

const DEEPEST = 12;

/**
 * A recipe from its schema.org data.
 *
 * @param pageTitle what the page calls itself, for data without a name
 * @returns undefined where it lists no ingredient
 */
export function dataRecipe(node: DataNode, pageTitle: string): ReadRecipe | undefined {
  const ingredients = textsOf(node.recipeIngredient ?? node.ingredients ?? node.ingredient);
  if (ingredients.length === 0) return undefined;
  const { prepTime, cookTime, totalTime, nutrition } = node;
  const [active, cook, total] = [prepTime, cookTime, totalTime].map((time) => recipeMinutes(textsOf(time)[0] ?? ''));
  return {
    title: textsOf(node.name ?? node.headline)[0] ?? withoutSite(pageTitle),
    ...recipeYield(textsOf(node.recipeYield ?? node.yield)),
    sections: ingredientSections(ingredients),
    steps: stepsIn(node.recipeInstructions ?? node.instructions, 0),
    activeMinutes: active,
    totalMinutes: total ?? (active === undefined && cook === undefined ? undefined : (active ?? 0) + (cook ?? 0)),
    source: sourceOf(node),
    stated: isNode(nutrition) ? statedNutrition(nutrition, (found) => textsOf(found)[0] ?? '') : undefined,
    left: [],
  };
}

/** "Pearl couscous salad - Saltmarsh Suppers" */
function withoutSite(title: string): string {
  return title.replace(/ [-–—|·:] [^-–—|·]{2,40}$/, '');
}

function isNode(found: unknown): found is DataNode {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}

/** Texts in a value, however it is wrapped: lists, named things, values tagged with their language. */
export function textsOf(found: unknown): string[] {
  if (typeof found === 'string') return [...plainLines(found)];
  if (typeof found === 'number') return [String(found)];
  if (Array.isArray(found)) return found.flatMap(textsOf);
  if (isNode(found)) return textsOf(found.text ?? found.name ?? found.value ?? found['@value']);
  return [];
}

/** Steps out of text, lists, sections and lists of sections, each with the section it stands in. */
function stepsIn(found: unknown, depth: number, section?: string): ReadStep[] {
  if (depth > DEEPEST) return [];
  if (typeof found === 'string') return stepsOfText(plainLines(found), section);
  if (Array.isArray(found)) return found.flatMap((one) => stepsIn(one, depth + 1, section));
  if (!isNode(found)) return [];
  if (typesOf(found).some((type) => /HowToTip$/i.test(type))) return [];
  const { itemListElement, steps, text, name } = found;
  if (itemListElement !== undefined || steps !== undefined) {
    const [title] = textsOf(name);
    return stepsIn(itemListElement ?? steps, depth + 1, title?.replace(/:$/, '') ?? section);
  }
  if (found.item !== undefined) return stepsIn(found.item, depth + 1, section);
  return stepsIn(textsOf(text ?? name ?? found['@value']).join('\n'), depth + 1, section);
}

function typesOf(node: DataNode): string[] {
  return (Array.isArray(node['@type']) ? (node['@type'] as unknown[]) : [node['@type']]).filter(
    (type): type is string => typeof type === 'string',
  );
}

function sourceOf({ url, mainEntityOfPage, '@id': id, isBasedOn }: DataNode): string | undefined {
  const page = isNode(mainEntityOfPage) ? mainEntityOfPage['@id'] : mainEntityOfPage;
  return [url, isBasedOn, page, id].find((one): one is string => typeof one === 'string' && /^https?:\/\//.test(one))?.slice(0, 500);
}
