import {
  cardPriceText,
  cardSmallPrint,
  leadOf,
  schemaOrgRecipe,
  numbersKept,
  unbroken,
  wayLead,
  type CardContent,
  type CardFigure,
  type CardLine,
  type CardRun,
} from '@portiona/core';
import { cardFaceRules } from '../sheets/drawnSvg.js';
import { cardStyle, type Paper } from './cardStyle.js';
import { scriptSafe } from './scriptSafe.js';

/** A card as a page that needs nothing from anywhere: style, fonts and schema.org data inside. */
export function CardPage({ card, paper }: { readonly card: CardContent; readonly paper: Paper }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{card.title}</title>
        <style dangerouslySetInnerHTML={{ __html: cardFaceRules() + cardStyle(paper) }} />
        <script type="application/ld+json" dangerouslySetInnerHTML={{ __html: scriptSafe(schemaOrgRecipe(card)) }} />
      </head>
      <body>
        <article className="card">
          <Strip card={card} />
          <div className="main">
            {card.series !== '' && <span className="series">{card.series}</span>}
            <h1>{card.title}</h1>
            <p className="lead">{leadOf(card)}</p>
            <div className={card.sections.length === 1 ? 'ing one' : 'ing'}>
              {card.sections.map((section) => (
                <section key={section.name}>
                  <h2>
                    {section.name}
                    {section.served === 'table' && ', at the table'}
                    {section.served === 'optional' && ', if you like'}
                  </h2>
                  <ul>
                    {section.lines.map((line) => (
                      <Ingredient key={line.at} line={line} />
                    ))}
                  </ul>
                </section>
              ))}
            </div>
            {card.steps.length > 0 && <h2>Method</h2>}
            <ol className="steps">
              {card.steps.map((step, i) => (
                <li key={i}>
                  <span>
                    {step.part !== '' && <i>{step.part}. </i>}
                    <Runs runs={step.runs} />
                    {(step.or ?? []).map((way, w) => (
                      <span key={w} className="way">
                        <i>{wayLead(way.name)}</i> <Runs runs={way.runs} />
                      </span>
                    ))}
                  </span>
                </li>
              ))}
            </ol>
            <Keep card={card} />
          </div>
        </article>
      </body>
    </html>
  );
}

function Strip({ card }: { readonly card: CardContent }) {
  return (
    <aside className="strip" aria-label="Figures">
      <span className="k">
        One {card.servingName}, <Figure figure={card.weight} bare /> g
      </span>
      {card.energy && (
        <span className={card.energy.text.includes(' ') ? 'v' : 'v big'}>
          <Figure figure={card.energy} />
        </span>
      )}
      <span className="k">of that energy</span>
      <span
        className="split"
        role="img"
        aria-label={card.energyShares.map(({ of, share }) => `${Math.round(share * 100)} % ${of}`).join(', ')}
      >
        {card.energyShares.map(({ of, share }) => (
          <b key={of} className={of} style={{ width: `${(share * 100).toFixed(2)}%` }} />
        ))}
      </span>
      {card.macros.map((macro) => (
        <Row key={macro.figure} figure={macro} />
      ))}
      {card.index && <Row figure={card.index} />}
      <hr />
      <span className="k">Into each {card.servingName}</span>
      <span className="v">
        {card.intoEachBox.map(({ grams, part }) => (
          <span key={part}>
            {grams}
            <small>g {part.toLowerCase()}</small>
            <br />
          </span>
        ))}
      </span>
      {(card.used || card.till) && <hr />}
      {card.used && <Money figure={card.used} label="Costs, used" />}
      {card.till && <Money figure={card.till} label={`at the till for all ${card.servings}`} />}
      {card.prices && <span className="k">{cardPriceText(card)}</span>}
      {card.topping && (
        <>
          <hr />
          <span className="k">With {card.topping.name.toLowerCase()}</span>
          {card.topping.figures.map((figure) => (
            <span key={figure.figure} className="v">
              <span>{figure.text}</span>
              <small>{figure.figure === 'energyKcal' ? figure.unit : `${figure.unit} ${figure.name.toLowerCase()}`}</small>
            </span>
          ))}
        </>
      )}
    </aside>
  );
}

function Row({ figure }: { readonly figure: CardFigure }) {
  return (
    <>
      <span className="k">{figure.name}</span>
      <span className={figure.text.includes(' ') ? 'v least' : 'v'}>
        <Figure figure={figure} />
      </span>
    </>
  );
}

function Money({ figure, label }: { readonly figure: CardFigure; readonly label: string }) {
  return (
    <>
      <span className="k">{label}</span>
      <span className={figure.text.includes(' ') ? 'v least' : 'v'}>
        <data data-figure={figure.figure} value={figure.text}>
          {figure.unit} {figure.text}
        </data>
      </span>
    </>
  );
}

/** A figure with its unit; the application turns it into a way to its working. */
function Figure({ figure, bare = false }: { readonly figure: CardFigure; readonly bare?: boolean }) {
  return (
    <>
      <data data-figure={figure.figure} value={figure.text}>
        {figure.text}
      </data>
      {!bare && figure.unit !== '' && <small>{figure.unit}</small>}
    </>
  );
}

function Ingredient({ line }: { readonly line: CardLine }) {
  const toTaste = line.amount === 'to taste';
  return (
    <li>
      {!toTaste && line.amount !== '' && <b>{line.amount} </b>}
      {line.food}
      {toTaste && ', to taste'}
      {line.note !== '' && `, ${line.note}`}
      {line.optional && ', optional'}
      {line.allergens.length > 0 && (
        <>
          {' '}
          (<b>{line.allergens.join(', ')}</b>)
        </>
      )}
      {line.second !== '' && (
        <>
          {' '}
          <i>{unbroken(line.second)}</i>
        </>
      )}
    </li>
  );
}

function Keep({ card }: { readonly card: CardContent }) {
  const { fridge, freezer, reheat } = card.cautions;
  return (
    <>
      <div className="keep">
        {[
          ['Fridge', fridge],
          ['Freezer', freezer],
          ['Reheat', reheat],
        ].map(([name, text]) => (
          <div key={name}>
            <h3>{name}</h3>
            <p>{text}</p>
          </div>
        ))}
      </div>
      <p className="small">{cardSmallPrint(card)}</p>
    </>
  );
}

function Runs({ runs }: { readonly runs: readonly CardRun[] }) {
  return <>{runs.map(({ text, strong }, r) => (strong ? <b key={r}>{numbersKept(text)}</b> : numbersKept(text)))}</>;
}
