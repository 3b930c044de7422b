import { useEffect, useMemo, useRef, useState } from 'react';
import { Download, FileText, Printer } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { amountWords, nameOfLine, snappedRecipe, type Finding, type WorkedFigure } from '@portiona/core';
import { useStation } from '../station';
import { numberText } from '../../ui/numberText';
import { RuleSetChoice } from '../../features/kitchen/KitchenSettings';
import { Published } from './Published';
import { useRecipeState } from '../../features/recipes/useRecipeState';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Remark } from '../../ui/Remark';
import { Segmented } from '../../ui/Segmented';
import './card.css';
import { Menu } from '../../ui/Menu';

const PAPERS = [
  ['a5', 'A5'],
  ['a4', 'A4'],
] as const;

type Paper = 'a5' | 'a4';

/** Sheet and ground around it as the card's page lays them out, in CSS pixels. */
const PAGE: Readonly<Record<Paper, { readonly width: number; readonly height: number }>> = {
  a5: { width: 620, height: 850 },
  a4: { width: 854, height: 1180 },
};

/** Findings that leave a line's figures unknown, or of another food than was meant. */
const IN_DOUBT: ReadonlySet<string> = new Set(['food-unsure', 'no-composition', 'no-weight']);
const NONE_FOUND: readonly Finding[] = [];

/** The card as readers get it: the very page that is printed and sent. */
export function CardStation() {
  const { recipe, here, computed, check, showWorking } = useStation();
  const wrong = check.isBehind
    ? undefined
    : check.checked?.open.filter(({ code, severity }) => severity === 'wrong' || code === 'food-unsure');
  const doubtful = computed.ok ? computed.findings.filter(({ code }) => IN_DOUBT.has(code)) : NONE_FOUND;
  const { revision, saveState } = useRecipeState();
  const [paper, setPaper] = useState<Paper>('a5');
  /** The published card that is looked at; undefined: the card as it stands. */
  const [issue, setIssue] = useState<number>();
  const asOf = issue === undefined ? '' : `&issue=${issue}`;
  const frame = useRef<HTMLIFrameElement>(null);
  const address = `/api/recipes/${recipe.id}/card`;
  return (
    <>
      <div className="sheet-bar px-5 py-2 mb-0">
        <Segmented label="Paper" value={paper} options={PAPERS} onChange={setPaper} />
        <RuleSetChoice />
        <Snapped />
        <Published recipe={recipe} kitchen={here.kitchen} saved={saveState === 'saved'} issue={issue} onIssue={setIssue} wrong={wrong} />
        {saveState !== 'saved' && <span className="muted">The card shows what is saved; one moment.</span>}
        <span className="ml-auto flex gap-2">
          <Button onClick={() => frame.current?.contentWindow?.print()}>
            <Printer size={15} /> Print
          </Button>
          <Button asChild>
            <a href={`${address}.html?paper=${paper}&download=1${asOf}`} download={`${recipe.id}.html`}>
              <FileText size={15} /> Page
            </a>
          </Button>
          <MoreOutputs id={recipe.id} />
          <Button asChild kind="main">
            <a href={`${address}.pdf?paper=${paper}${asOf}`} download={`${recipe.id}.pdf`}>
              <Download size={15} /> PDF
            </a>
          </Button>
        </span>
      </div>
      {doubtful.length > 0 && (
        <Remark tone="warn" className="mx-5 mt-2">
          ▲ {doubtful.length === 1 ? 'One line is' : `${doubtful.length} lines are`} not settled: figures of this card may not be what was
          meant.{' '}
          <Button kind="quiet" onClick={() => showWorking('matches')}>
            What lines count as
          </Button>
        </Remark>
      )}
      <CardFrame
        key={`${paper}`}
        frame={frame}
        src={`${address}.html?paper=${paper}&revision=${revision}&rules=${here.kitchen.settings.rules}${asOf}`}
        paper={paper}
        title={`Card of ${recipe.title}`}
        onFigure={showWorking}
      />
    </>
  );
}

