import { useState } from 'react';
import { sheetFault, type LabelSheet } from '@portiona/core';
import { useChangeSettingsMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { NumberField } from '../../ui/NumberField';
import { useToast } from '../../ui/Toasts';

const START: LabelSheet = {
  name: '',
  page: { width: 210, height: 297 },
  columns: 2,
  rows: 6,
  cell: { width: 99, height: 42 },
  margin: { left: 4.5, top: 10 },
  gap: { across: 3, down: 4 },
};

/** A sheet of the kitchen's own: measured with a ruler, kept with its settings. */
export function SheetEditor({ own, onMade }: { readonly own: readonly LabelSheet[]; readonly onMade: (name: string) => void }) {
  const [sheet, setSheet] = useState<LabelSheet>();
  const [change] = useChangeSettingsMutation();
  const say = useToast();
  if (!sheet)
    return (
      <p className="flex gap-3">
        <Button kind="quiet" onClick={() => setSheet(START)}>
          Another sheet, by its measures
        </Button>
        {own.length > 0 && (
          <Button kind="quiet" onClick={() => setSheet(own[0])}>
            Change {own[0]?.name}
          </Button>
        )}
      </p>
    );
  const fault = sheet.name.trim() === '' ? 'give it a name' : sheetFault(sheet);
  const number = (label: string, amount: number, to: (amount: number) => LabelSheet) => (
    <NumberField label={label} amount={amount} onChange={(next) => setSheet(to(next ?? 0))} />
  );
  const keep = async () => {
    const name = sheet.name.trim();
    try {
      const labelSheets = [{ ...sheet, name }, ...own.filter((one) => one.name !== name)];
      await change({ settingsDto: { labelSheets } }).unwrap();
      onMade(name);
      setSheet(undefined);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const whole = (count: number) => Math.max(1, Math.round(count));
  return (
    <div className="sheet-editor">
      <Field label="Name of the sheet">
        <Input value={sheet.name} maxLength={80} onChange={({ target }) => setSheet({ ...sheet, name: target.value })} />
      </Field>
      {number('Page wide, mm', sheet.page.width, (width) => ({ ...sheet, page: { ...sheet.page, width } }))}
      {number('Page high, mm', sheet.page.height, (height) => ({ ...sheet, page: { ...sheet.page, height } }))}
      {number('Columns', sheet.columns, (columns) => ({ ...sheet, columns: whole(columns) }))}
      {number('Rows', sheet.rows, (rows) => ({ ...sheet, rows: whole(rows) }))}
      {number('Label wide, mm', sheet.cell.width, (width) => ({ ...sheet, cell: { ...sheet.cell, width } }))}
      {number('Label high, mm', sheet.cell.height, (height) => ({ ...sheet, cell: { ...sheet.cell, height } }))}
      {number('Left edge, mm', sheet.margin.left, (left) => ({ ...sheet, margin: { ...sheet.margin, left } }))}
      {number('Top edge, mm', sheet.margin.top, (top) => ({ ...sheet, margin: { ...sheet.margin, top } }))}
      {number('Between, across', sheet.gap.across, (across) => ({ ...sheet, gap: { ...sheet.gap, across } }))}
      {number('Between, down', sheet.gap.down, (down) => ({ ...sheet, gap: { ...sheet.gap, down } }))}
      <p className="flex gap-3 items-center">
        <Button kind="main" disabled={fault !== undefined} onClick={() => void keep()}>
          Keep the sheet
        </Button>
        <Button kind="quiet" onClick={() => setSheet(undefined)}>
          Leave it
        </Button>
        {fault !== undefined && <span className="warn">▲ {fault}</span>}
      </p>
    </div>
  );
}
