import type { QueueDto, StatusDto } from '../../api/api.gen';
import { sizeText } from '../../ui/sizeText';

const QUEUES: Readonly<Record<string, string>> = {
  'bind-cards': 'Cards bound',
  'refresh-prices': 'Shops asked',
  'take-tables': 'Food tables taken in',
  draw: 'Dishes drawn',
};
const FOLDERS: Readonly<Record<string, string>> = { tables: 'Food tables that wait', bundles: 'Booklets and archives' };

/** Work that goes on beside requests. */
export function Jobs({ jobs }: { readonly jobs: readonly QueueDto[] }) {
  const busy = jobs.filter(({ waiting, active }) => waiting + active > 0);
  return (
    <section className="upkeep-part" aria-labelledby="upkeep-jobs">
      <h2 id="upkeep-jobs">What waits</h2>
      {busy.length === 0 ? (
        <p className="muted">No job waits, and none is under way.</p>
      ) : (
        <ul className="upkeep-jobs">
          {busy.map(({ queue, waiting, active }) => (
            <li key={queue}>
              <span>{QUEUES[queue] ?? queue}</span>
              <span className="count">
                {active} under way, {waiting} waiting
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What is kept and how much room it takes; of which versions all of it is. */
export function Kept({ status }: { readonly status: StatusDto }) {
  const { database, tables, files, fileStore, room, version, engine, node, postgres, schema, kitchens, accounts, lettersLeave } = status;
  const largest = Math.max(1, ...tables.map(({ bytes }) => bytes));
  return (
    <>
      <h2>What is kept</h2>
      <dl>
        <div>
          <dt>Kitchens</dt>
          <dd>{kitchens}</dd>
        </div>
        <div>
          <dt>Accounts</dt>
          <dd>{accounts}</dd>
        </div>
        <div className="sum">
          <dt>Database</dt>
          <dd>{sizeText(database)}</dd>
        </div>
      </dl>
      <ul className="upkeep-bars" aria-label="The largest tables">
        {tables.map(({ name, bytes, rows }) => (
          <li key={name}>
            <span>{name.replaceAll('_', ' ')}</span>
            <span className="count" title={`about ${rows} rows`}>
              {sizeText(bytes)}
            </span>
            <i aria-hidden style={{ inlineSize: `${(100 * bytes) / largest}%` }} />
          </li>
        ))}
      </ul>
      <dl>
        {files.map(({ folder, files: count, bytes }) => (
          <div key={folder}>
            <dt>{FOLDERS[folder] ?? folder}</dt>
            <dd>
              {count}, {sizeText(bytes)}
            </dd>
          </div>
        ))}
        {room && (
          <div>
            <dt>Free on the disk</dt>
            <dd>
              {sizeText(room.free)} of {sizeText(room.whole)}
            </dd>
          </div>
        )}
      </dl>
      <p className="faint text-small">Files are kept in {fileStore}.</p>
      <h2>Versions</h2>
      <dl>
        <div>
          <dt>Portiona</dt>
          <dd>{version}</dd>
        </div>
        <div>
          <dt>Engine</dt>
          <dd title={engine}>{engine.slice(0, 7)}</dd>
        </div>
        <div>
          <dt>Data</dt>
          <dd title={schema}>{schema.replace(/\d{13}$/, '')}</dd>
        </div>
        <div>
          <dt>PostgreSQL</dt>
          <dd>{postgres.split(' ')[0]}</dd>
        </div>
        <div>
          <dt>Node.js</dt>
          <dd>{node.slice(1)}</dd>
        </div>
        <div>
          <dt>Letters</dt>
          <dd>{lettersLeave ? 'leave by a mail server' : 'are kept here'}</dd>
        </div>
      </dl>
    </>
  );
}
