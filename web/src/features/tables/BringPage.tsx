import { useRef, useState, type ReactNode } from 'react';
import { IfMay } from '../account/IfMay';
import { Link, useNavigate } from 'react-router';
import { useDispatch } from 'react-redux';
import { Download, FileJson, Receipt, Table } from 'lucide-react';
import { agoText } from '@portiona/core';
import {
  api,
  useBringTableMutation,
  useCancelTableMutation,
  useGetKitchenQuery,
  useImportKitchenFileMutation,
  useListTablesQuery,
  useReadReceiptMutation,
  type TableImportDto,
  type KitchenFile,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { numberText } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { Button } from '../../ui/Button';
import { FileInput } from '../../ui/FileInput';
import { Ledger, LedgerRow } from '../../ui/Ledger';
import { Remark } from '../../ui/Remark';
import { PasteText } from '../../ui/PasteText';
import { RECEIPT_TEXT } from '../receipts/receiptText';
import './tables.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Larger files are refused before they are sent. */
const MOST_TABLE = 100 * 1024 * 1024;

/** The doors of the pantry: what can be brought in as a file, and what can be taken out. */
export function BringPage() {
  const tables = useListTablesQuery(undefined, { refetchOnMountOrArgChange: true }).data ?? [];
  return (
    <main className="page">
      <div className="page-head">
        <h1>In and out</h1>
        <Button asChild kind="quiet">
          <Link to="/pantry">Back to the pantry</Link>
        </Button>
      </div>
      <div className="doors">
        <IfMay right="edit">
          <FoodTableDoor />
        </IfMay>
        <IfMay right="edit">
          <ReceiptDoor />
        </IfMay>
        <IfMay right="edit">
          <KitchenFileDoor />
        </IfMay>
        <OutDoor />
      </div>
      {tables.length > 0 && (
        <>
          <h2 className="font-serif font-semibold text-heading mt-6 mb-2">Food tables brought</h2>
          <Ledger className="brought">
            {tables.map((table) => (
              <TableRow key={table.id} table={table} />
            ))}
          </Ledger>
        </>
      )}
    </main>
  );
}

interface CsvDoorProps<Answer> {
  readonly icon: ReactNode;
  readonly title: string;
  readonly text: string;
  readonly action: string;
  readonly bring: (csv: { fileName: string; body: Blob }) => { unwrap: () => Promise<Answer> };
  readonly busy: boolean;
  readonly most?: number;
  readonly onBrought: (answer: Answer) => unknown;
  /** It may be pasted, too: what the text is called then. */
  readonly pasted?: string;
}

/** A door for a CSV file: it is sent as it is, and what comes of it is shown elsewhere. */
function CsvDoor<Answer>({ action, bring, busy, most = Infinity, onBrought, pasted, ...door }: CsvDoorProps<Answer>) {
  const [trouble, setTrouble] = useState('');
  const take = (file: File) => {
    if (file.size > most) return setTrouble(`${file.name} is more than ${Math.round(most / 1024 / 1024)} MB. Take a part of it.`);
    setTrouble('');
    return bring({ fileName: file.name, body: new Blob([file], { type: 'text/csv' }) })
      .unwrap()
      .then(onBrought)
      .catch((error: unknown) => setTrouble(problemText(problemOf(error))));
  };
  return (
    <Door
      {...door}
      action={busy ? 'Reading it' : action}
      accept=".csv,.tsv,.txt,text/csv,text/plain,text/tab-separated-values"
      busy={busy}
      trouble={trouble}
      onFile={(file) => void take(file)}
    >
      {pasted !== undefined && (
        <PasteText
          action="Paste its text"
          label={`${door.title}, as text`}
          placeholder={RECEIPT_TEXT}
          busy={busy}
          onText={(text) => void take(new File([text], pasted))}
        />
      )}
    </Door>
  );
}

function FoodTableDoor() {
  const [bring, { isLoading }] = useBringTableMutation();
  const navigate = useNavigate();
  return (
    <CsvDoor
      icon={<Table size={20} />}
      title="A food table"
      text="A country’s or a lab’s composition table, as CSV or TSV: any delimiter, any letters, any columns, a row a food or a row a figure. You say once what each column holds."
      action="Choose a table"
      bring={bring}
      busy={isLoading}
      most={MOST_TABLE}
      onBrought={({ id }) => navigate(`/pantry/tables/${id}`)}
    />
  );
}

function ReceiptDoor() {
  const [read, { isLoading }] = useReadReceiptMutation();
  const navigate = useNavigate();
  return (
    <CsvDoor
      icon={<Receipt size={20} />}
      title="A receipt or price list"
      text="What the till printed or a shop sent, as CSV or as text. Each line finds its food, and stands against what you pay now before it is added."
      pasted="Pasted receipt"
      action="Choose a receipt"
      bring={read}
      busy={isLoading}
      onBrought={(state) => navigate('/pantry/receipt', { state })}
    />
  );
}

function KitchenFileDoor() {
  const [bring, { isLoading }] = useImportKitchenFileMutation();
  const dispatch = useDispatch();
  const say = useToast();
  const [trouble, setTrouble] = useState('');
  const [clash, setClash] = useState<File>();
  const take = async (file: File, there?: 'keep') => {
    setTrouble('');
    setClash(undefined);
    try {
      // What it really is, the server reads.
      const kitchenFile = JSON.parse(await file.text()) as KitchenFile;
      const { foods, packs, recipes, batches, sessions, stock } = await bring({ kitchenFile, ...(there ? { there } : {}) }).unwrap();
      dispatch(api.util.invalidateTags(['foods', 'packs', 'recipes', 'batches', 'sessions', 'shopping', 'kitchen']));
      const plans = sessions + stock > 0 ? `, ${sessions} sessions, ${stock} things in stock` : '';
      const stayed = (kitchenFile.stock?.length ?? 0) > stock ? ' What the file has in stock stayed out: there is stock here already.' : '';
      say(`${foods} foods, ${packs} packs, ${recipes} recipes and ${batches} batches${plans} came in.${stayed}`);
    } catch (error) {
      if (problemOf(error).status === 409) setClash(file);
      setTrouble(error instanceof SyntaxError ? `${file.name} is not JSON: ${error.message}` : problemText(problemOf(error)));
    }
  };
  return (
    <Door
      icon={<FileJson size={20} />}
      title="A kitchen file"
      text="Foods, packs, recipes, batches, sessions and stock of another kitchen, as one file. All of it comes in, or nothing."
      action={isLoading ? 'Reading it' : 'Choose a kitchen file'}
      accept=".json,application/json"
      busy={isLoading}
      trouble={trouble}
      onFile={(file) => void take(file)}
    >
      {clash && (
        <Button className="self-start" onClick={() => void take(clash, 'keep')}>
          Take in what is new, leave the rest as it is
        </Button>
      )}
    </Door>
  );
}

function OutDoor() {
  return (
    <section className="door" aria-label="Taking out">
      <h2>
        <Download size={20} aria-hidden /> Taking out
      </h2>
      <p className="muted">
        Everything is yours. The kitchen file holds all of it without loss; the sheets open in any spreadsheet, and nothing in them runs.
      </p>
      <p className="flex gap-2 flex-wrap mt-auto">
        <Button asChild>
          <a href={kitchenAddress('/exports/kitchen-file')} download>
            Kitchen file
          </a>
        </Button>
        <Button asChild kind="quiet">
          <a href={kitchenAddress('/exports/kitchen-file?photos=none')} download>
            without photos
          </a>
        </Button>
        <Button asChild>
          <a href={kitchenAddress('/exports/foods.csv')} download>
            Foods as CSV
          </a>
        </Button>
        <Button asChild>
          <a href={kitchenAddress('/exports/prices.csv')} download>
            Prices as CSV
          </a>
        </Button>
        <Button asChild>
          <a href={kitchenAddress('/exports/recipes.csv')} download>
            Recipes as CSV
          </a>
        </Button>
        <Button asChild>
          <a href={kitchenAddress('/exports/batches.csv')} download>
            Batches as CSV
          </a>
        </Button>
      </p>
    </section>
  );
}

interface DoorProps {
  readonly icon: ReactNode;
  readonly title: string;
  readonly text: string;
  readonly action: string;
  readonly accept: string;
  readonly busy: boolean;
  readonly trouble: string;
  readonly onFile: (file: File) => void;
  readonly children?: ReactNode;
}

/** A place to drop a file on, or to choose one. */
export function Door({ icon, title, text, action, accept, busy, trouble, onFile, children }: DoorProps) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  return (
    <section
      className={`door ${over ? 'over' : ''}`}
      aria-label={title}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (file) onFile(file);
      }}
    >
      <h2>
        {icon} {title}
      </h2>
      <p className="muted">{text}</p>
      {trouble !== '' && (
        <Remark tone="bad" role="alert">
          {trouble}
        </Remark>
      )}
      {children}
      <p className="mt-auto flex gap-3 items-center">
        <Button kind="main" disabled={busy} onClick={() => input.current?.click()}>
          {action}
        </Button>
        <span className="faint text-small">or drop it here</span>
      </p>
      <FileInput ref={input} label={`${title}, file`} accept={accept} onFile={onFile} />
    </section>
  );
}

