import { INK, cardFacts, spokenFigure, webAddress, type CardContent, type CardFigure } from '@portiona/core';
import type { CSSProperties } from 'react';

/** Fonts of the page it stands in, or near to the card's own. */
const SERIF = 'Literata, Georgia, serif';
const FIGURES: ReadonlySet<string> = new Set(['protein', 'carbohydrate', 'fat', 'fibre']);

const LOOK = {
  piece: {
    maxWidth: 420,
    padding: '16px 18px',
    border: `1px solid ${INK.tear}`,
    borderTop: `2px dashed ${INK.tear}`,
    background: INK.ticket,
    color: INK.ink,
    font: '400 15px/1.4 "Hanken Grotesk", system-ui, sans-serif',
    fontVariantNumeric: 'tabular-nums lining-nums',
  },
  series: { margin: 0, color: INK.damson, fontWeight: 600, fontSize: 13 },
  title: { margin: '2px 0 6px', font: `600 22px/1.15 ${SERIF}` },
  facts: { margin: '0 0 10px', color: INK.ink2, fontSize: 14 },
  large: { margin: 0, font: `600 40px/1.1 ${SERIF}` },
  small: { font: '400 15px "Hanken Grotesk", system-ui, sans-serif', color: INK.ink2 },
  row: { display: 'flex', justifyContent: 'space-between', gap: 12, padding: '4px 0', borderTop: `1px solid ${INK.ticketRule}` },
  number: { font: `600 17px/1.3 ${SERIF}` },
  foot: { margin: '10px 0 0', color: INK.ink2, fontSize: 13 },
} as const satisfies Readonly<Record<string, CSSProperties>>;

/** A card in short, for a kitchen's own site: plain HTML with its look in it, nothing that runs and nothing that is asked for. */
export function EmbedPiece({ card }: { readonly card: CardContent }) {
  const { title, series, energy, macros, used, servingName, weight, publication, address } = card;
  const url = webAddress(address);
  const rows: readonly (readonly [string, CardFigure])[] = [
    ...macros.filter(({ figure }) => FIGURES.has(figure)).map((figure) => [figure.name, figure] as const),
    ...(used ? [[`A ${servingName}, used`, used] as const] : []),
  ];
  return (
    <article style={LOOK.piece} lang="en">
      {series !== '' && <p style={LOOK.series}>{series}</p>}
      <h3 style={LOOK.title}>{title}</h3>
      <p style={LOOK.facts}>
        {cardFacts(card)
          .map(({ said, of }) => [said, of].filter(Boolean).join(' '))
          .join(', ')}
      </p>
      {energy && (
        <p style={LOOK.large}>
          {spoken(energy, false)} <span style={LOOK.small}>{`kcal, a ${servingName} of ${weight.text} g`}</span>
        </p>
      )}
      {rows.map(([name, figure]) => (
        <div key={name} style={LOOK.row}>
          <span>{name}</span>
          <b style={LOOK.number}>{spoken(figure, true)}</b>
        </div>
      ))}
      <p style={LOOK.foot}>
        Rounded estimates for healthy adults, not medical advice.
        {publication !== undefined && <> From {url === undefined ? publication : <a href={url}>{publication}</a>}.</>}
      </p>
    </article>
  );
}

function spoken(figure: CardFigure, withUnit: boolean): string {
  const { qualifier, number, unit } = spokenFigure(figure);
  return [qualifier, number, withUnit ? unit : ''].filter(Boolean).join(' ');
}
