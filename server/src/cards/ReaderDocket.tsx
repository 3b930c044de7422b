import { cardPriceText, spokenFigure, type CardContent, type CardFigure, type CardTableRow } from '@portiona/core';

const WITHIN: { readonly [figure: string]: string | undefined } = { sugars: 'of which sugars', saturates: 'of which saturates' };
const PATTERNED = new Set(['protein', 'carbohydrate', 'fat', 'fibre']);

/** What a box delivers, at the foot: the whole docket opens from it. */
export function ReaderFoot({ card }: { readonly card: CardContent }) {
  const protein = card.macros.find(({ figure }) => figure === 'protein');
  const cells = [
    ['energy', 'Energy', card.energy],
    ['protein', 'Protein', protein],
    ['used', `A ${card.servingName}, used`, card.used],
  ] as const;
  return (
    <div className="foot" data-needs-script hidden>
      <button type="button" id="open-docket" aria-haspopup="dialog">
        {cells.map(
          ([id, name, figure]) =>
            figure && (
              <span key={id}>
                {name}
                <b data-bar={id}>{spokenOf(figure)}</b>
              </span>
            ),
        )}
        <em aria-hidden="true">▴</em>
      </button>
    </div>
  );
}

function spokenOf(figure: CardFigure): string {
  const { qualifier, number, unit } = spokenFigure(figure);
  return [qualifier, number, unit].filter(Boolean).join(' ');
}

/** The whole docket of a reader's page. */
export function ReaderDocket({ card }: { readonly card: CardContent }) {
  const { energy, energyKj, energyShares, macros, index, intoEachBox, topping, used, usedForAll, till, keeps, claims = [], table } = card;
  return (
    <dialog id="docket" aria-label="Docket">
      <div className="docket-head">
        <span>
          Energy, a {card.servingName} of {card.weight.text} g
        </span>
        <button type="button" id="close-docket">
          close
        </button>
      </div>
      <p className="plain-amount" id="docket-own" hidden>
        ▲ Of the card’s own {card.servingsText}, as it is printed.
      </p>
      {energy && (
        <p className="large">
          {spokenOf({ ...energy, unit: '' })} <small>kcal{energyKj ? `, ${energyKj.text} kJ` : ''}</small>
        </p>
      )}
      {/* Widths as attributes: the page allows no style that stands in an element. */}
      <table
        className="split"
        role="img"
        aria-label={`Of the energy ${energyShares.map(({ of, share }) => `${Math.round(share * 100)} % ${of}`).join(', ')}`}
      >
        <tbody>
          <tr>
            {energyShares.map(({ of, share }) => (
              <td key={of} className={of} width={`${(share * 100).toFixed(2)}%`} />
            ))}
          </tr>
        </tbody>
      </table>
      {[...macros, ...(index ? [index] : [])].map((figure) => (
        <Row key={figure.figure} figure={figure} />
      ))}
      {claims.length > 0 && <p className="small">{claims.join(', ')}</p>}
      <hr className="tear" />
      {intoEachBox.map(({ grams, part, figures = [] }) => (
        <Said
          key={part}
          name={`Into each ${card.servingName}, ${part.toLowerCase()}`}
          said={`${grams} g`}
          note={figures.map(spokenOf).join(', ')}
        />
      ))}
      {topping?.figures.map((figure) => (
        <Said key={figure.figure} name={`${figure.name} with ${topping.name.toLowerCase()}`} said={spokenOf(figure)} />
      ))}
      {(used ?? till) && <hr className="tear" />}
      {used && <Said name={`A ${card.servingName}, used`} said={spokenOf(used)} />}
      {usedForAll && <Said name={`All ${card.servings}, ${card.hasTopping ? 'with topping' : 'used'}`} said={spokenOf(usedForAll)} />}
      {till && <Said name="At the till, whole packs" said={spokenOf(till)} />}
      {card.prices && <p className="small">{cardPriceText(card)}</p>}
      {keeps && (
        <>
          <hr className="tear" />
          <Said name="Fridge" said={keeps.fridge} />
          <Said name="Freezer" said={keeps.freezer} />
        </>
      )}
      {table && <Table rows={table} name={card.servingName} />}
    </dialog>
  );
}

function Row({ figure }: { readonly figure: CardFigure }) {
  const { qualifier, number, unit } = spokenFigure(figure);
  const within = WITHIN[figure.figure];
  return (
    <div className={within ? 'row within' : 'row'}>
      <span>
        {PATTERNED.has(figure.figure) && <i className={figure.figure} />}
        {within ?? figure.name}
      </span>
      <b>
        {qualifier !== '' && <small>{qualifier} </small>}
        {number} <small>{unit}</small>
      </b>
    </div>
  );
}

function Said({ name, said, note = '' }: { readonly name: string; readonly said: string; readonly note?: string }) {
  return (
    <div className="row">
      <span>{name}</span>
      <b>
        {said}
        {note !== '' && (
          <small>
            <br />
            {note}
          </small>
        )}
      </b>
    </div>
  );
}

function Table({ rows, name }: { readonly rows: readonly CardTableRow[]; readonly name: string }) {
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">
            <span className="said-only">Nutrient</span>
          </th>
          <th scope="col">per {name}</th>
          <th scope="col">per 100 g</th>
          <th scope="col">of a day</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.figure}>
            <th scope="row">{row.within ? `of which ${row.name.toLowerCase()}` : row.name}</th>
            <td>{row.perServing}</td>
            <td>{row.per100g}</td>
            <td>{row.daily}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
