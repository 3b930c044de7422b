import { useState } from 'react';
import { LABEL_SHEETS, labelBytes, labelFit, labelPlaces, sheetFault, singleLabel, type BoxLabel, type LabelSheet } from '@portiona/core';
import { useGetLabelPrinterQuery } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { useToast } from '../../ui/Toasts';
import { numberText } from '../../ui/numberText';
import { drawLabel } from './drawLabel';
import { PrinterPanel } from './PrinterPanel';
import { SheetEditor } from './SheetEditor';
import './labels.css';
import { kitchenAddress } from '../../api/kitchenAtHand';
import { pageHeaders } from '../../api/pageToken';

interface PrintLabelsProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly batchId: string;
  readonly labels: readonly BoxLabel[];
  /** Number of the label that is looked at. */
  readonly chosen: number;
  /** Sheets of the kitchen's own. */
  readonly own: readonly LabelSheet[] | undefined;
  /** Things measured that the kitchen does not have yet: its paper would be of before. */
  readonly unsent: number;
}

type Where = 'sheet' | 'single' | 'printer';
const WHERE: readonly (readonly [Where, string])[] = [
  ['sheet', 'on a sheet'],
  ['single', 'single labels'],
  ['printer', 'label printer'],
];

/** Labels onto paper: a sheet from any cell on, single labels of any size, a label printer. */
export function PrintLabels({ open, onClose, title, batchId, labels, chosen, own = [], unsent }: PrintLabelsProps) {
  const [where, setWhere] = useState<Where>('sheet');
  const [only, setOnly] = useState(false);
  const sheets = [...own, ...LABEL_SHEETS];
  const [name, setName] = useState(sheets[0]?.name ?? '');
  const [start, setStart] = useState(1);
  const [size, setSize] = useState({ width: 62, height: 50 });
  const sheet = where === 'sheet' ? (sheets.find((one) => one.name === name) ?? sheets[0]) : singleLabel(size.width, size.height);
  const printed = only ? labels.slice(chosen - 1, chosen) : labels;
  const fits = sheet ? printed.map((label) => labelFit(label, sheet.cell)) : [];
  const address = (more: Readonly<Record<string, string>>) =>
    kitchenAddress(
      `/batches/${encodeURIComponent(batchId)}/labels.pdf?${new URLSearchParams({
        ...(where === 'sheet' ? { sheet: name, start: String(start) } : { width: String(size.width), height: String(size.height) }),
        ...(only ? { only: String(chosen) } : {}),
        ...more,
      }).toString()}`,
    );
  return (
    <Modal open={open} onClose={onClose} title={title} hint="One label for each box. Days, weights and figures are those of this batch.">
      <div className="print-labels">
        <Segmented label="Where they are printed" value={where} options={WHERE} onChange={setWhere} />
        <Segmented
          label="Which labels"
          value={only ? 'one' : 'all'}
          options={[
            ['all', `all ${labels.length}`],
            ['one', `label ${chosen} alone`],
          ]}
          onChange={(which) => setOnly(which === 'one')}
        />
        {where === 'sheet' && sheet && (
          <>
            <Field label="Sheet">
              <Select
                value={name}
                onChange={({ target }) => {
                  setName(target.value);
                  setStart(1);
                }}
              >
                {sheets.map((one) => (
                  <option key={one.name} value={one.name}>
                    {one.name}
                  </option>
                ))}
              </Select>
            </Field>
            <SheetMap sheet={sheet} start={start} count={printed.length} onStart={setStart} />
            <SheetEditor own={own} onMade={setName} />
          </>
        )}
        {where !== 'sheet' && (
          <div className="flex gap-3">
            <NumberField
              label="Width, mm"
              amount={size.width}
              onChange={(width) => setSize({ ...size, width: Math.round(Math.min(300, Math.max(15, width ?? 62))) })}
            />
            <NumberField
              label="Height, mm"
              amount={size.height}
              onChange={(height) => setSize({ ...size, height: Math.round(Math.min(300, Math.max(15, height ?? 50))) })}
            />
          </div>
        )}
        <FitSaid fits={fits} />
        {unsent > 0 && where !== 'printer' && <p className="warn">▲ {unsent} to send yet: the paper would be of before. Wait a moment.</p>}
        {where === 'printer' ? (
          <Printer labels={printed} size={size} ready={fits.every(({ fits: has }) => has)} />
        ) : (
          <p className="flex gap-3">
            {fits.every(({ fits: has }) => has) && unsent === 0 ? (
              <>
                <Button asChild kind="main">
                  <a href={address({})} target="_blank" rel="noreferrer">
                    Print {printed.length === 1 ? 'one' : printed.length} as PDF
                  </a>
                </Button>
                {where === 'sheet' && (
                  <Button asChild kind="plain">
                    <a href={address({ outlines: '1' })} target="_blank" rel="noreferrer">
                      Test print with outlines
                    </a>
                  </Button>
                )}
              </>
            ) : (
              <Button kind="main" disabled>
                Print as PDF
              </Button>
            )}
          </p>
        )}
        <p className="muted text-small">Print at 100 %, without fitting to the page.</p>
      </div>
    </Modal>
  );
}

