import { leadingAmount, trimmed } from '../text/index.js';
import type { ReadSection } from './readRecipe.js';

/** What a heading opens. */
export type Zone = 'ingredients' | 'method' | 'notes' | 'nutrition' | 'equipment';

const ZONES: readonly (readonly [Zone, RegExp])[] = [
  [
    'ingredients',
    /^(?:the )?(?:ingredients?(?: list)?|what you(?:’|')?ll need|what you need|you(?:’|')?ll need|you will need|shopping list|zutaten|ingrédients|ingredientes|ingredienti|ingrediënten)$/iu,
  ],
  [
    'method',
    /^(?:the )?(?:method|instructions?|directions?|preparation|steps?|how to(?: make(?: it)?| cook(?: it)?)?|to make|procedure|what to do|here(?:’|')s how|so geht(?:’|')?s|zubereitung|anleitung|préparation|instructions|preparación|elaboración|preparazione|procedimento|bereiding(?:swijze)?|bereiden)$/iu,
  ],
  [
    'notes',
    /^(?:recipe |cook’s |cook's |chef’s )?(?:notes?|tips?(?: (?:and|&) tricks)?|storage|to store|storing|comments?|reviews?|variations?|substitutions?|video|faqs?|you might also like|related(?: recipes)?|leave a (?:comment|reply)|anmerkungen|tipps?|hinweise?|conseils|consejos|note)(?: ?\(\d+\))?$/iu,
  ],
  [
    'nutrition',
    /^(?:nutrition(?:al)?(?: (?:facts|information|info|values?))?|macros|nährwerte|valeurs nutritionnelles|información nutricional)(?: (?:per|pro|par|por|\/) ?[\p{L} ]{2,20})?$/iu,
  ],
  ['equipment', /^(?:special )?(?:equipment|utensils|tools|kit|gerätschaften|matériel)(?: needed)?$/iu],
];
const AT_TABLE =
  /^(?:to serve|for serving|toppings?|to top|for the toppings?|garnish(?:es)?|to garnish|zum servieren|pour servir|para servir|per servire)$/iu;
const FOR_THE = /^(?:for|für|pour|para|per) (?:the |die |den |das |la |le |les |el |los |las |il )?(?=\p{L})/iu;

/** A line stripped of what makes it a heading, and whether anything did. */
export interface Dressed {
  readonly bare: string;
  readonly heading: boolean;
}

/** Headings in their usual dresses: "# Rice", "**Rice**", "— Rice —", "[Rice]", "Rice:", "RICE", "For the rice". */
export function dressed(text: string): Dressed {
  const marked =
    /^#{1,6} (.{1,80})$/.exec(text) ??
    /^(?:\*\*|__|==)(.{1,60}?):?(?:\*\*|__|==):?$/.exec(text) ??
    /^[-–—=~*]{1,6} ?(?=\S)([^\d]{2,50}?) ?[-–—=~*]{1,6}$/.exec(text) ??
    /^\[(?! ?\])([^\]\d]{2,50})\]:?$/.exec(text);
  const bare = trimmed(marked?.[1] ?? text, ' #');
  const inner = trimmed(trimmed(bare, '* ').replace(/:$/, ''), ' ');
  if (marked) return { bare: inner, heading: inner !== '' };
  if (leadingAmount(text) || text.length > 60) return { bare: text, heading: false };
  if (/:$/.test(bare)) return { bare: inner, heading: true };
  if (AT_TABLE.test(inner)) return { bare: inner, heading: true };
  const letters = bare.replace(/[^\p{L}]/gu, '');
  if (letters.length >= 3 && letters === letters.toUpperCase() && letters !== letters.toLowerCase() && !/\d/.test(bare))
    return { bare: inner, heading: true };
  if (FOR_THE.test(bare) && !/[.,;!?]/.test(bare) && !/\d/.test(bare) && bare.split(' ').length <= 6) return { bare: inner, heading: true };
  return { bare: text, heading: false };
}

const LONGEST = 300;

/** The zone that a line opens, with what stands behind it in the same line; undefined where it opens none. */
export function zoneOf(text: string): { readonly zone: Zone; readonly rest: string } | undefined {
  if (text.length > LONGEST) return undefined;
  const { bare } = dressed(text);
  // "Ingredients (serves 4)", "Zutaten für 4 Personen"
  const plain = bare
    .replace(/[.:]$/, '')
    .replace(/ ?\([^()]{1,40}\)$| (?:for|für|pour|para|per) \d{1,3} \p{L}{1,20}$/iu, '')
    .trim();
  const whole = ZONES.find(([, words]) => words.test(plain));
  if (whole) return { zone: whole[0], rest: '' };
  const inline = /^([\p{L}’' ]{4,24}):\s+(\S.*)$/u.exec(text);
  const opened = inline && ZONES.find(([, words]) => words.test(inline[1]?.trim() ?? ''));
  return opened ? { zone: opened[0], rest: inline[2] ?? '' } : undefined;
}

/** The name of a part as a heading gives it: "For the DRESSING:" is "Dressing". */
export function partName(heading: string): { readonly name: string; readonly atTable: boolean } {
  const atTable = AT_TABLE.test(heading.trim());
  const bare = atTable ? heading.trim() : heading.trim().replace(FOR_THE, '');
  const cased = bare === bare.toUpperCase() ? bare.toLowerCase() : bare;
  return { name: cased.charAt(0).toUpperCase() + cased.slice(1), atTable };
}

/** Lines of a list under the headings among them. */
export function ingredientSections(lines: readonly string[]): readonly ReadSection[] {
  const sections: { name: string; lines: string[]; atTable?: true }[] = [{ name: '', lines: [] }];
  for (const line of lines) {
    const { bare, heading } = dressed(line);
    if (!heading) sections.at(-1)?.lines.push(line);
    else if (!ZONES.some(([zone, words]) => zone === 'ingredients' && words.test(bare))) {
      const { name, atTable } = partName(bare);
      sections.push({ name, lines: [], ...(atTable ? { atTable: true as const } : {}) });
    }
  }
  return sections.filter((section) => section.lines.length > 0);
}
