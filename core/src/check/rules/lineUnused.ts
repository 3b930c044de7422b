import { servedOf, type LineFigures } from '../../recipe/index.js';
import { foodWords } from '../../match/index.js';
import { lineWords } from '../../text/index.js';
import { GROUP_WORDS, isOfGroup } from '../reading/foodGroups.js';
import { wordOf } from '../reading/calledFood.js';
import type { StepReading } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** Everything that is listed, whatever it is; what stands behind "but" is not. */
const EVERYTHING =
  /\b(?:everything(?: else)?|all(?= (?:but|except|apart from|save)\b)|all (?:of )?(?:the |your )?(?:(?:other|remaining|dry|wet|rest of the|liquid|dressing|sauce|marinade|salad|topping|filling|soup|\p{L}+) )?ingredients|(?:all |the )?(?:other|remaining|dry|wet|liquid|dressing|sauce|marinade|salad|topping|filling|spice|\p{L}+) ingredients|(?:all )?the (?:rest|remainder)(?: of the ingredients|(?! of\b))|the ingredients|the lot)\b(?<but> (?:but|except|apart from|save)(?: for)? (?:the )?(?<without>[^.;,]{1,60}))?/giu;
/** Pepper of the mill, and no pepper of the field. */
const SPICE_PEPPER = /^(?:black|white) pepper\b|^pepper(?:corns?)?, (?:black|white)\b/i;
const SEASONING = /^(?:\p{L}+ )?salt\b|^(?:black|white) pepper\b|^pepper(?:corns?)?, (?:black|white)\b|\bseasoning\b/iu;
/** What is done with a food without naming it. */
const DONE: readonly (readonly [RegExp, RegExp])[] = [
  [/\bseason(?:ed|ing)?\b/i, SEASONING],
  [/\bsalt(?:ed|ing)?\b/i, /^(?:\p{L}+ )?salt\b/iu],
  [/\bpepper(?:ed)?\b/i, SPICE_PEPPER],
  [/\bbutter(?:ed|ing)\b|\bbutter (?:the|a|an|your|both)\b/i, /\bbutter\b|\bspread\b|\bmargarine\b/i],
  [
    /\boil(?:ed|ing)\b|\boil (?:the|a|an|your|both|them|it)\b|\bgreas(?:e|ed|ing)\b/i,
    /\boil\b|\bbutter\b|\bghee\b|\blard\b|\bspray\b|\bfat\b/i,
  ],
  [/\bflour(?:ed|ing)\b|\bflour (?:the|a|an|your)\b|\bdust(?:ed|ing)?\b/i, /\bflour\b|\bcornflour\b|\bicing\b/i],
  [/\bsugar(?:ed)\b|\bsweeten(?:ed)?\b/i, /\bsugar\b|\bhoney\b|\bsyrup\b|\bsweetener\b/i],
  [/\b(?:boil|simmer|steam|soak|poach|cook|cover|blanch|drain|absorb)(?:s|ed|ing)?\b/i, /^water\b/i],
  [/\bdress(?:ed|ing)?\b/i, /\bdressing\b|\bvinaigrette\b/i],
];

/** Lines of which no step speaks: readers buy it and never learn what for. */
export function lineUnused(ground: CheckGround): Finding[] {
  const { figures, steps, spoken } = ground;
  if (steps.length === 0) return [];
  const used = new Set(steps.flatMap(({ mentions }) => mentions.map(({ line }) => line)));
  const foods = new Set<string>();
  for (const { text } of steps) for (const run of spoken.runsIn(text)) for (const { food } of spoken.meantBy(run)) foods.add(food.id);
  const said = steps.map(saidOfMany);
  const candidates = figures.parts.flatMap(({ part, lines }) =>
    servedOf(part) === 'optional' ? [] : lines.filter((line) => line.counted && line.of.kind === 'food'),
  );
  return candidates.flatMap((line) => {
    if (line.of.kind !== 'food' || used.has(line.at) || foods.has(line.of.resolved.food.id)) return [];
    if (said.some((step) => speaksOf(step, line))) return [];
    const { food } = line.of.resolved;
    return [
      {
        code: 'line-unused',
        at: line.at,
        severity: 'look',
        message: `No step says what to do with ${food.name}. Say it in a step, or take the line out.`,
        ...mendOf(line, ground),
      },
    ];
  });
}

/** The line at the end of the last step of its part, else of all: where it goes in is for the person to say. */
function mendOf({ at, line, of }: LineFigures, { mainSteps }: CheckGround): Pick<Finding, 'mend'> {
  const part = at.split('/')[0];
  const step = mainSteps.findLast((one) => one.step.part === part) ?? mainSteps.at(-1);
  if (!step || of.kind !== 'food') return {};
  const { food: called } = lineWords(line, of.resolved.food);
  const text = step.step.text.trimEnd();
  const said = /[.!?]$/.test(text) ? text : `${text}.`;
  return {
    mend: {
      kind: 'text',
      at: step.at,
      words: `Add it to step ${step.number}`,
      text: `${said} Add {${at} ${called.replace(/[{}]/g, '')}}.`,
    },
  };
}

/** What a step says of foods without naming them. */
interface SaidOfMany {
  readonly text: string;
  /** Words of each "everything but": what is not in it. */
  readonly withouts: readonly (readonly string[])[];
  readonly groups: ReadonlySet<string>;
}

/** Behind a group's word it says another thing: of "vegetable stock" nothing is said of carrots. */
const OF_ANOTHER = /^[ -](?:stock|broth|cube|oil|sauce|paste|powder|milk|knife|tin|pan|dish|peeler|drawer)/i;

function saidOfMany({ text }: StepReading): SaidOfMany {
  const groups = new Set<string>();
  for (const found of text.matchAll(/\p{L}+/gu)) {
    const word = wordOf(found[0]);
    if (GROUP_WORDS.has(word) && !OF_ANOTHER.test(text.slice(found.index + found[0].length, found.index + found[0].length + LONGEST_OTHER)))
      groups.add(word);
  }
  return { text, groups, withouts: [...text.matchAll(EVERYTHING)].map((found) => foodWords(found.groups?.without ?? '')) };
}

const LONGEST_OTHER = 10;

/** Whether a step speaks of a food by a group, by what is done with it, or of everything. */
function speaksOf({ text, withouts, groups }: SaidOfMany, { of }: LineFigures): boolean {
  if (of.kind !== 'food') return true;
  const { food } = of.resolved;
  if (withouts.length > 0) {
    const own = new Set([food.name, ...(food.names ?? [])].flatMap(foodWords));
    if (withouts.some((without) => !without.some((word) => own.has(word)))) return true;
  }
  if (DONE.some(([said, is]) => is.test(food.name) && said.test(text))) return true;
  return [...groups].some((word) => isOfGroup(word, food));
}
