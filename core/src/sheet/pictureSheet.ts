import { allergenText, cardFacts, type CardContent } from '../card/index.js';
import { band } from './band.js';
import { FORMAT_TABLE, type ToLay } from './design.js';
import { titleItem } from './head.js';
import { looksAt } from './looks.js';
import type { SheetPage } from './mark.js';
import { filled } from './shapes.js';
import { drawnDown, heightOf, textItem, type Item, type Setting } from './stack.js';
import { energyGroup, figureRow, groupOf } from './ticket.js';
import { ticketBlocks, ticketHeight, TICKET_PAD } from './ticketPaper.js';
import { spreadOut } from './spreadOut.js';

const MARGIN = 60;
/** Width of the ticket, and how large its rows are against those of the docket: so that its smallest words are 29 pixels high. */
const TICKET = { width: 452, scale: 29 / 14 };
/** Share of the picture that the dish has at most and at least. */
const BAND = { most: 0.56, least: 0.3 };
/** Figures that a picture shows, those that readers ask for first. */
const SHOWN: ReadonlySet<string> = new Set(['protein', 'carbohydrate', 'fat', 'fibre']);

/** The picture: for sharing, the dish in large, its title, and a ticket with what a box delivers. */
export function pictureSheet(toLay: ToLay, setting: Setting): { readonly pages: readonly SheetPage[]; readonly scale: number } {
  const { card, photo, format } = toLay;
  const { width, height } = FORMAT_TABLE[format];
  const looks = looksAt(1);
  const ticketLooks = looksAt(TICKET.scale);
  const inner = TICKET.width - 2 * TICKET_PAD * TICKET.scale;
  const groups = groupsOf(card, inner, ticketLooks, setting);
  let count = groups.length;
  const most = height - 2 * MARGIN;
  while (count > 1 && ticketHeight(groups.slice(0, count), ticketLooks) > most) count--;
  const shown = groups.slice(0, count);
  const ticketHigh = Math.min(most, ticketHeight(shown, ticketLooks));
  const textWidth = width - 2 * MARGIN - TICKET.width - 44;
  const { items, bandHeight, scale } = textFor(card, textWidth, width, height, setting);
  const ticket = { x: width - MARGIN - TICKET.width, y: height - MARGIN - ticketHigh, width: TICKET.width, height: ticketHigh };
  const besideTicket = { x: 0, y: 0, width: ticket.x, height: bandHeight };
  const aboveTicket = { x: 0, y: 0, width, height: Math.min(bandHeight, ticket.y) };
  const clear = aboveTicket.height > 0.62 * bandHeight ? aboveTicket : besideTicket;
  const room = height - bandHeight - MARGIN - 44;
  return {
    scale,
    pages: [
      {
        blocks: [
          { role: 'Ornament', marks: [filled(0, 0, width, height, 'paper')] },
          ...band(
            card,
            { x: 0, y: 0, width, height: bandHeight, clear },
            width === height ? 'square' : 'upright',
            photo,
            looksAt(1.6),
            setting,
          ),
          ...drawnDown(spreadOut(items, room, 26), MARGIN, bandHeight + 44),
          ...ticketBlocks(shown, ticket, ticketLooks),
        ],
        filled: Math.min(1, heightOf(items) / room),
      },
    ],
  };

  /** The text at the largest size at which it and the dish both have room. */
  function textFor(of: CardContent, wide: number, across: number, high: number, to: Setting) {
    const minimal = BAND.least * high;
    for (const size of [76, 72, 68, 64, 60, 56, 52, 48, 44]) {
      const lines = textItems(of, wide, size, to);
      const bandHigh = Math.min(BAND.most * high, high - heightOf(lines) - MARGIN - 44);
      if (bandHigh >= (across === high ? 0.36 : 0.42) * high) return { items: lines, bandHeight: bandHigh, scale: size / 76 };
    }
    const lines = textItems(of, wide, 44, to);
    return {
      items: lines,
      bandHeight: Math.max(minimal, Math.min(BAND.most * high, high - heightOf(lines) - MARGIN - 44)),
      scale: 44 / 76,
    };
  }

  function textItems(of: CardContent, wide: number, size: number, to: Setting): readonly Item[] {
    const { run } = looks;
    const facts = cardFacts(of)
      .slice(0, of.activeMinutes === undefined ? 1 : 2)
      .map(({ said, of: what }, i) => (i === 0 ? said : `${said} ${what}`));
    const freezes = of.keeps && of.keeps.freezer !== 'no' ? ['freezes'] : [];
    const signed = [of.publication ?? '', of.address ?? ''];
    return [
      ...(of.series === '' ? [] : [textItem([run(of.series, 'sansBold', 32, 'damson')], { width: wide, leading: 42 }, to)]),
      titleItem(of.title, wide, size, looks, to),
      textItem([run(`${[...facts, ...freezes].join(', ')}.`, 'serifItalic', 34, 'text')], { width: wide, leading: 46, gap: 14 }, to),
      textItem(
        [run(`${allergenText(of)} Rounded estimates, not medical advice.`, 'sans', 29, 'ink2')],
        { width: wide, leading: 38, gap: 16 },
        to,
      ),
      ...(signed[0] === '' ? [] : [textItem([run(signed[0] ?? '', 'serifBold', 34)], { width: wide, leading: 44, gap: 16 }, to)]),
      ...(signed[1] === '' ? [] : [textItem([run(signed[1] ?? '', 'sans', 30, 'ink2')], { width: wide, leading: 38, gap: 2 }, to)]),
    ];
  }
}

/** Energy and the four figures beside it; what a box costs and how it keeps. */
function groupsOf(card: CardContent, width: number, looks: ReturnType<typeof looksAt>, setting: Setting) {
  const { energyKj: _kj, ...rest } = card;
  const lean: CardContent = { ...rest, macros: card.macros.filter(({ figure }) => SHOWN.has(figure)), index: null, claims: [] };
  const { used, keeps, servingName } = card;
  const money = used ? [figureRow({ ...used, name: `A ${servingName}, used` }, { width }, looks, setting, true)] : [];
  const kept = keeps ? [keepsRow(keeps, width, looks, setting, money.length === 0)] : [];
  return [groupOf(energyGroup(lean, { width }, looks, setting)), ...([...money, ...kept].length > 0 ? [groupOf([...money, ...kept])] : [])];
}

function keepsRow(
  { fridge, freezer }: NonNullable<CardContent['keeps']>,
  width: number,
  looks: ReturnType<typeof looksAt>,
  setting: Setting,
  first: boolean,
): Item {
  const frozen = freezer !== 'no' && freezer !== 'yes';
  return figureRow(
    { figure: 'weight', name: frozen ? 'Freezer' : 'Fridge', text: frozen ? freezer : fridge, unit: '' },
    { width },
    looks,
    setting,
    first,
  );
}
