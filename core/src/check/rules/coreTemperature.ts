import { sentenceAt, type SaidHeat, type StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';
import { RAW_KINDS, rawKindOf, rawKinds, type RawKind } from './rawMeat.js';

/** Warmer is an oven or oil; cooler is a room or a fridge. */
const FOOD_FROM = 40;
const FOOD_TO = 96;
/** Half a degree of rounding between the scales says nothing. */
const NOISE = 0.75;
const NOT_OF_FOOD =
  /\b(?:oven|fridge|refrigerat\p{L}*|freezer|water|bath|oil|grill|plates?|boxes to warm|room|cool(?:ed|ing|s)? (?:to|below|under)|below|keep warm|milk|yeast|warm the|stock (?:to|at))\b/iu;
const REHEATS = /\breheat|\bwarm(?:ed)? (?:up|through|again)|\bmicrowave\b/i;
const HELD =
  /^\s?(?:\/\s?\d{2,3}\s?°?\s?[CF]\s?)?(?:in the middle |inside |at the (?:thickest|core|centre|center) )?(?:and |, |for |held |kept |hold )*(?:there )?(?:for )?(?:at least )?(?<n>\d+|two|three|four|five|ten) ?min/i;
const OUTER = /\b(?:surface|outside|skin)(?: temperature)?(?: (?:reads?|is|at|of|to|reaches))? $/i;

/** A step that cooks raw meat, fish or egg and names a core temperature below the guideline's. */
export function coreTemperature(ground: CheckGround): Finding[] {
  const kinds = rawKinds(ground);
  if (kinds.size === 0) return [];
  return ground.steps.flatMap((step) =>
    step.heats.flatMap((heat): Finding[] => {
      if (!isOfFood(step, heat)) return [];
      const needed = kindSpokenOf(step, heat, kinds, ground);
      if (!needed || heat.celsius >= needed.celsius - NOISE || isHeld(step, heat, needed)) return [];
      const fahrenheit = Math.round((needed.celsius * 9) / 5 + 32);
      return [
        {
          code: 'core-temperature',
          at: step.at,
          severity: 'wrong',
          message: `“${step.text.slice(heat.from, heat.to)}” is below what is safe for ${NAMES[needed.kind]}: ${needed.celsius} °C / ${fahrenheit} °F in the middle.`,
          ...mendOf(step, heat, needed.celsius, fahrenheit),
        },
      ];
    }),
  );
}

const NAMES: Readonly<Record<RawKind['kind'], string>> = {
  poultry: 'poultry',
  mince: 'minced meat',
  egg: 'egg dishes',
  'whole cut': 'whole cuts',
  fish: 'fish',
};

function mendOf({ at, step, text }: StepReading, heat: SaidHeat, celsius: number, fahrenheit: number): Pick<Finding, 'mend'> {
  const said = text.slice(heat.from, heat.to);
  if (step.text.split(said).length !== 2) return {};
  const safe =
    /F\b/i.test(said) && !/C\b/.test(said) ? `${fahrenheit}°F` : /F\b/i.test(said) ? `${celsius} °C / ${fahrenheit} °F` : `${celsius} °C`;
  return { mend: { kind: 'text', at, words: `Say ${safe}`, text: step.text.replace(said, safe) } };
}

function isOfFood({ text }: StepReading, heat: SaidHeat): boolean {
  if (heat.celsius < FOOD_FROM || heat.celsius > FOOD_TO) return false;
  const sentence = sentenceAt(text, heat.from);
  const before = text.slice(sentence.from, heat.from);
  const clause = before.slice(Math.max(before.lastIndexOf(','), before.lastIndexOf(' then '), before.lastIndexOf('(')) + 1);
  const behind = text.slice(heat.to, sentence.to);
  const nextClause = behind.slice(0, Math.max(0, behind.search(/[,)]|$/)));
  // ", at 60 °C or hotter": it is said of what stands in the clause before.
  const earlier = /^[\s,(]*(?:(?:at|to|of|about|around|some)[\s,(]*)?$/i.test(clause)
    ? before.slice(Math.max(before.lastIndexOf(',', before.length - clause.length - 2), 0))
    : '';
  if (NOT_OF_FOOD.test(earlier)) return false;
  return !NOT_OF_FOOD.test(clause) && !/^\s?(?:oven|water|fridge|fan\b)/i.test(nextClause) && !REHEATS.test(before) && !OUTER.test(clause);
}

/** What is spoken of: in its sentence, else in its step, else what alone is raw in the dish. */
function kindSpokenOf(step: StepReading, heat: SaidHeat, kinds: ReadonlySet<RawKind['kind']>, ground: CheckGround): RawKind | undefined {
  const own = RAW_KINDS.filter(({ kind }) => kinds.has(kind));
  const sentence = sentenceAt(step.text, heat.from);
  const clause = step.text.slice(sentence.from, heat.to);
  const spoken = new Set(
    ground.spoken
      .runsIn(clause)
      .flatMap((run) => ground.spoken.meantBy(run))
      .flatMap(({ food }) => rawKindOf(food) ?? []),
  );
  const bySentence = own.filter(({ kind, words }) => spoken.has(kind) || words.test(clause));
  const bySteps = own.filter(({ words }) => words.test(step.text));
  const asked = bySentence.length > 0 ? bySentence : bySteps.length > 0 ? bySteps : own;
  // Several are in it: only what is too low for each of them is surely wrong, unless one of them alone is named.
  return asked.toSorted((a, b) => a.celsius - b.celsius)[0];
}

/** 70 °C held for two minutes is as safe, for poultry and mince. */
function isHeld({ text }: StepReading, heat: SaidHeat, { kind }: RawKind): boolean {
  if (heat.celsius < 70 - NOISE || (kind !== 'poultry' && kind !== 'mince')) return false;
  const found = HELD.exec(text.slice(heat.to));
  if (found) return (/^\d/.test(found.groups?.n ?? '') ? Number(found.groups?.n) : 2) >= 2;
  return /(?:[2-9]|\d\d|two|three|four|five) min\p{L}* (?:at|above|over) $/iu.test(text.slice(0, heat.from));
}
