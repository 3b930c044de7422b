import type { Food } from '../../food/index.js';
import type { CheckGround } from '../checkGround.js';

/** What a raw food needs in its middle, °C, of the US guideline (docs/reckoning.md, "Cautions"), and the words it is spoken of by. */
export interface RawKind {
  readonly kind: 'poultry' | 'mince' | 'egg' | 'whole cut' | 'fish';
  readonly celsius: number;
  readonly words: RegExp;
}

const POULTRY = /\b(?:chicken|turkey|duck|goose|guinea fowl|poultry)\b/i;
const MINCE =
  /\b(?:mince[d]?|ground (?:beef|pork|lamb|veal|venison|meat)|sausages?|burgers?|meatballs?|koftas?|patt(?:y|ies)|meat ?loaf)\b/i;
const WHOLE = /\b(?:beef|pork|lamb|veal|venison|rabbit|gammon|steaks?|chops?|loin|shoulder|roast|joint|leg|fillet|tenderloin|brisket)\b/i;
const FISH =
  /\b(?:fish|salmon|cod|haddock|trout|tuna|hake|pollock|mackerel|sea ?bass|fillets?|prawns?|shrimps?|scallops?|halibut|monkfish|tilapia|coley|plaice)\b/i;
const EGG = /\b(?:eggs?|frittata|quiche|omelette|strata|custard|muffins?)\b/i;

export const RAW_KINDS: readonly RawKind[] = [
  { kind: 'poultry', celsius: 74, words: POULTRY },
  { kind: 'mince', celsius: 71, words: MINCE },
  { kind: 'egg', celsius: 71, words: EGG },
  { kind: 'whole cut', celsius: 63, words: WHOLE },
  { kind: 'fish', celsius: 63, words: FISH },
];

/** What was cooked, cured, canned or made of it is not raw. */
const NOT_RAW =
  /\b(?:cooked|canned|smoked|cured|pulled|roast(?:ed)?|stock|broth|soup|gravy|bouillon|(?:duck|goose) fat|dripping|salami|pepperoni|corned|ham|paste|sauce|powder|cube|boiled|vegan|soya|fingers|surimi|in oil|in water)\b/i;

/** What a food is raw, if it is; poultry is poultry minced too. */
export function rawKindOf(food: Food): RawKind['kind'] | undefined {
  if (food.state === 'cooked' || food.state === 'dry' || NOT_RAW.test(food.name)) return undefined;
  if (food.aisle === 'meat-poultry' || food.aisle === undefined) {
    if (POULTRY.test(food.name)) return 'poultry';
    if (MINCE.test(food.name)) return 'mince';
    if (/\b(?:beef|pork|lamb|veal|venison|rabbit|gammon)\b/i.test(food.name)) return 'whole cut';
  }
  if (food.aisle === 'fish-seafood') return 'fish';
  return /^eggs?\b/i.test(food.name) && !/\b(?:noodle|pasta)/i.test(food.name) ? 'egg' : undefined;
}

/** Raw kinds among a dish's lines. */
export function rawKinds({ foods }: CheckGround): ReadonlySet<RawKind['kind']> {
  return new Set(foods.flatMap((food) => rawKindOf(food) ?? []));
}

/** Whether raw meat, poultry or fish is among a dish's lines. */
export function hasRawMeat(ground: CheckGround): boolean {
  return [...rawKinds(ground)].some((kind) => kind !== 'egg');
}
