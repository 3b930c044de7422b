import {
  cardFacts,
  cardSmallPrint,
  correctionText,
  numbersKept,
  schemaOrgRecipe,
  stepSpans,
  unbroken,
  wayLead,
  type CardContent,
  type CardPublication,
  type CardRun,
  type CardSheet,
  type ReaderCard,
} from '@portiona/core';
import { pageSvg, type Photos } from '../sheets/drawnSvg.js';
import { ReaderDocket, ReaderFoot } from './ReaderDocket.js';
import { placePath, placeUrl, TAKEN_ALONG, type ReadersPlace } from './readersPlace.js';
import { READER_POLICY, READER_SCRIPT, READER_STYLE } from './readerPolicy.js';
import { scriptSafe } from './scriptSafe.js';

interface ReaderPageProps {
  /** What it is kept under in a reader's browser. */
  readonly id: string;
  readonly reader: ReaderCard;
  /** The dish alone; and the card as it is printed. */
  readonly dish: CardSheet;
  readonly printed: CardSheet;
  readonly photos: Photos;
  readonly issue: string;
  /** The card as it is for programs: its numbers plain. */
  readonly made: CardContent;
  /** When it was published, and where it and its pictures are, for programs. */
  readonly publication: CardPublication;
  /** Where it is read by anybody; left out: it is a page of its own. */
  readonly at?: { readonly place: ReadersPlace; readonly id: string };
}

/** A card as a reader's page: everything inside, for a phone beside the stove. Without its script it is still the whole card. */
export function ReaderPage({ id, reader, dish, printed, photos, issue, made, publication, at }: ReaderPageProps) {
  const { card, sizes, own } = reader;
  const lines = card.sections.flatMap((section) => section.lines);
  const data = { id, title: card.title, name: card.servingName, servings: card.servings, own, sizes };
  const ownSize = sizes[own].find(({ servings }) => servings === card.servings);
  const weighed = lines.filter(({ at }) => (ownSize?.grams[at] ?? 0) > 0);
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta httpEquiv="Content-Security-Policy" content={READER_POLICY} />
        <title>{card.title}</title>
        {at && <Shared card={card} {...at} />}
        <style dangerouslySetInnerHTML={{ __html: READER_STYLE }} />
        <script type="application/ld+json" dangerouslySetInnerHTML={{ __html: scriptSafe(schemaOrgRecipe(made, publication)) }} />
      </head>
      <body>
        <div className="printed" aria-hidden="true" dangerouslySetInnerHTML={{ __html: svgsOf(printed, photos) }} />
        <header className="top">
          <span>{at ? <a href={placePath(at.place)}>{card.publication ?? 'All cards'}</a> : (card.publication ?? '')}</span>
          <button type="button" id="awake" aria-pressed="false" hidden>
            keep the screen on
          </button>
        </header>
        <div className="dish" dangerouslySetInnerHTML={{ __html: svgsOf(dish, photos) }} />
        <main>
          {card.series !== '' && <p className="series">{card.series}</p>}
          <h1>{card.title}</h1>
          {card.lead !== '' && <p className="lead">{card.lead}</p>}
          <div className="facts">
            {cardFacts(card).map(({ said, of }) => (
              <span key={said}>
                <b>{said}</b>
                {of}
              </span>
            ))}
          </div>
          <Sizes card={card} own={own} weighed={weighed} isOneSize={sizes[own].length === 1} />
          <div className="parts">
            <Ingredients card={card} />
            <Method reader={reader} />
          </div>
          {card.correction && <p className="correction">{correctionText(card.correction)}</p>}
          <p className="small">{cardSmallPrint(card)}</p>
          <p className="small">{[issue, card.publication, card.address].filter((one) => one !== undefined && one !== '').join(', ')}</p>
          {at && (
            <p className="links">
              {TAKEN_ALONG.map(([format, kind, name]) => (
                <a key={format} href={placePath(at.place, 'cards', at.id, `${format}.${kind}`)}>
                  {`${name}, ${kind.toUpperCase()}`}
                </a>
              ))}
            </p>
          )}
          <div className="does" data-needs-script hidden>
            <button type="button" id="print">
              Print
            </button>
            <button type="button" id="untick">
              Untick all
            </button>
          </div>
        </main>
        <section id="timers" aria-label="Timers" />
        <p id="timers-said" className="note said-only" aria-live="polite" />
        <ReaderFoot card={card} />
        <ReaderDocket card={card} />
        <script type="application/json" id="card-data" dangerouslySetInnerHTML={{ __html: scriptSafe(data) }} />
        <script dangerouslySetInnerHTML={{ __html: READER_SCRIPT }} />
      </body>
    </html>
  );
}

/** What other sites show of the page, and where it is. */
function Shared({ card, place, id }: { readonly card: CardContent; readonly place: ReadersPlace; readonly id: string }) {
  const about = card.lead === '' ? card.servingsText : card.lead;
  return (
    <>
      <meta name="description" content={about} />
      <link rel="canonical" href={placeUrl(place, 'cards', id)} />
      <link rel="alternate" type="application/atom+xml" href={placePath(place, 'feed.atom')} />
      <meta property="og:type" content="article" />
      <meta property="og:title" content={card.title} />
      <meta property="og:description" content={about} />
      <meta property="og:url" content={placeUrl(place, 'cards', id)} />
      <meta property="og:image" content={placeUrl(place, 'cards', id, 'square.png')} />
    </>
  );
}

function svgsOf(sheet: CardSheet, photos: Photos): string {
  return sheet.pages.map((page) => pageSvg(sheet, page, photos, { own: false })).join('');
}

