import { allergensWithGroups, preciseAllergens, type Allergen } from '../../food/index.js';
import { claimsOf, type ClaimName } from '../../claims/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** Words of a claim, and the claim whose conditions they have to meet; none: no figure can give it. */
interface ClaimWords {
  readonly words: RegExp;
  readonly us: ClaimName | undefined;
  readonly eu: ClaimName | undefined;
  /** In a step they are said of heat, of how thick a coat is, of a colour. */
  readonly onlyInHead?: boolean;
}

const both = (words: RegExp, name: ClaimName): ClaimWords => ({ words, us: name, eu: name });
const never = (words: RegExp, onlyInHead = false): ClaimWords => ({ words, us: undefined, eu: undefined, onlyInHead });
const GAP = String.raw`[\s-]`;
const said = (words: string) => new RegExp(String.raw`(?<![\p{L}-])(?:${words.replaceAll('~', GAP)})(?![\p{L}])`, 'giu');

/** Nutrition claims as people write them. */
const CLAIM_WORDS: readonly ClaimWords[] = [
  both(
    said('(?:high|rich|loaded|packed)~(?:in~|with~)?protein|protein~(?:rich|packed)|(?:full|bursting) (?:of|with) protein'),
    'high protein',
  ),
  { words: said('(?:good |great )?source of protein'), us: 'high protein', eu: 'source of protein' },
  both(said('(?:high|rich|loaded|packed)~(?:in~|with~)?fib(?:re|er)|fib(?:re|er)~(?:rich|packed)|full of fib(?:re|er)'), 'high fibre'),
  { words: said('(?:good |great )?source of fib(?:re|er)'), us: 'high fibre', eu: 'source of fibre' },
  both(said('low~(?:in~)?fats?|lowfat'), 'low fat'),
  { words: said('low~(?:in~)?(?:calories?|energy)|low~cal'), us: 'low calorie', eu: 'low energy' },
  { words: said('low~(?:in~)?(?:salt|sodium)'), us: 'low sodium', eu: 'low salt' },
  { words: said('low~(?:in~)?(?:saturates|saturated~fats?|sat~fat)'), us: undefined, eu: 'low saturates' },
  { words: said('low~(?:in~)?sugars?'), us: undefined, eu: 'low sugars' },
  never(
    said(
      '(?:sugar|fat|salt|calorie|carb|sodium)s?~free|(?:free of|no|zero|without) (?:added )?(?:sugars?|fat|carbs?)(?= |[.,;!]|$)(?! (?:is|are|need|in the))|no~added~(?:sugar|salt)',
    ),
  ),
  never(said('(?:low|zero|no|reduced)~(?:in~)?carb(?:s|ohydrates?)?|keto(?:genic)?|low~gi')),
  never(
    said(
      '(?:heart~?|gut~?)?health(?:y|ier|iest|ful)|good for you|anti~?inflammatory|diet~friendly|guilt~free|clean~eating|detox(?:es|ing)?|super~?foods?|fat~burning|slimming|skinny|immune~boosting|immunity',
    ),
    true,
  ),
  never(said('guilt~free|detox(?:es|ing)?|super~?foods?'), false),
  never(said('light(?:er)?|lite'), true),
];
/** What "light" is said of that is no claim: a colour, how much, a meal that is small. */
const LIGHT_OF =
  /^\s(?:brown|golden?|gold|amber|green|pink|colou?r|coating|dusting|touch|simmer|boil|heat|hand|crust|drizzle|sprinkl\p{L}+|glaze|soy|coconut|cream|mayo\p{L}*|olive|bread|meal|work|on (?:washing|effort))/iu;
/** "Healthy" of how much. */
const HEALTHY_OF = /^\s(?:glug|pinch|handful|dollop|splash|amount|dose|slug|helping|spoon\p{L}*|drizzle|squeeze|grind\p{L}*)/iu;

