import { servedOf, type LineFigures } from '../../recipe/index.js';
import { saysHeat } from '../reading/heat.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

/** Foods known not to freeze, and what freezing does to them. Some only as they are used in the dish. */
interface NotFrozen {
  readonly is: RegExp;
  readonly not?: RegExp;
  readonly does: string;
  readonly only?: (line: LineFigures, ground: CheckGround) => boolean;
}

const ROWS: readonly NotFrozen[] = [
  { is: /\bcucumber/i, not: /\bpickl|gherkin/i, does: 'goes limp and wet' },
  { is: /\bmayonnaise|\bmayo\b/i, does: 'splits' },
  {
    is: /\b(?:lettuce|rocket|arugula|salad leaves|watercress|lamb['’]?s lettuce|radicchio|chicory|mixed leaves|little gem)\b/i,
    does: 'goes to slime',
    only: isRaw,
  },
  { is: /\bspinach\b/i, not: /\bfrozen\b/i, does: 'goes to slime raw', only: isRaw },
  {
    is: /\bcream\b|\bcr[eè]me fra[iî]che|\bcream cheese/i,
    not: /\b(?:coconut|oat|soya?|ice|cream of|creamed|soup|dressing|crackers?|vegan|tartar|sherry)\b/i,
    does: 'splits',
  },
  {
    is: /\bpotato(?:es)?\b/i,
    not: /\b(?:sweet|starch|flour|gnocchi|chips|hash|crisps|mashed?|bread|frozen)\b/i,
    does: 'goes grainy in pieces; mash freezes',
    only: (_, ground) =>
      !ground.steps.some(({ text }) =>
        /\bmash(?:ed|ing|es)?\b|\bcrush(?:ed|es)?\b[^.;]{0,30}\b(?:potato|milk|butter)|\bricer\b|\bblend(?:ed)? (?:the )?(?:soup|everything|it all|until)|\bpur[eé]e(?:d)? (?:the|it|every)/i.test(
          text,
        ),
      ),
  },
  {
    is: /^eggs?\b|\beggs?, (?:hen|hard)/i,
    not: /\b(?:noodle|pasta|white|yolk)\b/i,
    does: 'goes rubbery cooked in halves',
    only: isBoiledEgg,
  },
];

/** Foods in the box that do not freeze, of a dish that is said to freeze. */
export function freezesNot(ground: CheckGround): Finding[] {
  if (ground.recipe.storage?.freezes !== true) return [];
  return ground.figures.parts
    .filter(({ part }) => servedOf(part) === 'box')
    .flatMap(({ lines }) => lines)
    .flatMap((line): Finding[] => {
      if (!line.counted || line.weights?.eaten === 0) return [];
      const row = foodsIn(line).flatMap((name) =>
        ROWS.filter(({ is, not }) => is.test(name) && !not?.test(name)).map((one) => ({ one, name })),
      );
      const found = row.find(({ one }) => one.only === undefined || one.only(line, ground));
      if (!found) return [];
      return [
        {
          code: 'freezes-not',
          at: line.at,
          severity: 'look',
          message: `${found.name} ${found.one.does} in the freezer, and the dish is said to freeze. Say that it does not, or that this goes in on the day.`,
          mend: { kind: 'storage', words: 'Say that it does not freeze', freezes: false },
        },
      ];
    });
}

function foodsIn({ of }: LineFigures): string[] {
  if (of.kind === 'food') return [of.resolved.food.name];
  return of.kind === 'part' ? of.part.lines.flatMap(foodsIn) : [];
}

/** No step that speaks of it has heat on it: what is wilted, or cooked in, freezes. */
function isRaw(line: LineFigures, ground: CheckGround): boolean {
  if (line.of.kind !== 'food') return true;
  const { id } = line.of.resolved.food;
  const speaking = ground.steps.filter(
    ({ text, mentions }) =>
      mentions.some((mention) => mention.line === line.at) ||
      ground.spoken.runsIn(text).some((run) => ground.spoken.meantBy(run).some(({ food }) => food.id === id)),
  );
  return (
    speaking.length > 0 &&
    !speaking.some(
      ({ text }) =>
        saysHeat(text) ||
        /\b(?:wilt|stir (?:in|through)|fold(?:ed)? (?:in|into) the (?:hot|pot|pan|dal|soup|stew|curry)|collaps)/i.test(text),
    )
  );
}

/** Boiled and left in pieces; beaten into a dish it freezes. */
function isBoiledEgg(line: LineFigures, ground: CheckGround): boolean {
  if (line.of.kind === 'food' && /\bboiled\b/i.test(line.of.resolved.food.name)) return true;
  if (/\b(?:hard|soft)[- ]boiled\b|\bhalved\b|\bquartered\b/i.test(line.line.text ?? line.line.note ?? '')) return true;
  return (
    ground.steps.some(
      ({ text }) =>
        /\b(?:boil|cook|simmer|steam)\p{L}*[^.;]{0,40}\beggs?\b|\b(?:hard|soft)[- ]boil/iu.test(text) &&
        /\b(?:peel|shell|halv|half|quarter|slic)\p{L}*/iu.test(text),
    ) ||
    ground.steps.some(
      ({ text }) =>
        /\beggs?\b[^.;]{0,40}\b(?:halv|quarter|in half|on top)/i.test(text) &&
        ground.steps.some((one) => /\bboil\p{L}*[^.;]{0,40}\beggs?\b|\beggs?[^.;]{0,40}\bboil/iu.test(one.text)),
    )
  );
}
