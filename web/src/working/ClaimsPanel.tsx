import type { Claim, RecipeFigures } from '@portiona/core';
import { claimsHere } from './claimsHere';

const GLYPHS = { yes: '✓', no: '✕', unknown: '?' } as const;
const SETS = [
  ['eu', 'EU, per 100 g'],
  ['us', 'US, meals'],
  ['any', 'From the foods'],
] as const;

/** What a dish may be said to be, and for each claim the figures that decide. */
export function ClaimsPanel({ figures }: { readonly figures: RecipeFigures }) {
  const claims = claimsHere(figures);
  return (
    <>
      <h2>What it may claim</h2>
      <p className="intro">
        Worked out from the figures of a {figures.recipe.servingName ?? 'serving'} before anything is rounded. Nothing here is typed.
      </p>
      <table>
        {SETS.map(([set, name]) => (
          <tbody key={set}>
            <tr className="of">
              <td colSpan={3}>{name}</td>
            </tr>
            {claims
              .filter(({ rules }) => rules === set)
              .map((claim) => (
                <ClaimRow key={claim.name} claim={claim} />
              ))}
          </tbody>
        ))}
      </table>
      <p className="src mt-2">
        “Gluten free” is never worked out: it takes a laboratory and clean lines. The law of the place it is sold in decides.
      </p>
    </>
  );
}

function ClaimRow({ claim: { name, holds, because } }: { readonly claim: Claim }) {
  return (
    <tr>
      <td className={`whitespace-nowrap ${holds === 'yes' ? 'ok font-semibold' : holds === 'no' ? 'faint' : 'warn'}`}>
        <span aria-hidden>{GLYPHS[holds]}</span> {name}
      </td>
      <td className={holds === 'yes' ? 'ok' : 'faint'}>{holds}</td>
      <td className="src" style={{ fontSize: 12.5 }}>
        {because.join('; ')}
      </td>
    </tr>
  );
}
