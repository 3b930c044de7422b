import { asRead, cardSeries, spokenText, type CardContent } from '../card/index.js';
import type { CardSeries } from '../recipe/index.js';
import {
  FORMAT_TABLE,
  laidCard,
  type Block,
  type CardSheet,
  type Edition,
  type Format,
  type PictureSize,
  type SheetPage,
  type Typesetter,
} from '../sheet/index.js';
import { headedPages, folioBlock, type Row } from './listPages.js';
import { mainFoods } from './mainFoods.js';
import { titlePage } from './titlePage.js';

/** Formats that a booklet is bound in. */
export const BOOKLET_FORMATS = ['a5', 'a4', 'letter'] as const satisfies readonly Format[];
export type BookletFormat = (typeof BOOKLET_FORMATS)[number];

/** A card that is to be bound. */
export interface BookletCard {
  readonly card: CardContent;
  readonly edition?: Edition;
  readonly photo?: PictureSize;
  readonly indexedUnder?: readonly string[];
}

/** A card that is laid out for a booklet. */
export interface BoundCard extends Omit<BookletCard, 'photo'> {
  readonly sheet: CardSheet;
}

/** What stands on the title page. */
export interface BookletTitle extends CardSeries {
  readonly publication: string;
  readonly address?: string;
  readonly mark?: string;
  /** "30 Nov 2026". */
  readonly on: string;
}

/** A page of a booklet. */
export interface BookletPage extends SheetPage {
  /** What leads here: a card, or one of the lists. */
  readonly anchor?: string;
}

/** A booklet, page by page: title, contents, cards, indexes. */
export interface Booklet {
  readonly title: string;
  readonly width: number;
  readonly height: number;
  readonly pages: readonly BookletPage[];
  /** Its parts, for who leafs through it: name, and the page it begins on, from 0. */
  readonly outline: readonly { readonly name: string; readonly page: number }[];
}

/** Lays a card out for a booklet. */
export function boundCard({ photo, ...bound }: BookletCard, format: BookletFormat, set: Typesetter): BoundCard {
  const { card, edition } = bound;
  return { ...bound, sheet: laidCard({ card, format, set, ...(edition ? { edition } : {}), ...(photo ? { photo } : {}) }) };
}

/**
 * Binds cards: a title page, the contents, the cards in their order, an index by main food and one by energy; pages are numbered from
 * the title page on, which is page 1 and bears no number.
 *
 * @param cards in their order
 */
export function boundBooklet(title: BookletTitle, cards: readonly BoundCard[], format: BookletFormat, set: Typesetter): Booklet {
  const { width, height } = FORMAT_TABLE[format];
  const setting = { set, torn: new Set<string>() };
  const look = { width, height, setting };
  // How long the contents are does not hang on what page numbers they name: they are all as wide.
  const contentsOf = (first: number) => headedPages('Contents', 'contents', contentRows(cards, pagesFrom(cards, first)), look);
  const before = 1 + contentsOf(0).length;
  const starts = pagesFrom(cards, before);
  const end = starts.at(-1) === undefined ? before : (starts.at(-1) ?? 0) + (cards.at(-1)?.sheet.pages.length ?? 0);
  const foods = headedPages('By what is in it', 'foods', foodRows(cards, starts), look);
  const energy = headedPages('By energy', 'energy', energyRows(cards, starts), look);
  const contents = contentsOf(before);
  const pages: BookletPage[] = [
    titlePage(title, cards.length, look),
    ...contents,
    ...cards.flatMap(({ sheet }, i) => sheet.pages.map((page, n): BookletPage => (n === 0 ? { ...page, anchor: anchorOf(i) } : page))),
    ...foods,
    ...energy,
  ];
  return {
    title: title.name,
    width,
    height,
    pages: pages.map((page, i) => (i === 0 ? page : numbered(page, i + 1, look))),
    outline: [
      { name: 'Contents', page: 1 },
      ...cards.map(({ card }, i) => ({ name: card.title, page: starts[i] ?? 0 })),
      ...(foods.length > 0 ? [{ name: 'By what is in it', page: end }] : []),
      ...(energy.length > 0 ? [{ name: 'By energy', page: end + foods.length }] : []),
    ],
  };
}

/** What a card's first page is led to by. */
function anchorOf(i: number): string {
  return `card-${i + 1}`;
}

/** The page, from 0, that each card begins on. */
function pagesFrom(cards: readonly BoundCard[], first: number): readonly number[] {
  let page = first;
  return cards.map(({ sheet }) => {
    const begins = page;
    page += sheet.pages.length;
    return begins;
  });
}

function contentRows(cards: readonly BoundCard[], starts: readonly number[]): readonly Row[] {
  return cards.map(({ card }, i) => {
    const { number } = cardSeries(card.series);
    return {
      before: number === undefined ? '' : String(number),
      name: card.title,
      under: card.lead,
      said: figuresOf(card),
      page: (starts[i] ?? 0) + 1,
      to: anchorOf(i),
    };
  });
}

function foodRows(cards: readonly BoundCard[], starts: readonly number[]): readonly Row[] {
  const rows = cards.flatMap(({ card, indexedUnder }, i) =>
    mainFoods(card, indexedUnder).names.map((food) => ({ food, title: card.title, i })),
  );
  rows.sort((a, b) => a.food.localeCompare(b.food, 'en') || a.i - b.i);
  return rows.map(({ food, title, i }, n) => ({
    head: rows[n - 1]?.food.toLowerCase() === food.toLowerCase() ? '' : food,
    name: title,
    said: [],
    page: (starts[i] ?? 0) + 1,
    to: anchorOf(i),
  }));
}

/** From least to most; a card that prints no energy stands last, and says so. */
function energyRows(cards: readonly BoundCard[], starts: readonly number[]): readonly Row[] {
  const rows = cards.map(({ card }, i) => ({ card, i, amount: Number(/\d+(?:\.\d+)?/.exec(card.energy?.text ?? '')?.[0] ?? Infinity) }));
  rows.sort((a, b) => (a.amount === b.amount ? a.i - b.i : a.amount - b.amount));
  return rows.map(({ card, i }) => ({ name: card.title, said: figuresOf(card), page: (starts[i] ?? 0) + 1, to: anchorOf(i) }));
}

/** Energy and protein of a box as the card prints them. */
function figuresOf(made: CardContent): readonly string[] {
  const { energy, macros } = asRead(made);
  const protein = macros.find(({ figure }) => figure === 'protein');
  return [energy ? spokenText(energy) : '–', protein ? spokenText(protein) : '–'];
}

/** A page with its number at its foot, at the outer edge. */
function numbered(page: BookletPage, number: number, look: Parameters<typeof titlePage>[2]): BookletPage {
  const folio: Block = folioBlock(String(number), number % 2 === 0 ? 'left' : 'right', look);
  return { ...page, blocks: [...page.blocks, folio] };
}
