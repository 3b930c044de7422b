/** What a value of a property may be, by the published vocabulary (schema.org, Recipe and what it holds). */
type Expected = 'text' | 'integer' | 'date' | 'duration' | 'url' | 'image' | 'diet' | 'mass' | 'energy' | { readonly type: string };

interface Property {
  readonly of: Expected;
  readonly many?: true;
}

const DIETS = [
  'DiabeticDiet',
  'GlutenFreeDiet',
  'HalalDiet',
  'HinduDiet',
  'KosherDiet',
  'LowCalorieDiet',
  'LowFatDiet',
  'LowLactoseDiet',
  'LowSaltDiet',
  'VeganDiet',
  'VegetarianDiet',
];

const TYPES: { readonly [type: string]: { readonly [property: string]: Property } } = {
  Recipe: {
    name: { of: 'text' },
    description: { of: 'text' },
    image: { of: 'image', many: true },
    position: { of: 'integer' },
    isPartOf: { of: { type: 'CreativeWorkSeries' } },
    author: { of: { type: 'Organization' } },
    datePublished: { of: 'date' },
    dateModified: { of: 'date' },
    url: { of: 'url' },
    mainEntityOfPage: { of: 'url' },
    recipeYield: { of: 'text', many: true },
    totalTime: { of: 'duration' },
    prepTime: { of: 'duration' },
    cookTime: { of: 'duration' },
    suitableForDiet: { of: 'diet', many: true },
    tool: { of: { type: 'HowToTool' }, many: true },
    recipeIngredient: { of: 'text', many: true },
    recipeInstructions: { of: { type: 'HowToStep' }, many: true },
    nutrition: { of: { type: 'NutritionInformation' } },
  },
  CreativeWorkSeries: { name: { of: 'text' } },
  Organization: { name: { of: 'text' }, url: { of: 'url' } },
  HowToTool: { name: { of: 'text' } },
  HowToStep: { position: { of: 'integer' }, name: { of: 'text' }, text: { of: 'text' } },
  NutritionInformation: {
    servingSize: { of: 'text' },
    calories: { of: 'energy' },
    proteinContent: { of: 'mass' },
    carbohydrateContent: { of: 'mass' },
    sugarContent: { of: 'mass' },
    fatContent: { of: 'mass' },
    saturatedFatContent: { of: 'mass' },
    fiberContent: { of: 'mass' },
    sodiumContent: { of: 'mass' },
  },
};

/** What of an object is not as the published vocabulary has it, by its place. */
export function schemaOrgFaults(found: unknown, type: string, path = ''): string[] {
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return [`${path}: must be a ${type}`];
  const { '@context': context, '@type': own, ...rest } = found as { readonly [key: string]: unknown };
  const properties = TYPES[type] ?? {};
  return [
    ...(path === '' && context !== 'https://schema.org' ? ['@context'] : []),
    ...(own === type ? [] : [`${path}@type is ${String(own)}, not ${type}`]),
    ...Object.entries(rest).flatMap(([name, value]) => {
      const property = properties[name];
      const at = `${path}${name}`;
      if (!property) return [`${at}: ${type} has no such property`];
      if (!Array.isArray(value)) return valueFaults(value, property.of, at);
      return property.many ? value.flatMap((one, i) => valueFaults(one, property.of, `${at}[${i}]`)) : [`${at}: is one, not a list`];
    }),
  ];
}

function valueFaults(value: unknown, of: Expected, at: string): string[] {
  if (typeof of === 'object') return schemaOrgFaults(value, of.type, `${at}.`);
  const text = typeof value === 'string' ? value : '';
  const right = {
    text: text.trim() !== '',
    integer: Number.isInteger(value),
    date: /^\d{4}-\d{2}-\d{2}$/.test(text),
    duration: /^P(?:\d+D)?(?:T(?:\d+H)?(?:\d+M)?)?$/.test(text) && /\d/.test(text),
    url: /^https?:\/\/[^\s"<>]+$/.test(text),
    image: /^(?:https?:\/\/[^\s"<>]+|data:image\/jpeg;base64,[A-Za-z0-9+/]+={0,2})$/.test(text),
    diet: DIETS.some((diet) => text === `https://schema.org/${diet}`),
    mass: /^(?:at least |about |<|less than )*\d+(?:\.\d+)? m?g$/.test(text),
    energy: /^(?:at least |about |<|less than )*\d+(?:\.\d+)? kcal$/.test(text),
  }[of];
  return right ? [] : [`${at}: ${JSON.stringify(value)} is no ${of}`];
}
