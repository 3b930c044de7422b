import type { Part, Recipe } from '../recipe/index.js';
import type { Fault } from './fault.js';

/** Parts within parts, at most: no kitchen comes near, and every figure walks all the way down. */
const DEEPEST_PARTS = 50;
/** Lines of a part with all that it is built on, at most. */
const MOST_LINES = 20_000;

interface Entry {
  readonly part: Part;
  readonly path: string;
}

/** How deep a part is built on others, and how many lines it comes to with them. */
interface Extent {
  readonly depth: number;
  readonly lines: number;
}

/**
 * Parts that hold themselves, directly or through others, each circle told once, at the line that closes it; and parts
 * built on more than could be computed.
 *
 * @param paths of the recipes, in their order; `recipes[i]` where left out
 */
export function circleFaults(recipes: readonly Recipe[], paths: readonly string[] = []): Fault[] {
  const parts = new Map<string, Entry>();
  recipes.forEach((recipe, r) =>
    recipe.parts.forEach((part, p) => parts.set(`${recipe.id}/${part.id}`, { part, path: `${paths[r] ?? `recipes[${r}]`}.parts[${p}]` })),
  );
  const walk = new Walk(parts);
  for (const key of parts.keys()) walk.extentOf(key, []);
  recipes.forEach((recipe, r) => walk.variantsOf(recipe, paths[r] ?? `recipes[${r}]`));
  return walk.faults;
}

class Walk {
  readonly faults: Fault[] = [];
  readonly #done = new Map<string, Extent>();
  readonly #reached = new Map<string, ReadonlySet<string>>();

  constructor(readonly parts: ReadonlyMap<string, Entry>) {}

  extentOf(key: string, within: readonly string[]): Extent {
    const ready = this.#done.get(key);
    const entry = this.parts.get(key);
    if (ready || !entry) return ready ?? { depth: 0, lines: 0 };
    const chain = [...within, key];
    let depth = 1;
    let lines = entry.part.lines.length;
    for (const [l, line] of entry.part.lines.entries()) {
      if (line.recipe === undefined) continue;
      const inner = this.#innerExtent(`${line.recipe}/${line.part}`, chain, `${entry.path}.lines[${l}]`);
      depth = Math.max(depth, inner.depth + 1);
      lines += inner.lines;
    }
    if (depth > DEEPEST_PARTS) {
      this.#tell(entry.path, `is built on other parts more than ${DEEPEST_PARTS} deep; make one of them a food`);
      depth = 1;
    }
    if (lines > MOST_LINES && depth > 1) {
      this.#tell(entry.path, `comes to more than ${MOST_LINES} lines with the parts it is built on; make one of them a food`);
      lines = 0;
    }
    this.#done.set(key, { depth, lines });
    return { depth, lines };
  }

  /** A variant's lines that take what is built on the part they stand in: only its own dish would hold itself. */
  variantsOf({ id, variants = [] }: Recipe, path: string): void {
    for (const [v, { changes }] of variants.entries())
      for (const [c, change] of changes.entries()) {
        if (!('line' in change) || change.line.recipe === undefined) continue;
        const part = 'part' in change ? change.part : (change.at.split('/')[0] ?? '');
        const taken = `${change.line.recipe}/${change.line.part}`;
        if (this.#builtOn(taken).has(`${id}/${part}`))
          this.#tell(
            `${path}.variants[${v}].changes[${c}].line`,
            `part "${taken}" is built on "${id}/${part}", which would hold itself; take this change out`,
          );
      }
  }

  /** A part and all that it is built on. */
  #builtOn(key: string): ReadonlySet<string> {
    const ready = this.#reached.get(key);
    if (ready) return ready;
    const reached = new Set([key]);
    for (const next of reached)
      for (const line of this.parts.get(next)?.part.lines ?? []) if (line.recipe !== undefined) reached.add(`${line.recipe}/${line.part}`);
    this.#reached.set(key, reached);
    return reached;
  }

  #innerExtent(next: string, chain: readonly string[], path: string): Extent {
    const at = chain.indexOf(next);
    if (at >= 0) this.#tell(path, `part "${next}" would hold itself: ${[...chain.slice(at), next].join(' -> ')}; take this line out`);
    // Deeper than any part may be, it is told by the part that comes first, and walked no further from here.
    else if (chain.length <= DEEPEST_PARTS) return this.extentOf(next, chain);
    return { depth: at >= 0 ? 0 : DEEPEST_PARTS, lines: 0 };
  }

  #tell(path: string, message: string): void {
    this.faults.push({ path, message });
  }
}