/** Allergens by what they are called where something is said to be free of them. */
const FREE_OF: readonly (readonly [words: string, allergens: readonly Allergen[]])[] = [
  ['gluten', ['gluten']],
  ['wheat', ['wheat', 'spelt']],
  ['dairy|milk|lactose', ['milk']],
  ['eggs?', ['eggs']],
  ['nuts?|tree nuts?', ['nuts', 'peanuts']],
  ['peanuts?', ['peanuts']],
  ['soya?|soy', ['soy']],
  ['fish', ['fish']],
  ['shellfish|crustaceans?', ['crustaceans', 'molluscs']],
  ['sesame', ['sesame']],
  ['celery', ['celery']],
  ['mustard', ['mustard']],
  ['lupin', ['lupin']],
  ['sulphites?|sulfites?', ['sulphites']],
  ['allergens?', []],
];
const GLUTEN_WORDS = said(
  'gluten~free|free (?:of|from) gluten|(?:no|without|zero|contains no|made without)~(?:any~)?gluten|coeliac~(?:safe|friendly)|(?:safe |fit |made )?for (?:coeliacs|celiacs)|celiac~(?:safe|friendly)|gf',
);

/** Claims typed into words that figures do not give, or that may never be made. */
export function claimTyped(ground: CheckGround): Finding[] {
  const texts = [
    ...ground.headTexts.map((one) => ({ ...one, head: true })),
    ...ground.steps.map(({ at, text }) => ({ at, text, head: false })),
  ];
  return texts.flatMap(({ at, text, head }) => {
    const bare = withoutFoodNames(text, ground);
    const found = new Map<string, string>();
    for (const claim of CLAIM_WORDS)
      if (head || !claim.onlyInHead) for (const [words, why] of nutritionClaims(bare, claim, ground)) found.set(words, why);
    for (const [words, why] of allergenClaims(bare, ground)) found.set(words, why);
    return [...found].map(([words, why]): Finding => ({
      code: 'claim-typed',
      at,
      severity: 'wrong',
      message: `“${words}” is a claim ${why} Take it out, or say what the figures give.`,
      ...(head ? takenOut(at, text, words) : {}),
    }));
  });
}

/** The text without the claim, where a sentence is left of it. */
function takenOut(at: string, text: string, words: string): Pick<Finding, 'mend'> {
  const left = without(text, words);
  return READS_BADLY.test(left) || left === '' ? {} : { mend: { kind: 'text', at, words: 'Take it out', text: left } };
}

