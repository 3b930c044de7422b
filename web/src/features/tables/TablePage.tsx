import { cutText } from '@portiona/core';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useDispatch } from 'react-redux';
import {
  api,
  useCancelTableMutation,
  useGetTableQuery,
  useLookAtTableQuery,
  usePreviewTableMutation,
  useTakeTableMutation,
  type ColumnMappingDto,
  type RowWaysDto,
  type TableImportDto,
  type TableLookDto,
  type TableReadingDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { numberText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { ColumnRow, isUnitUnsaid } from './ColumnRow';
import { TableReading, type SaidOfTable } from './TableReading';
import { TableTicket } from './TableTicket';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Segmented } from '../../ui/Segmented';
import '../../ui/beside.css';
import './tables.css';

/** A food table that was brought: how it is read, what each column holds, and what comes of it. */
export function TablePage() {
  const { tableId = '' } = useParams();
  const [said, setSaid] = useState<SaidOfTable>({});
  const [running, setRunning] = useState(false);
  const { data: table, error: lost } = useGetTableQuery({ id: tableId }, { pollingInterval: running ? 400 : 0 });
  const waits = table?.state === 'running';
  if (running !== waits && table) setRunning(waits);
  const { currentData: look, error } = useLookAtTableQuery({ id: tableId, ...said }, { skip: !table || waits || table.state === 'done' });
  if (lost) return <Lost text={problemText(problemOf(lost))} />;
  if (!table) return <main className="page" aria-busy="true" />;
  return (
    <main className="pantry">
      <div className="page">
        <div className="page-head">
          <h1>{table.fileName}</h1>
          <span className="muted">{numberText(Math.max(1, table.bytes / 1024), 0)} kB</span>
          <Button asChild kind="quiet">
            <Link className="ml-auto" to="/pantry/bring">
              Bring another
            </Link>
          </Button>
        </div>
        {error && (
          <Remark tone="bad" className="mb-3" role="alert">
            {problemText(problemOf(error))}
          </Remark>
        )}
        {look || error ? <TableReading look={look} said={said} onChange={setSaid} /> : null}
        {!look && !error && table.state !== 'done' && !waits && <p className="muted">Looking at the table.</p>}
      </div>
      <Mapping key={look ? JSON.stringify([said, look.columns.length]) : 'none'} table={table} look={look} />
    </main>
  );
}

/** Characters of a table's name, at most. */
const LONGEST_NAME = 60;

function Mapping({ table, look }: { readonly table: TableImportDto; readonly look: TableLookDto | undefined }) {
  const [mapping, setMapping] = useState(look?.mapping);
  const [all, setAll] = useState(false);
  const [ways, setWays] = useState<RowWaysDto>({});
  const [name, setName] = useState(table.tableName ?? look?.fromKept ?? cutText(table.fileName.replace(/\.[a-z]+$/i, ''), LONGEST_NAME));
  const [preview, { data: tried, error, isLoading }] = usePreviewTableMutation();
  const [take] = useTakeTableMutation();
  const [cancel] = useCancelTableMutation();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const say = useToast();
  // The whole table is tried once the person pauses: what comes of a mapping is seen, not guessed.
  useEffect(() => {
    if (!mapping || table.state === 'running' || table.state === 'done') return;
    const timer = setTimeout(
      () => void preview({ id: table.id, takeTableDto: { name: name.trim() || 'table', mapping: takenOf(mapping), doubtful: ways } }),
      500,
    );
    return () => clearTimeout(timer);
  }, [mapping, ways, name, preview, table.id, table.state]);
  // Once it is in, every list of foods is another.
  useEffect(() => {
    if (table.state === 'done') dispatch(api.util.invalidateTags(['foods', 'kitchen', 'recipes']));
  }, [table.state, dispatch]);
  const trouble = error ? problemText(problemOf(error)) : '';
  const mappedOf = (heading: string) => mapping?.columns.find((one) => one.heading === heading);
  // What was read of a column's unit holds while it holds what it was read as.
  const readOf = (heading: string) => {
    const wasTarget = look?.mapping.columns.find((one) => one.heading === heading)?.target;
    return mappedOf(heading)?.target === wasTarget ? look?.units.find((one) => one.heading === heading) : undefined;
  };
  // Other columns make other rows doubtful: what was said of them is said of those it was said of.
  const remap = (next: TableReadingDto) => {
    setMapping(next);
    setWays({});
  };
  const taken = new Set(mapping?.columns.map(({ target }) => target));
  const map = (heading: string, mapped: ColumnMappingDto | undefined) =>
    mapping && remap({ ...mapping, columns: [...mapping.columns.filter((one) => one.heading !== heading), ...(mapped ? [mapped] : [])] });
  const shown = look?.columns.filter(({ heading }) => all || mappedOf(heading)) ?? [];
  const rest = (look?.columns.length ?? 0) - shown.length;
  const busy = table.state === 'running' || table.state === 'done';
  return (
    <>
      {look && mapping && !busy && (
        <section className="page below" aria-label="Columns">
          {look.missing.length > 0 && (
            <Remark tone="bad" className="mb-2">
              <span aria-hidden>▲</span> Not in this table: {look.missing.join(', ')}. Choose the columns that took their place.
            </Remark>
          )}
          <div className="flex items-center gap-4 mb-2 flex-wrap">
            <Segmented
              label="Decimals"
              value={mapping.decimal}
              options={[
                ['.', '1.5'],
                [',', '1,5'],
              ]}
              onChange={(decimal) => remap({ ...mapping, decimal })}
            />
            {!taken.has('basis') && (
              <Segmented
                label="Figures are for"
                value={mapping.per.unit}
                options={[
                  ['g', 'per 100 g'],
                  ['ml', 'per 100 ml'],
                ]}
                onChange={(unit) => remap({ ...mapping, per: { amount: 100, unit } })}
              />
            )}
            <span className="muted">
              {takenOf(mapping).columns.length} of {look.columns.length} columns taken
            </span>
            {!taken.has('code') && (
              <span className="evidence">
                <span aria-hidden>△</span> No column is a code: the next edition will find these foods by their names.
              </span>
            )}
          </div>
          <Ledger className="columns">
            <LedgerRow heads>
              <span>column</span>
              <span>as it stands</span>
              <span>holds</span>
              <span>in</span>
            </LedgerRow>
            {shown.map((column) => (
              <ColumnRow
                key={column.heading}
                column={column}
                mapped={mappedOf(column.heading)}
                read={readOf(column.heading)}
                taken={taken}
                onMap={(mapped) => map(column.heading, mapped)}
              />
            ))}
          </Ledger>
          {(rest > 0 || all) && (
            <Button kind="quiet" className="mt-2" onClick={() => setAll(!all)}>
              {all ? 'Only what is taken' : `Show the ${rest} columns that are not taken`}
            </Button>
          )}
        </section>
      )}
      <aside className="tag" aria-label="Taking it in">
        <TableTicket
          table={table}
          preview={tried}
          trying={isLoading || (!tried && trouble === '' && look !== undefined)}
          trouble={trouble}
          unsaid={mapping?.columns.filter(isUnitUnsaid).map(({ heading }) => heading) ?? []}
          doubted={
            look?.units
              .filter(({ heading, against, unit }) => against !== undefined && readOf(heading) && mappedOf(heading)?.unit === unit)
              .map(({ heading }) => heading) ?? []
          }
          ways={ways}
          onWays={setWays}
          name={name}
          onName={setName}
          onTake={(keepMapping) => {
            if (!mapping) return;
            take({ id: table.id, takeTableDto: { name: name.trim(), mapping: takenOf(mapping), keepMapping, doubtful: ways } })
              .unwrap()
              .catch((problem: unknown) => say(problemText(problemOf(problem))));
          }}
          onStop={() =>
            void cancel({ id: table.id })
              .unwrap()
              .then(() => say('Stopped. The pantry is as it was.'))
              .catch((problem: unknown) => say(problemText(problemOf(problem))))
          }
        />
        {!busy && (
          <Button
            kind="quiet"
            className="mt-6"
            onClick={() =>
              void cancel({ id: table.id })
                .unwrap()
                .then(() => navigate('/pantry/bring'))
            }
          >
            Forget this file
          </Button>
        )}
      </aside>
    </>
  );
}

/** What is taken of a mapping: a column whose unit nobody has said is not. */
function takenOf(mapping: TableReadingDto): TableReadingDto {
  return { ...mapping, columns: mapping.columns.filter((column) => !isUnitUnsaid(column)) };
}

function Lost({ text }: { readonly text: string }) {
  return (
    <main className="page">
      <div className="empty" role="alert">
        <h2>This table is not here</h2>
        <p className="muted mb-4">{text}</p>
        <Button asChild kind="main">
          <Link to="/pantry/bring">Bring it again</Link>
        </Button>
      </div>
    </main>
  );
}
