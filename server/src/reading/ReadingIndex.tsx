import {
  asRead,
  cardFacts,
  cardSeries,
  dayText,
  spokenFigure,
  webAddress,
  type CardContent,
  type CardFigure,
  type CardSettings,
} from '@portiona/core';
import { placePath, placeUrl, type ReadersPlace } from '../cards/readersPlace.js';
import { READING_ORDERS, type OutCard, type OutGroup, type ReadingOrder } from './outCards.js';
import { STYLE_PATH } from './readingStyle.js';

interface ReadingIndexProps {
  readonly place: ReadersPlace;
  readonly kitchen: string;
  readonly card: CardSettings;
  readonly groups: readonly OutGroup[];
  readonly slugs: ReadonlyMap<string, string>;
  readonly order: ReadingOrder;
  /** The one series that is shown; undefined: all cards. */
  readonly series?: string;
}

const ORDER_NAMES: Readonly<Record<ReadingOrder, string>> = {
  series: 'by series',
  newest: 'newest',
  protein: 'most protein',
  energy: 'least energy',
  cost: 'least cost',
};

/** All that a kitchen has published, or one series of it: what each box delivers and costs, and the way to its card. */
export function ReadingIndex({ place, kitchen, card, groups, slugs, order, series }: ReadingIndexProps) {
  const { publication = kitchen, address, mark, series: said = [] } = card;
  const count = groups.reduce((sum, { cards }) => sum + cards.length, 0);
  const title = series === undefined ? publication : `${series}, ${publication}`;
  const own = series === undefined ? undefined : said.find(({ name }) => name === series);
  const home = webAddress(address);
  const here = series === undefined ? [] : ['series', slugs.get(series) ?? ''];
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{title}</title>
        <meta name="description" content={own?.subtitle ?? `Dishes cooked once and eaten from equal boxes, from ${publication}`} />
        <link rel="stylesheet" href={STYLE_PATH} />
        <link rel="canonical" href={placeUrl(place, ...here)} />
        <link rel="alternate" type="application/atom+xml" title={publication} href={placePath(place, 'feed.atom')} />
        <link rel="alternate" type="application/feed+json" title={publication} href={placePath(place, 'feed.json')} />
      </head>
      <body>
        <header className="masthead">
          {mark !== undefined && mark !== '' && (
            <span className="stamp" aria-hidden="true">
              {mark}
            </span>
          )}
          <div>
            {series === undefined ? (
              <h1>{publication}</h1>
            ) : (
              <>
                <a className="up" href={placePath(place)}>
                  {publication}
                </a>
                <h1>{series}</h1>
              </>
            )}
            {own?.subtitle !== undefined && <p className="subtitle">{own.subtitle}</p>}
            {own?.about !== undefined && own.about.split(/\n\s*\n/).map((paragraph, i) => <p key={i}>{paragraph}</p>)}
            {series === undefined && (
              <p className="count">{count === 1 ? 'One dish' : `${count} dishes`}, each cooked once and eaten from equal boxes.</p>
            )}
          </div>
        </header>
        {count > 1 && (
          <nav className="orders" aria-label="Order">
            {READING_ORDERS.map((one) =>
              one === order ? (
                <b key={one} aria-current="true">
                  {ORDER_NAMES[one]}
                </b>
              ) : (
                <a key={one} href={`${placePath(place, ...here)}${one === 'series' ? '' : `?by=${one}`}`}>
                  {ORDER_NAMES[one]}
                </a>
              ),
            )}
          </nav>
        )}
        <main>
          {count === 0 && <p className="none">Nothing is published yet.</p>}
          {groups.map((group) => (
            <section key={group.series}>
              {series === undefined && group.series !== '' && (
                <h2>
                  <a href={placePath(place, 'series', slugs.get(group.series) ?? '')}>{group.series}</a>
                </h2>
              )}
              {series === undefined && group.series === '' && order === 'series' && groups.length > 1 && <h2>More dishes</h2>}
              <ul className="tickets">
                {group.cards.map((out) => (
                  <Ticket
                    key={out.recipe}
                    place={place}
                    out={out}
                    isUnderSeries={order === 'series' || series !== undefined}
                    under={series !== undefined && order === 'series' ? 'h2' : 'h3'}
                  />
                ))}
              </ul>
            </section>
          ))}
        </main>
        <footer>
          <p>
            Figures are rounded estimates for healthy adults, not medical advice. Allergens depend on the products that you buy: read their
            labels.
          </p>
          <p>
            <a href={placePath(place, 'feed.atom')}>Feed</a> <a href={placePath(place, 'feed.json')}>JSON feed</a>
            {home !== undefined && (
              <>
                {' '}
                <a href={home}>{address}</a>
              </>
            )}
          </p>
        </footer>
      </body>
    </html>
  );
}

interface TicketProps {
  readonly place: ReadersPlace;
  readonly out: OutCard;
  /** Its series stands over it already: its number is enough. */
  readonly isUnderSeries: boolean;
  readonly under: 'h2' | 'h3';
}

function Ticket({ place, out, isUnderSeries, under: Title }: TicketProps) {
  const card = asRead(out.content);
  const { number } = cardSeries(out.content.series);
  const protein = card.macros.find(({ figure }) => figure === 'protein');
  return (
    <li>
      <a className="ticket" href={placePath(place, 'cards', out.recipe)}>
        <Picture place={place} recipe={out.recipe} card={card} />
        <span className="words">
          <span className="series">{isUnderSeries ? (number === undefined ? '' : `no. ${number}`) : card.series}</span>
          <Title>{card.title}</Title>
          {card.lead !== '' && <span className="lead">{card.lead}</span>}
          <span className="facts">
            {cardFacts(card)
              .slice(0, 3)
              .map(({ said, of }) => [said, of].filter(Boolean).join(' '))
              .join(', ')}
          </span>
        </span>
        <span className="figures">
          <Said figure={card.energy} name="" />
          <Said figure={protein} name="protein" />
          <Said figure={card.used} name={`a ${card.servingName}`} />
        </span>
        <span className="issue">
          {card.correction ? `issue ${out.issue}, corrected ` : out.issue > 1 ? `issue ${out.issue}, ` : ''}
          {dayText(out.published.slice(0, 10), true)}
        </span>
      </a>
    </li>
  );
}

function Said({ figure, name }: { readonly figure: CardFigure | undefined; readonly name: string }) {
  if (!figure) return null;
  const { qualifier, number, unit } = spokenFigure(figure);
  return (
    <span>
      {qualifier !== '' && <small>{qualifier} </small>}
      <b>{number}</b> <small>{[unit, name].filter(Boolean).join(' ')}</small>
    </span>
  );
}

/** The dish: its photo as it was cut, or the box of it, drawn. */
function Picture({
  place,
  recipe,
  card: { photo },
}: {
  readonly place: ReadersPlace;
  readonly recipe: string;
  readonly card: CardContent;
}) {
  return (
    <img
      className="dish"
      src={placePath(place, 'cards', recipe, 'dish.jpg')}
      alt={photo?.alt ?? ''}
      width="780"
      height="440"
      loading="lazy"
    />
  );
}
