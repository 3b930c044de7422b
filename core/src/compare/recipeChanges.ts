import type { Food } from '../food/index.js';
import {
  carriedIds,
  piecesOf,
  sameDocument,
  stepOf,
  withIds,
  type Line,
  type Part,
  type Recipe,
  type StepWithPart,
} from '../recipe/index.js';
import { lineText } from '../text/index.js';

/** Something that one version of a recipe has otherwise than another. */
export interface RecipeChange {
  readonly of: 'dish' | 'part' | 'line' | 'step' | 'variant';
  /** The field of the dish, the id of the part, line or step, the name of the variant. */
  readonly key: string;
  /** Of a line: id of the part that it stands in, afterwards where it is still there. */
  readonly part?: string;
  /** As it read before; absent: it was not there, or its words do not say it. */
  readonly before?: string;
  readonly after?: string;
  /** Fields that changed beside what the words say: its food, its state, how it scales. */
  readonly fields: readonly string[];
  /** It stands in another part, or before what it stood behind. */
  readonly moved: boolean;
}

/**
 * What changed from one version of a recipe to another, line by line: lines and steps are the same by their ids, wherever they stand
 * and however they read; what one of them lacks an id for is found by what it says.
 *
 * @param foodOf a food, for its name; undefined where it is not known
 */
export function recipeChanges(was: Recipe, is: Recipe, foodOf: (id: string) => Food | undefined): readonly RecipeChange[] {
  const before = withIds(was);
  const after = withIds(carriedIds(before, is));
  return [
    ...dishChanges(before, after),
    ...partChanges(before, after),
    ...lineChanges(before, after, foodOf),
    ...stepChanges(before, after),
  ];
}

/** What is compared by itself, piece by piece. */
const OWN_PIECES = new Set(['id', 'parts', 'steps', 'variants']);

function dishChanges(before: Recipe, after: Recipe): RecipeChange[] {
  const [then, now] = [fieldsOf(before, OWN_PIECES), fieldsOf(after, OWN_PIECES)];
  const fields = [...new Set([...then.keys(), ...now.keys()])].flatMap((key) => {
    const [was, is] = [then.get(key), now.get(key)];
    if (sameDocument(was, is)) return [];
    return [{ of: 'dish' as const, key, ...words(plain(was), plain(is)), fields: [], moved: false }];
  });
  const variant = ({ variants = [] }: Recipe) => new Map(variants.map((one) => [one.name, one]));
  const [old, next] = [variant(before), variant(after)];
  const variants = [...new Set([...old.keys(), ...next.keys()])].flatMap((name) => {
    const [was, is] = [old.get(name), next.get(name)];
    if (sameDocument(was, is)) return [];
    return [{ of: 'variant' as const, key: name, ...words(was?.name, is?.name), fields: was && is ? ['changes'] : [], moved: false }];
  });
  return [...fields, ...variants];
}

const LINES = new Set(['id', 'lines']);

function partChanges(before: Recipe, after: Recipe): RecipeChange[] {
  return paired(before.parts, after.parts).flatMap(({ was, is, moved }) => {
    const fields = was && is ? changedFields(was, is, LINES) : [];
    if (was && is && fields.length === 0 && !moved) return [];
    return [{ of: 'part' as const, key: (is ?? was)?.id ?? '', ...words(was?.name, is?.name), fields, moved }];
  });
}

/** What the words of a line say already. */
const WORDS = new Set(['id', 'text', 'amount', 'unit', 'note']);

interface Placed {
  readonly id: string;
  readonly part: Part;
  readonly line: Line;
}

function lineChanges(before: Recipe, after: Recipe, foodOf: (id: string) => Food | undefined): RecipeChange[] {
  const placed = ({ parts }: Recipe): Placed[] =>
    parts.flatMap((part) => part.lines.map((line) => ({ id: `${part.id}/${line.id ?? ''}`, part, line })));
  // A line that went to another part keeps its own id, but ids are of a part: it is found again where it alone has that id.
  const [then, now] = [placed(before), placed(after)];
  const there = new Set(now.map(({ id }) => id));
  const gone = new Map(then.flatMap((one) => (there.has(one.id) ? [] : [[one.line.id, one.id] as const])));
  const had = new Set(then.map(({ id }) => id));
  const found = now.map((one) => (had.has(one.id) ? one : { ...one, id: gone.get(one.line.id) ?? one.id }));
  const text = (one: Placed | undefined) => one && lineText(one.line, one.line.food === undefined ? undefined : foodOf(one.line.food));
  return paired(then, found).flatMap(({ was, is, moved }) => {
    const fields = was && is ? changedFields(was.line, is.line, WORDS) : [];
    const [old, next] = [text(was), text(is)];
    const elsewhere = was !== undefined && is !== undefined && was.part.id !== is.part.id;
    if (old === next && fields.length === 0 && !moved && !elsewhere) return [];
    const { part, line } = is ?? was ?? {};
    return [{ of: 'line' as const, key: line?.id ?? '', part: part?.id ?? '', ...words(old, next), fields, moved: moved || elsewhere }];
  });
}

