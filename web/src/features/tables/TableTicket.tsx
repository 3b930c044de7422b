import { useState } from 'react';
import { Link } from 'react-router';
import { per100gOf, type Food } from '@portiona/core';
import type { RowWaysDto, TableImportDto, TablePreviewDto, TableResultDto } from '../../api/api.gen';
import { DoubtfulRows } from './DoubtfulRows';
import { numberText, percentText } from '../../ui/numberText';
import { Remark } from '../../ui/Remark';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';

interface TableTicketProps {
  readonly table: TableImportDto;
  readonly preview: TablePreviewDto | undefined;
  readonly trying: boolean;
  /** Why it cannot be tried as it is mapped. */
  readonly trouble: string;
  readonly name: string;
  readonly onName: (name: string) => void;
  /** Headings of columns whose unit nobody has said: they are not taken. */
  readonly unsaid: readonly string[];
  /** Headings whose unit the figures speak against. */
  readonly doubted: readonly string[];
  /** What is to be done with rows that cannot be right. */
  readonly ways: RowWaysDto;
  readonly onWays: (ways: RowWaysDto) => void;
  readonly onTake: (keepMapping: boolean) => void;
  readonly onStop: () => void;
}

/** What taking the table in would do, and then how it goes. */
export function TableTicket({
  table,
  preview,
  trying,
  trouble,
  name,
  onName,
  unsaid,
  doubted,
  ways,
  onWays,
  onTake,
  onStop,
}: TableTicketProps) {
  const [keep, setKeep] = useState(true);
  if (table.state === 'running') return <Running table={table} onStop={onStop} />;
  if (table.state === 'done' && table.result) return <Done table={table} result={table.result} />;
  const foods = preview ? preview.added + preview.changed : 0;
  const undecided = preview?.doubtful.filter(({ kind }) => ways[kind] === undefined) ?? [];
  return (
    <>
      <h2>
        <span>What comes of it</span>
        <span className="font-normal faint" role="status">
          {trying ? 'reading the whole table' : ''}
        </span>
      </h2>
      {table.message && <Remark tone="bad">{table.message}</Remark>}
      {trouble !== '' && (
        <Remark tone="bad" role="alert">
          {trouble}
        </Remark>
      )}
      {preview && trouble === '' && <Counts result={preview} />}
      {preview && trouble === '' && (
        <Remark tone={preview.soundness === '' ? undefined : 'bad'} className="mt-2">
          <span aria-hidden>{preview.soundness === '' ? '✓' : '✕'}</span>{' '}
          {preview.soundness === ''
            ? 'Energy and macronutrients of the foods agree: those columns and their units are what they are taken for.'
            : preview.soundness}
        </Remark>
      )}
      {unsaid.length > 0 && (
        <Remark tone="warn" className="mt-2">
          <span aria-hidden>△</span> Not taken, since nobody has said in what unit it is: {unsaid.join(', ')}.
        </Remark>
      )}
      {doubted.length > 0 && (
        <Remark tone="warn" className="mt-2">
          <span aria-hidden>△</span> Figures that speak against the unit they are taken in: {doubted.join(', ')}.
        </Remark>
      )}
      {preview && trouble === '' && <DoubtfulRows doubtful={preview.doubtful} ways={ways} onWays={onWays} />}
      <Field label="Name of the table" className="mt-3">
        <Input value={name} maxLength={60} onChange={({ target }) => onName(target.value)} />
      </Field>
      <label className="flex gap-2 items-center text-small muted mt-1.5">
        <input type="checkbox" checked={keep} onChange={({ target }) => setKeep(target.checked)} /> Keep this mapping for its next edition
      </label>
      <p className="mt-3 flex gap-3 items-center">
        <Button
          kind="main"
          disabled={trying || trouble !== '' || name.trim() === '' || !preview || undecided.length > 0 || foods + preview.unchanged === 0}
          onClick={() => onTake(keep)}
        >
          {preview && foods === 0 && preview.unchanged > 0 ? 'Nothing new: take it in again' : `Take in ${numberText(foods, 0)} foods`}
        </Button>
      </p>
      {undecided.length > 0 && trouble === '' && (
        <p className="asks-small">Say first what is to be done with the rows that cannot be right.</p>
      )}
      {preview && <Faults preview={preview} />}
      {preview && preview.sample.length > 0 && <Sample foods={preview.sample.map(({ document }) => document as Food)} />}
    </>
  );
}