const STATES: Readonly<Record<TableImportDto['state'], string>> = {
  ready: 'not taken in yet',
  running: 'being taken in',
  done: 'taken in',
  cancelled: 'stopped, nothing written',
  failed: 'failed, nothing written',
  interrupted: 'interrupted, nothing written',
};

function TableRow({ table }: { readonly table: TableImportDto }) {
  const [cancel] = useCancelTableMutation();
  const say = useToast();
  const forget = async () => {
    try {
      await cancel({ id: table.id }).unwrap();
      say(`The file “${table.fileName}” is forgotten. Nothing of it was taken in.`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  const today = useGetKitchenQuery().data?.date ?? table.madeAt.slice(0, 10);
  return (
    <LedgerRow>
      <Link className="dish" to={`/pantry/tables/${table.id}`}>
        {table.tableName ?? table.fileName}
      </Link>
      <span className="muted">{table.fileName}</span>
      <span className={table.state === 'done' ? 'ok' : table.state === 'ready' || table.state === 'running' ? '' : 'warn'}>
        {STATES[table.state]}
      </span>
      <span className="muted">
        {table.result && `${numberText(table.result.added, 0)} new, ${numberText(table.result.changed, 0)} changed`}
      </span>
      <span className="faint">
        {agoText(table.madeAt.slice(0, 10), today)}
        {table.state !== 'done' && table.state !== 'running' && (
          <Button kind="quiet" className="ml-2" aria-label={`Forget the file ${table.fileName}`} onClick={() => void forget()}>
            Forget
          </Button>
        )}
      </span>
    </LedgerRow>
  );
}
