/** Data as pages carry it: of a type, with values by name. */
export type DataNode = Readonly<Record<string, unknown>>;

interface OpenScope {
  readonly depth: number;
  readonly node: Record<string, unknown>;
}

interface OpenProperty {
  readonly depth: number;
  readonly names: readonly string[];
  readonly on: Record<string, unknown>;
  text: string;
}

/** More than these within each other mark nothing. */
const DEEPEST = 12;

/**
 * Gathers what elements are marked as, while a page is gone through: microdata (itemscope, itemprop) and RDFa (typeof, property).
 * A value is an element's content, date or address where it has one, else its text; what is marked within it belongs to it.
 */
export class MarkedData {
  readonly nodes: DataNode[] = [];
  readonly #scopes: OpenScope[] = [];
  readonly #properties: OpenProperty[] = [];

  /** @param depth of the element; undefined for one that holds nothing */
  open(attributes: Readonly<Record<string, string>>, depth: number | undefined): void {
    const names = namesOf(attributes.itemprop ?? attributes.property);
    const type = attributes.itemtype ?? attributes.typeof;
    const isScope = attributes.itemscope !== undefined || attributes.typeof !== undefined;
    const on = this.#scopes.at(-1)?.node;
    if (isScope && depth !== undefined && this.#scopes.length < DEEPEST) {
      const node: Record<string, unknown> = { '@type': namesOf(type) };
      if (on && names.length > 0) for (const name of names) add(on, name, node);
      else this.nodes.push(node);
      this.#scopes.push({ depth, node });
      return;
    }
    if (names.length === 0 || !on) return;
    const given = attributes.content ?? attributes.datetime ?? (depth === undefined ? (attributes.href ?? attributes.src) : undefined);
    if (given !== undefined) for (const name of names) add(on, name, given);
    else if (depth !== undefined && this.#properties.length < DEEPEST) this.#properties.push({ depth, names, on, text: '' });
  }

  text(text: string): void {
    for (const property of this.#properties) property.text += text;
  }

  close(depth: number): void {
    while (this.#properties.at(-1)?.depth === depth) {
      const property = this.#properties.pop();
      if (property && property.text.trim() !== '') for (const name of property.names) add(property.on, name, property.text);
    }
    while (this.#scopes.at(-1)?.depth === depth) this.#scopes.pop();
  }
}

/** Names without the address or prefix that stands before them. */
function namesOf(written: string | undefined): string[] {
  return (written ?? '')
    .split(/\s+/)
    .map((name) => name.replace(/^.*[/#:]/, ''))
    .filter((name) => name !== '');
}

function add(node: Record<string, unknown>, name: string, value: unknown): void {
  const there = node[name];
  if (there === undefined) node[name] = value;
  else if (Array.isArray(there)) there.push(value);
  else node[name] = [there, value];
}
