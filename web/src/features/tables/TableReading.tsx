import { useListMappingsQuery, type FigureRowsDto, type TableLookDto, type TableReadingDto } from '../../api/api.gen';
import { Select } from '../../ui/Select';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Segmented } from '../../ui/Segmented';

/** How the person says the file is to be read; what is left out is guessed. */
export interface SaidOfTable {
  readonly encoding?: TableReadingDto['encoding'];
  readonly delimiter?: string;
  readonly headingLines?: number;
  readonly kept?: string;
  readonly rowsFor?: 'food' | 'figure';
  readonly food?: string;
  readonly figure?: string;
  readonly value?: string;
  readonly unit?: string;
}

const ENCODINGS: readonly (readonly [TableReadingDto['encoding'], string])[] = [
  ['utf-8', 'UTF-8'],
  ['utf-16le', 'UTF-16, little end first'],
  ['utf-16be', 'UTF-16, big end first'],
  ['windows-1252', 'Windows, western'],
  ['windows-1250', 'Windows, central European'],
  ['windows-1251', 'Windows, Cyrillic'],
  ['iso-8859-15', 'Latin 9'],
  ['iso-8859-2', 'Latin 2'],
  ['macintosh', 'Mac'],
  ['shift_jis', 'Japanese'],
  ['gb18030', 'Chinese'],
  ['euc-kr', 'Korean'],
];
const DELIMITERS: readonly (readonly [string, string])[] = [
  [',', 'commas'],
  [';', 'semicolons'],
  ['\t', 'tabs'],
  ['|', 'bars'],
  ['^', 'carets'],
  ['~', 'tildes'],
];

/** The columns of a table with a row for each figure, and what they say. */
const FIGURE_COLUMNS = [
  ['food', 'Same food by'],
  ['figure', 'Figure named in'],
  ['value', 'Amount in'],
  ['unit', 'Unit in'],
] as const;

/** How the letters of the file become cells, and what a row of them is. */
export function TableReading({
  look,
  said,
  onChange,
}: {
  readonly look: TableLookDto | undefined;
  readonly said: SaidOfTable;
  readonly onChange: (said: SaidOfTable) => void;
}) {
  const kept = useListMappingsQuery().data ?? [];
  const reading = look?.mapping;
  const delimiter = said.delimiter ?? reading?.delimiter ?? ',';
  return (
    <div className="reading">
      <Field label="Letters">
        <Select
          value={said.encoding ?? reading?.encoding ?? 'utf-8'}
          onChange={({ target }) => onChange({ ...said, encoding: target.value as TableReadingDto['encoding'] })}
        >
          {ENCODINGS.map(([encoding, name]) => (
            <option key={encoding} value={encoding}>
              {name}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Cells parted by">
        <Select value={delimiter} onChange={({ target }) => onChange({ ...said, delimiter: target.value })}>
          {[...DELIMITERS, ...(DELIMITERS.some(([one]) => one === delimiter) ? [] : [[delimiter, `“${delimiter}”`] as const])].map(
            ([one, name]) => (
              <option key={one} value={one}>
                {name}
              </option>
            ),
          )}
        </Select>
      </Field>
      <Field label="Lines above the foods">
        <Input
          className="num"
          type="number"
          min={0}
          max={50}
          value={said.headingLines ?? reading?.headingLines ?? 1}
          onChange={({ target }) => onChange({ ...said, headingLines: Math.max(0, Math.round(Number(target.value))) })}
        />
      </Field>
      {kept.length > 0 && (
        <Field label="As a table before">
          <Select value={said.kept ?? ''} onChange={({ target }) => onChange(target.value === '' ? {} : { kept: target.value })}>
            <option value="">guessed anew</option>
            {kept.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </Select>
        </Field>
      )}
      <div className="grid gap-0.5 text-small muted">
        A row is
        <Segmented
          label="A row is"
          value={reading?.figureRows ? 'figure' : 'food'}
          options={[
            ['food', 'a food'],
            ['figure', 'one figure of a food'],
          ]}
          onChange={(rowsFor) => onChange({ ...said, rowsFor })}
        />
      </div>
      {look && reading?.figureRows && <FigureColumns look={look} figureRows={reading.figureRows} said={said} onChange={onChange} />}
    </div>
  );
}

function FigureColumns({
  look: { ownHeadings },
  figureRows,
  said,
  onChange,
}: {
  readonly look: TableLookDto;
  readonly figureRows: FigureRowsDto;
  readonly said: SaidOfTable;
  readonly onChange: (said: SaidOfTable) => void;
}) {
  return FIGURE_COLUMNS.map(([key, label]) => (
    <Field label={label} key={key}>
      <Select
        value={figureRows[key] ?? ''}
        onChange={({ target }) => onChange({ ...said, rowsFor: 'figure', unit: '', ...figureRows, [key]: target.value })}
      >
        {key === 'unit' && <option value="">in the figure’s name</option>}
        {ownHeadings.map((heading) => (
          <option key={heading}>{heading}</option>
        ))}
      </Select>
    </Field>
  ));
}
