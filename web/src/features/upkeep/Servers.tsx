import type { ServerDto } from '../../api/api.gen';
import { dayAndTime } from '../account/dayAndTime';
import { ageText } from './ageText';

const ROLES: Readonly<Record<string, string>> = { both: 'answers, and does jobs', serve: 'answers', work: 'does jobs' };

interface ServersProps {
  readonly servers: readonly ServerDto[];
  /** Milliseconds. */
  readonly now: number;
}

/** What runs, and how quick it has been; statements that took the database long. */
export function Servers({ servers, now }: ServersProps) {
  const slow = servers.flatMap(({ host, slow: own }) => own.map((one) => ({ host, ...one }))).toSorted((a, b) => (a.at < b.at ? 1 : -1));
  return (
    <section className="upkeep-part" aria-labelledby="upkeep-servers">
      <h2 id="upkeep-servers">What runs</h2>
      {/* On a phone it scrolls: by keys, too. */}
      <div className="upkeep-scroll" role="region" aria-label="Servers" tabIndex={0}>
        <table className="upkeep-table">
          <thead>
            <tr>
              <th scope="col">Server</th>
              <th scope="col" className="count">
                Up
              </th>
              <th scope="col" className="count">
                Requests, lately
              </th>
              <th scope="col" className="count">
                Half within
              </th>
              <th scope="col" className="count">
                95 % within
              </th>
              <th scope="col" className="count">
                99 % within
              </th>
              <th scope="col" className="count">
                Memory
              </th>
            </tr>
          </thead>
          <tbody>
            {servers.map(({ id, host, role, here, alive, startedAt, seenAt, version, lately, memory }) => (
              <tr key={id} className={alive ? undefined : 'gone'}>
                <th scope="row" title={`version ${version}`}>
                  {host}
                  <small>{alive ? `${ROLES[role] ?? role}${here ? '; tells you this' : ''}` : `no sign since ${dayAndTime(seenAt)}`}</small>
                </th>
                <td className="count">{alive ? ageText(startedAt, now) : ''}</td>
                <td className="count">
                  {lately ? lately.requests : ''}
                  {lately && lately.refused > 0 && <small>{lately.refused} told to come again</small>}
                </td>
                <td className="count">{lately ? milliseconds(lately.p50) : ''}</td>
                <td className="count">{lately ? milliseconds(lately.p95) : ''}</td>
                <td className="count">{lately ? milliseconds(lately.p99) : ''}</td>
                <td className="count">{memory} MB</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {slow.length > 0 && (
        <details className="upkeep-slow">
          <summary>{slow.length === 1 ? 'A statement' : `${slow.length} statements`} that took the database long</summary>
          <ol>
            {slow.map(({ host, at, milliseconds: took, text }) => (
              <li key={`${host} ${at} ${text}`}>
                <span>
                  {milliseconds(took)}, {dayAndTime(at)}, {host}
                </span>
                <code>{text}</code>
              </li>
            ))}
          </ol>
        </details>
      )}
    </section>
  );
}

function milliseconds(found: number): string {
  return found < 10 ? `${found.toFixed(1)} ms` : found < 10_000 ? `${Math.round(found)} ms` : `${Math.round(found / 1000)} s`;
}