const STEP_WORDS = new Set(['id', 'text']);

function stepChanges(before: Recipe, after: Recipe): RecipeChange[] {
  const steps = (recipe: Recipe) => (recipe.steps ?? []).map((step) => ({ id: '', ...stepOf(step) }));
  return paired<StepWithPart & { readonly id: string }>(steps(before), steps(after)).flatMap(({ was, is, moved }) => {
    const [old, next] = [was && readText(was), is && readText(is)];
    const mentions = old === next && was?.text !== is?.text ? ['mentions'] : [];
    const fields = was && is ? [...changedFields(was, is, STEP_WORDS), ...mentions] : [];
    if (old === next && fields.length === 0 && !moved) return [];
    return [{ of: 'step' as const, key: (is ?? was)?.id ?? '', ...words(old, next), fields, moved }];
  });
}

/** A step's words, its mentions by theirs. */
function readText({ text }: StepWithPart): string {
  return piecesOf(text)
    .map((piece) => (typeof piece === 'string' ? piece : piece.words))
    .join('');
}

interface Pair<One> {
  readonly was?: One;
  readonly is?: One;
  readonly moved: boolean;
}

/** What has the same id before and after, in the order after; what is gone stands behind what it stood behind. */
function paired<One extends { readonly id: string }>(before: readonly One[], after: readonly One[]): Pair<One>[] {
  const old = new Map(before.map((one, i) => [one.id, { one, i }]));
  const there = new Set(after.map(({ id }) => id));
  const stayed = inOrder(after.flatMap(({ id }) => old.get(id)?.i ?? []));
  const pairs: Pair<One>[] = [];
  let next = 0;
  const goneUntil = (end: number) => {
    for (; next < end; next++) {
      const was = before[next];
      if (was && !there.has(was.id)) pairs.push({ was, moved: false });
    }
  };
  for (const is of after) {
    const at = old.get(is.id);
    if (at && stayed.has(at.i)) goneUntil(at.i);
    pairs.push(at ? { was: at.one, is, moved: !stayed.has(at.i) } : { is, moved: false });
  }
  goneUntil(before.length);
  return pairs;
}

/** The most numbers that stand in rising order already: all the others have moved. (Patience sorting.) */
function inOrder(numbers: readonly number[]): ReadonlySet<number> {
  const ends: number[] = [];
  const below = new Map<number, number | undefined>();
  for (const number of numbers) {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((ends[middle] ?? Infinity) < number) low = middle + 1;
      else high = middle;
    }
    below.set(number, ends[low - 1]);
    ends[low] = number;
  }
  const rising = new Set<number>();
  for (let one = ends.at(-1); one !== undefined; one = below.get(one)) rising.add(one);
  return rising;
}

function words(before: string | undefined, after: string | undefined): Pick<RecipeChange, 'before' | 'after'> {
  return { ...(before === undefined ? {} : { before }), ...(after === undefined ? {} : { after }) };
}

/** What can be said of a value in a word; nothing of what has parts. */
function plain(value: unknown): string | undefined {
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : undefined;
}

/** A document's fields; those of storage each by itself. */
function fieldsOf(document: object, without: ReadonlySet<string>): Map<string, unknown> {
  return new Map(
    Object.entries(document).flatMap(([key, value]: [string, unknown]): [string, unknown][] => {
      if (without.has(key) || value === undefined) return [];
      if (key === 'storage' && typeof value === 'object' && value !== null)
        return Object.entries(value).map(([inner, of]: [string, unknown]) => [`${key}.${inner}`, of]);
      return [[key, value]];
    }),
  );
}

function changedFields(was: object, is: object, without: ReadonlySet<string>): string[] {
  const [then, now] = [fieldsOf(was, without), fieldsOf(is, without)];
  return [...new Set([...then.keys(), ...now.keys()])].filter((key) => !sameDocument(then.get(key), now.get(key)));
}