/** The same card and recipe for other programs. */
function MoreOutputs({ id }: { readonly id: string }) {
  const outputs = [
    [`/api/recipes/${id}/card.md`, 'Card as Markdown'],
    [`/api/recipes/${id}/recipe.jsonld`, 'Card as schema.org data'],
    [`/api/exports/recipes/${id}/lines.csv`, 'Ingredients as CSV'],
    [`/api/exports/recipes/${id}/kitchen-file`, 'Kitchen file with all it is made of'],
  ] as const;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          More <span aria-hidden>▾</span>
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content asChild align="end" sideOffset={4}>
          <Menu>
            {outputs.map(([href, name]) => (
              <DropdownMenu.Item key={href} asChild>
                <a className="menu-item" href={href} download>
                  {name}
                </a>
              </DropdownMenu.Item>
            ))}
          </Menu>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** What printing only measurable amounts changes, line by line. */
function Snapped() {
  const { recipe, here, computed } = useStation();
  const snapped = useMemo(() => (computed.ok ? snappedRecipe(recipe, here.kitchen) : undefined), [recipe, here, computed.ok]);
  if (!snapped || snapped.lines.length === 0) return null;
  const { lines, perServing } = snapped;
  return (
    <DropPanel
      trigger={
        <Button kind="quiet">
          {lines.length === 1 ? 'One amount' : `${lines.length} amounts`} made measurable: {signed(perServing.energyKcal, 0)} kcal a{' '}
          {recipe.servingName ?? 'serving'}
        </Button>
      }
      className="w-[380px] p-3"
      label="Amounts made measurable"
    >
      <p className="mb-2">
        The card prints what readers can measure, and its figures are of these amounts: {signed(perServing.energyKcal, 1)} kcal,{' '}
        {signed(perServing.protein, 1)} g protein, {signed(perServing.usedCost, 2)} {here.kitchen.settings.currency} a{' '}
        {recipe.servingName ?? 'serving'} against the sheet.
      </p>
      <table className="drifts">
        <tbody>
          {lines.map(({ at, from, to, drift }) => {
            const line = snapped.figures.lines.find((one) => one.at === at);
            const unit = line?.line.amount === undefined ? 'g' : (line.line.unit ?? 'g');
            return (
              <tr key={at}>
                <td>{line ? nameOfLine(line) : at}</td>
                <td className="num">
                  {amountWords(from, unit)} → {amountWords(to, unit)}
                </td>
                <td className="num faint">{signed(drift * 100, 0)} %</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </DropPanel>
  );
}

/** With its sign: "+1.2", "−3", "±0"; a question mark for what is unknown. */
function signed(amount: number | undefined, decimals: number): string {
  if (amount === undefined) return '?';
  const text = numberText(Math.abs(amount), decimals);
  return Number(text) === 0 ? '±0' : `${amount < 0 ? '−' : '+'}${text}`;
}

interface CardFrameProps {
  readonly frame: React.RefObject<HTMLIFrameElement | null>;
  readonly src: string;
  readonly paper: Paper;
  readonly title: string;
  readonly onFigure: (figure: WorkedFigure | 'index') => void;
}

/** Pixels beside the card at least. */
const MARGIN = 10;

/** The card's page, made to fit; each figure on it opens its working. */
function CardFrame({ frame, src, paper, title, onFigure }: CardFrameProps) {
  const room = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(0.8);
  const [height, setHeight] = useState(PAGE[paper].height);
  const [drawn, setDrawn] = useState(false);
  useEffect(() => {
    const fit = () => {
      const free = window.innerHeight - (room.current?.getBoundingClientRect().top ?? 170) - window.scrollY;
      const wide = (room.current?.clientWidth ?? 900) - 2 * MARGIN;
      // On a phone it is as wide as the phone, and scrolls.
      setScale(Math.min(1, Math.max(0.5, free / PAGE[paper].height, Math.min(0.8, wide / PAGE[paper].width)), wide / PAGE[paper].width));
    };
    // Its room changes with the window, and with a panel beside it.
    const watch = new ResizeObserver(fit);
    if (room.current) watch.observe(room.current);
    window.addEventListener('resize', fit);
    return () => {
      watch.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, [paper]);
  const onLoad = ({ currentTarget }: React.SyntheticEvent<HTMLIFrameElement>) => {
    const page = currentTarget.contentDocument;
    if (!page) return;
    setDrawn(page.body.childElementCount > 0);
    // On the desk the sheet lies on the station's own ground.
    page.body.style.background = 'transparent';
    setHeight(Math.max(PAGE[paper].height, page.documentElement.scrollHeight));
    // Keys pressed inside the card mean the same as outside it.
    page.addEventListener('keydown', (event) => window.dispatchEvent(new KeyboardEvent(event.type, event)));
    for (const figure of page.querySelectorAll<HTMLElement>('[data-figure]')) {
      figure.tabIndex = 0;
      figure.setAttribute('role', 'button');
      figure.setAttribute('aria-label', `${figure.textContent}, show the working`);
      figure.style.cursor = 'pointer';
      const open = () => onFigure(figure.dataset.figure as WorkedFigure | 'index');
      figure.addEventListener('click', open);
      figure.addEventListener('keydown', (event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          open();
        }
      });
    }
  };
  return (
    <div className="cardview" ref={room} style={{ height: Math.ceil(height * scale) }}>
      {!drawn && (
        <p className="coming" role="status">
          The card is being laid out …
        </p>
      )}
      <iframe
        ref={frame}
        src={src}
        title={title}
        onLoad={onLoad}
        width={PAGE[paper].width}
        height={height}
        // It takes the room that it is seen to take.
        // The card is paper in either theme; a frame of another colour scheme than its page is painted white.
        style={{ transform: `scale(${scale})`, marginRight: -PAGE[paper].width * (1 - scale), colorScheme: 'light' }}
      />
    </div>
  );
}