/** What had to give way on labels so small, or that they are too small. */
function FitSaid({ fits }: { readonly fits: readonly ReturnType<typeof labelFit>[] }) {
  if (fits.some(({ fits: has }) => !has))
    return (
      <p className="bad" role="alert">
        ✕ Too small: name, days, figures and allergens have no room in letters that can be read. Choose larger labels.
      </p>
    );
  const code = fits.some((fit) => !fit.code);
  const reheat = fits.some((fit) => !fit.reheat);
  const least = Math.min(...fits.map(({ size }) => size));
  return (
    <p className={code || reheat ? 'warn text-small' : 'muted text-small'}>
      {code || reheat
        ? `▲ So small, they are without ${[code ? 'the code' : '', reheat ? 'how to reheat' : ''].filter(Boolean).join(' and ')}. `
        : ''}
      Letters of {numberText(least, 1)} points{least < 7 ? ': hard to read' : ''}.
    </p>
  );
}

/** The sheet with its cells: a press begins there, so that one that was begun is used up. */
function SheetMap({
  sheet,
  start,
  count,
  onStart,
}: {
  readonly sheet: LabelSheet;
  readonly start: number;
  readonly count: number;
  readonly onStart: (cell: number) => void;
}) {
  const fault = sheetFault(sheet);
  const cells = sheet.columns * sheet.rows;
  const pages = (labelPlaces(sheet, count, Math.min(start, cells)).at(-1)?.page ?? 0) + 1;
  if (fault !== undefined) return <p className="bad">✕ {fault}</p>;
  return (
    <div className="sheet-map-row">
      <div
        className="sheet-map"
        role="group"
        aria-label="First cell used"
        style={{ gridTemplateColumns: `repeat(${sheet.columns}, 1fr)`, aspectRatio: `${sheet.page.width} / ${sheet.page.height}` }}
      >
        {Array.from({ length: cells }, (_, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Begin at cell ${i + 1}`}
            aria-pressed={start === i + 1}
            className={i + 1 >= start && i + 1 < start + count ? 'used' : ''}
            onClick={() => onStart(i + 1)}
          >
            {i + 1}
          </button>
        ))}
      </div>
      <p className="muted">
        From cell {start}: {pages === 1 ? 'one page' : `${pages} pages`}.
      </p>
    </div>
  );
}

/** The label printer: what it is, what it prints, what came out. */
function Printer({
  labels,
  size,
  ready,
}: {
  readonly labels: readonly BoxLabel[];
  readonly size: { readonly width: number; readonly height: number };
  readonly ready: boolean;
}) {
  const { data: printer, refetch } = useGetLabelPrinterQuery(undefined, { refetchOnMountOrArgChange: true });
  const [busy, setBusy] = useState(false);
  const say = useToast();
  if (!printer) return null;
  const print = async () => {
    setBusy(true);
    try {
      for (const [i, label] of labels.entries()) {
        const drawn = await drawLabel(label, labelFit(label, size), size, printer.dotsPerInch);
        const answer = await fetch(kitchenAddress('/label-printer/labels'), {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream', ...(await pageHeaders()) },
          body: labelBytes(drawn) as Uint8Array<ArrayBuffer>,
        });
        if (!answer.ok) {
          const { detail } = (await answer.json().catch(() => ({}))) as { readonly detail?: string };
          say(`${i === 0 ? '' : `${i} printed. `}${detail ?? 'The label was not printed.'}`);
          break;
        }
        if (i === labels.length - 1) say(`${labels.length === 1 ? 'One label' : `${labels.length} labels`} printed.`);
      }
    } catch {
      say('The printer does not answer. Nothing more was printed.');
    } finally {
      setBusy(false);
      void refetch();
    }
  };
  return (
    <>
      <p className="flex gap-3 items-center">
        <Button kind="main" disabled={busy || !ready || size.width > printer.widest} onClick={() => void print()}>
          Print {labels.length === 1 ? 'one' : labels.length}
        </Button>
        <span className="muted">
          {printer.name}, {printer.dotsPerInch} dots per inch
          {size.width > printer.widest && <span className="warn"> ▲ it takes {printer.widest} mm at most</span>}
        </span>
      </p>
      <PrinterPanel printer={printer} onChanged={() => void refetch()} />
    </>
  );
}