function Counts({ result }: { readonly result: TableResultDto }) {
  const rows: readonly (readonly [number, string])[] = [
    [result.added, 'new'],
    [result.changed, 'written anew: the table says something else now'],
    [result.unchanged, 'as they are'],
    [result.own, 'made your own since: left alone'],
    [result.leftOut, 'rows left out'],
  ];
  return (
    <div className="counts">
      {rows
        .filter(([count], i) => count > 0 || i === 0)
        .map(([count, what]) => (
          <p key={what}>
            <b className="num">{numberText(count, 0)}</b> <span className="muted">{what}</span>
          </p>
        ))}
    </div>
  );
}

function Faults({ preview: { faults, firstFaults, noted } }: { readonly preview: TablePreviewDto }) {
  return (
    <>
      {noted > 0 && (
        <p className="faint text-small mt-3">
          {numberText(noted, 0)} cells are traces, “less than” (taken as half), in brackets or marked; a trace is taken as none.
        </p>
      )}
      {faults > 0 && (
        <>
          <h2>
            <span>To look at</span>
            <span className="font-normal faint">
              {numberText(faults, 0)} {faults === 1 ? 'cell' : 'cells'}
              {faults > firstFaults.length && `, the first ${firstFaults.length}`}
            </span>
          </h2>
          <ul className="faults" tabIndex={0} aria-label="Cells to look at">
            {firstFaults.map(({ row, heading, message }, i) => (
              <li key={i}>
                <span className="faint">row {row}</span> <b>{heading}</b> {message}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** The first foods as they would stand in the pantry. */
function Sample({ foods }: { readonly foods: readonly Food[] }) {
  return (
    <>
      <h2>
        <span>The first foods, per 100 g</span>
      </h2>
      <table className="sample">
        <thead>
          <tr>
            <th>food</th>
            <th>kcal</th>
            <th>prot.</th>
            <th>carb.</th>
            <th>fat</th>
            <th>salt</th>
          </tr>
        </thead>
        <tbody>
          {foods.slice(0, 6).map((food, i) => {
            const held = per100gOf(food, 'available');
            return (
              <tr key={i}>
                <td>{food.name}</td>
                {(['energyKcal', 'protein', 'carbohydrate', 'fat', 'salt'] as const).map((figure) => (
                  <td key={figure} className="num">
                    {held[figure] === undefined ? (
                      <span className="faint">?</span>
                    ) : (
                      numberText(held[figure], figure === 'energyKcal' ? 0 : figure === 'salt' ? 2 : 1)
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

function Running({ table: { progress }, onStop }: { readonly table: TableImportDto; readonly onStop: () => void }) {
  const share = progress?.share ?? 0;
  return (
    <>
      <h2>
        <span>Being taken in</span>
        <span className="font-normal faint">{percentText(share)}</span>
      </h2>
      <progress className="w-full" max={1} value={share} aria-label="Taken in" />
      <p className="muted my-2" role="status">
        {numberText(progress?.rows ?? 0, 0)} foods so far. Nothing of it is in the pantry until all of it is.
      </p>
      <Button onClick={onStop}>Stop, and leave the pantry as it was</Button>
    </>
  );
}

function Done({ table, result }: { readonly table: TableImportDto; readonly result: TableResultDto }) {
  return (
    <>
      <h2>
        <span>Taken in</span>
        <span className="font-normal faint">{table.tableName}</span>
      </h2>
      <Counts result={result} />
      <Remark className="mt-2">
        <span aria-hidden>✓</span> They are found wherever you search a food, below those you cook with.
      </Remark>
      <p className="mt-3">
        <Button asChild>
          <Link to="/pantry">To the pantry</Link>
        </Button>
      </p>
    </>
  );
}