/** What is left hanging when a word is taken out of the middle of a phrase. */
const READS_BADLY =
  /\b(?:and|or|of|are|is|that|with|a|an|the|in|for|from|no|it|be)(?=[.,;!?]|$)|\b(?:a|an|the) (?:for|of|with|and|in|to)\b|(?:^|[ (])-\p{L}/iu;

/** A text without some words, and with what stood around them closed up. */
function without(text: string, words: string): string {
  const at = text.indexOf(words);
  if (at < 0) return '';
  const left = `${text.slice(0, at)}${text.slice(at + words.length)}`
    .replace(/(^|[.!?] )[\s,]*(?:and|but|or) /g, '$1')
    .replace(/ {2,}/g, ' ')
    .replace(/ (?=[.,;!?])/g, '')
    .replace(/[,;]\s?(?=[.,;!?])/g, '')
    .replace(/([.!?])(?:\s?[.,;!?])+/g, '$1')
    .replace(/^[\s.,;:!?]+/, '')
    .trim()
    .replace(/,$/, '.');
  return left.replace(/(^|[.!?] )(\p{Ll})/gu, (_, before: string, letter: string) => before + letter.toUpperCase());
}

function nutritionClaims(text: string, { words, us, eu }: ClaimWords, ground: CheckGround): [string, string][] {
  const rules = ground.kitchen.settings.rules === 'us' ? 'us' : 'eu';
  const name = rules === 'us' ? us : eu;
  return [...text.matchAll(words)].flatMap((found): [string, string][] => {
    const behind = text.slice(found.index + found[0].length);
    if (
      /^lite?|^light/i.test(found[0]) &&
      (LIGHT_OF.test(behind) || /\b(?:by|until) $|\b(?:day|traffic|lamp)$/i.test(text.slice(0, found.index)))
    )
      return [];
    if (/^health/i.test(found[0]) && HEALTHY_OF.test(behind)) return [];
    if (/^low/i.test(found[0]) && /^\s(?:heat|flame|oven|shelf|setting|simmer)/i.test(behind)) return [];
    if (name === undefined) return [[found[0], 'that no figure of a dish can give.']];
    const claim = claimsOf(ground.figures.perServing, allergensOf(ground)).find((one) => one.name === name && one.rules === rules);
    if (claim?.holds === 'yes') return [];
    return [[found[0], `that the figures do not give: ${claim?.because.join('; ') ?? 'it has no conditions here'}.`]];
  });
}

function allergenClaims(text: string, ground: CheckGround): [string, string][] {
  const own = allergensWithGroups(allergensOf(ground) ?? []);
  const gluten = [...text.matchAll(GLUTEN_WORDS)].map((found): [string, string] => [
    found[0],
    'that needs a laboratory and clean lines: a list of foods cannot give it. “No gluten-containing ingredient listed” may be said where it is so.',
  ]);
  const free = FREE_OF.filter(([words]) => words !== 'gluten').flatMap(([words, allergens]) =>
    [
      ...text.matchAll(
        said(
          `(?:${words})~free|free (?:of|from) (?:${words})|(?:without|contains no|no) (?:any )?(?:${words})(?= ?[.,;!]|$| (?:in it|at all|inside|here))`,
        ),
      ),
    ].flatMap((found): [string, string][] => {
      const held = preciseAllergens(
        [...own].filter((one) => allergens.some((asked) => one === asked || allergensWithGroups([one]).has(asked))),
      );
      return held.length === 0 ? [] : [[found[0], `and a food of the dish has ${held.join(', ')}.`]];
    }),
  );
  return [...gluten, ...free];
}

/** Names of listed foods may say what they like: "low-fat yoghurt". */
function withoutFoodNames(text: string, { spoken, figures }: CheckGround): string {
  let bare = text;
  const names = [
    ...spoken.listed.flatMap(({ food }) => [food.name, ...(food.names ?? []), food.name.split(',')[0] ?? '']),
    ...figures.lines.flatMap(({ line }) =>
      line.text === undefined
        ? []
        : [line.text.replace(/^[\d\s½¼¾/.,-]+(?:g|kg|ml|l|tsp|tbsp|cups?|cans?|oz|lb)?\s/i, '').split(',')[0] ?? ''],
    ),
  ];
  for (const name of names
    .filter((one) => /free|\blow|light|lite|high|reduced|health|skinny|super|rich|keto/i.test(one))
    .sort((a, b) => b.length - a.length))
    bare = bare.replace(new RegExp(name.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&'), 'gi'), (found) => ' '.repeat(found.length));
  // "fat-free yoghurt", "light mayonnaise": said of a listed food just behind it.
  for (const run of spoken.runsIn(bare)) {
    if (spoken.meantBy(run).length === 0) continue;
    const before =
      /(?:(?:low|reduced|full|half|zero|non|lower|no)[\s-](?:fat|salt|sodium|sugar|added sugar|calorie)|(?:fat|sugar|gluten|dairy|salt|wheat|egg|nut|lactose)[\s-]free|lite?|light|lighter|unsweetened)[\s-]{1,2}$/i.exec(
        bare.slice(0, run.from),
      );
    if (before) bare = bare.slice(0, before.index) + ' '.repeat(before[0].length) + bare.slice(run.from);
  }
  return bare;
}

/** Every allergen of the dish; undefined where a line has no food. */
function allergensOf({ foods, figures }: CheckGround): readonly Allergen[] | undefined {
  if (figures.lines.some(({ of }) => of.kind === 'unmatched')) return undefined;
  return foods.flatMap(({ allergens = [] }) => allergens);
}
