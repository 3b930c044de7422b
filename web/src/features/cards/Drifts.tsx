import type { CardDriftDto } from '../../api/api.gen';
import { wordsChanged } from '../check/mendedWords';
import './cards.css';
import './driftWatch.css';

/** What reads otherwise on a published card than it would be printed: figures side by side, of texts the words that changed. */
export function Drifts({ drift }: { readonly drift: readonly CardDriftDto[] }) {
  return (
    <table className="drifts">
      <tbody>
        {drift.map(({ name, was, is, share }, i) => (
          <tr key={i}>
            <th scope="row">{name}</th>
            <td className={isLong(was, is) ? '' : 'num'}>
              {isLong(was, is) ? <Changed was={was} is={is} /> : `${was || 'not there'} → ${is || 'not there'}`}
            </td>
            <td className="drift-share num">{shareText(share)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** @example shareText(0.037) // '+3.7 %' */
function shareText(share: number | null): string {
  if (share === null) return '';
  const percent = Math.round(share * 1000) / 10;
  return `${percent < 0 ? '−' : '+'}${Math.abs(percent)} %`;
}

/** Letters from which on a text is shown with its changed words marked, and not as one beside the other. */
const LONG = 26;

function isLong(was: string, is: string): boolean {
  return was !== '' && is !== '' && Math.max(was.length, is.length) > LONG;
}

function Changed({ was, is }: { readonly was: string; readonly is: string }) {
  const { before, gone, come, behind } = wordsChanged(was, is);
  return (
    <span className="changed">
      {before}
      {gone !== '' && <del>{gone}</del>} {come !== '' && <ins>{come}</ins>}
      {behind}
    </span>
  );
}