interface SizesProps {
  readonly card: CardContent;
  readonly own: ReaderCard['own'];
  readonly weighed: CardContent['sections'][number]['lines'];
  /** Nothing but its own size is known. */
  readonly isOneSize: boolean;
}

/** How many, in which measures, and by a pack that the reader has. */
function Sizes({ card, own, weighed, isOneSize }: SizesProps) {
  const units = [['written', 'as written'] as const, ['metric', 'g, ml'] as const, ['us', 'oz, cup'] as const];
  return (
    <div data-needs-script hidden>
      <div className="sizes">
        <div className="stepper">
          <button type="button" id="fewer" aria-label={`One ${card.servingName} fewer`}>
            −
          </button>
          <output id="servings" aria-live="polite">
            {card.servingsText}
          </output>
          <button type="button" id="more" aria-label={`One ${card.servingName} more`}>
            +
          </button>
        </div>
        <div className="units" role="group" aria-label="Measures">
          {units.map(([name, words]) => (
            <button key={name} type="button" data-units={name} aria-pressed={name === own}>
              {words}
            </button>
          ))}
        </div>
      </div>
      <p className="note" id="said" aria-live="polite" />
      {isOneSize && <p className="note">Other sizes are not worked out on this page.</p>}
      {weighed.length > 0 && (
        <details className="pack">
          <summary>By what I have</summary>
          <form id="pack">
            <label htmlFor="pack-grams">I have</label>
            <input id="pack-grams" inputMode="decimal" aria-label="Grams that I have" /> g of{' '}
            <select id="pack-line" aria-label="What I have">
              {weighed.map(({ at, food }) => (
                <option key={at} value={at}>
                  {food}
                </option>
              ))}
            </select>
            <button type="submit">Make it fit</button>
          </form>
          <p className="note" id="pack-said" aria-live="polite" />
        </details>
      )}
    </div>
  );
}

function Ingredients({ card }: { readonly card: CardContent }) {
  return (
    <div>
      {card.sections.map(({ name, served, lines }, s) => (
        <section key={s}>
          <h2>
            {name}
            {served === 'table' && ', at the table'}
            {served === 'optional' && ', if you like'}
          </h2>
          <ul className="lines">
            {lines.map(({ at, amount, food, note, second, allergens, optional }) => (
              <li key={at}>
                <label data-line={at}>
                  <input type="checkbox" data-tick={`line ${at}`} aria-label={`${food}: have it`} />
                  <b>{amount === 'to taste' ? '' : amount}</b>
                  <span>
                    {numbersKept(
                      [amount === 'to taste' ? `${food}, to taste` : food, note, optional ? 'optional' : ''].filter(Boolean).join(', '),
                    )}
                    {allergens.length > 0 && (
                      <>
                        {' '}
                        (<strong>{allergens.join(', ')}</strong>)
                      </>
                    )}{' '}
                    <small>{unbroken(second)}</small>
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Method({ reader: { card, steps, plainAmounts } }: { readonly reader: ReaderCard }) {
  const { cautions, servingsText } = card;
  return (
    <div>
      {steps.length > 0 && <h2>Method</h2>}
      <ul id="notes" />
      <span id="times" hidden>
        Times are those of {servingsText}: a larger batch takes longer to come to heat. Go by the sign, not by the clock.
      </span>
      <ol className="steps">
        {steps.map((step, i) => (
          <li key={i}>
            <input type="checkbox" data-tick={`step ${i}`} aria-label={`Step ${i + 1} is done`} />
            <span className="n">{i + 1}</span>
            <div>
              {step.part !== '' && <i>{step.part}. </i>}
              <Runs runs={step.runs} step={i + 1} />
              {(step.or ?? []).map((way, w) => (
                <span key={w} className="way">
                  <i>{wayLead(way.name)}</i> <Runs runs={way.runs} step={i + 1} />
                </span>
              ))}
              {plainAmounts.includes(i) && (
                <span className="plain-amount" hidden>
                  ▲ Amounts in the words of this step are for {servingsText}.
                </span>
              )}
            </div>
          </li>
        ))}
      </ol>
      <h2>Keeping</h2>
      <dl className="keep">
        {[
          ['Fridge', cautions.fridge],
          ['Freezer', cautions.freezer],
          ['Reheat', cautions.reheat],
        ].map(([name, words]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{numbersKept(words ?? '')}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** A step's words: what it mentions with an amount can change, and a time starts its timer. */
function Runs({ runs, step }: { readonly runs: readonly CardRun[]; readonly step: number }) {
  return (
    <>
      {runs.map(({ text, strong }, r) =>
        strong ? (
          <b key={r} data-mention>
            {numbersKept(text)}
          </b>
        ) : (
          <Timed key={r} words={text} step={step} />
        ),
      )}
    </>
  );
}

function Timed({ words, step }: { readonly words: string; readonly step: number }) {
  const times = stepSpans(words).flatMap((span) => (span.kind === 'time' ? [span] : []));
  let from = 0;
  const pieces = times.flatMap((time) => {
    if (time.from < from) return [];
    const before = words.slice(from, time.from);
    from = time.to;
    const minutes = typeof time.minutes === 'number' ? time.minutes : time.minutes[0];
    return [{ before, said: words.slice(time.from, time.to), minutes }];
  });
  return (
    <>
      {pieces.map(({ before, said, minutes }, i) => (
        <span key={i}>
          {numbersKept(before)}
          <button type="button" className="time" data-minutes={minutes} data-step={step} aria-label={`${said}: start a timer`}>
            {numbersKept(said)}
          </button>
        </span>
      ))}
      {numbersKept(words.slice(from))}
    </>
  );
}
