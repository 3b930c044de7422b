import { useMemo, useRef, useState } from 'react';
import { Download, Printer } from 'lucide-react';
import { CARD_CHOICES, cardContent, FORMAT_TABLE, FORMATS, keptOtherwise, type Design, type Finding, type Format } from '@portiona/core';
import { PrintChoices } from '../../features/cards/PrintChoices';
import { useChangeSettings } from '../../features/kitchen/useChangeSettings';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../../features/recipes/useRecipeState';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Remark } from '../../ui/Remark';
import { Segmented } from '../../ui/Segmented';
import { useStation } from '../station';
import { CardFrame, type CardTold } from './CardFrame';
import { CardOutputs } from './CardOutputs';
import { DishPhotoButton } from './DishPhotoButton';
import { Published } from './Published';
import { Snapped } from './Snapped';
import './card.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

const DESIGN_NAMES: readonly (readonly [Design, string, string])[] = [
  ['docket', 'Docket', 'A5, the ticket of figures beside the text'],
  ['page', 'Page', 'A4 or Letter, with a place for the photo'],
  ['index', 'Index', '6 × 4 in, two sides'],
  ['picture', 'Picture', 'For sharing'],
];

/** Findings that leave a line's figures unknown, or of another food than was meant. */
const IN_DOUBT: ReadonlySet<string> = new Set(['food-unsure', 'no-composition', 'no-weight']);
const NONE_FOUND: readonly Finding[] = [];

/** The card as readers get it: the very sheets that are printed and sent. */
export function CardStation() {
  const { recipe, here, computed, check, showWorking } = useStation();
  const wrong = check.isBehind
    ? undefined
    : check.checked?.open.filter(({ code, severity }) => severity === 'wrong' || code === 'food-unsure');
  const doubtful = computed.ok ? computed.findings.filter(({ code }) => IN_DOUBT.has(code)) : NONE_FOUND;
  const { revision, saveState } = useRecipeState();
  const dispatch = useAppDispatch();
  const changeSettings = useChangeSettings();
  const [format, setFormat] = useState<Format>('a5');
  const { design } = FORMAT_TABLE[format];
  const [told, setTold] = useState<CardTold>();
  /** The published card that is looked at; undefined: the card as it stands. */
  const [issue, setIssue] = useState<number>();
  const asOf = issue === undefined ? '' : `&issue=${issue}`;
  const frame = useRef<HTMLIFrameElement>(null);
  const { settings } = here.kitchen;
  const capped = useMemo(
    () => (computed.ok ? keptOtherwise(recipe.storage, cardContent(recipe, here.kitchen), here.kitchen.settings.guideline) : ''),
    [recipe, here, computed.ok],
  );
  const choose = (choices: typeof recipe.card) => {
    const { card: _was, ...rest } = recipe;
    dispatch(recipeActions.edited({ recipe: choices === undefined ? rest : { ...rest, card: choices } }));
  };
  return (
    <>
      <div className="sheet-bar px-5 py-2 mb-0">
        <Segmented label="Design" value={design} options={DESIGN_NAMES} onChange={(next) => setFormat(FORMATS[next][0])} />
        {FORMATS[design].length > 1 && (
          <Segmented<Format>
            label="Paper"
            value={format}
            options={FORMATS[design].map((one) => [one, FORMAT_TABLE[one].name] as const)}
            onChange={setFormat}
          />
        )}
        <DropPanel
          trigger={
            <Button>
              What is printed <span aria-hidden>▾</span>
            </Button>
          }
          className="w-[460px] max-w-[94vw] p-3"
          label="What is printed"
        >
          <PrintChoices
            recipe={recipe}
            settings={settings}
            onChange={choose}
            onKitchen={(choices) => {
              // What is not chosen any more is taken away.
              changeSettings({ card: { choices: { ...Object.fromEntries(CARD_CHOICES.map((one) => [one, null])), ...choices } } });
              choose(undefined);
            }}
          />
        </DropPanel>
        <DishPhotoButton
          photo={recipe.photo}
          title={recipe.title}
          onPhoto={(photo) => {
            const { photo: _was, ...rest } = recipe;
            dispatch(recipeActions.edited({ recipe: photo ? { ...rest, photo } : rest, mergeKey: 'photo' }));
          }}
        />
        <Published recipe={recipe} kitchen={here.kitchen} saved={saveState === 'saved'} issue={issue} onIssue={setIssue} wrong={wrong} />
        <span className="ml-auto flex gap-2">
          <Button onClick={() => frame.current?.contentWindow?.print()} aria-label="Print" hint="Print">
            <Printer size={15} />
          </Button>
          <CardOutputs id={recipe.id} format={format} pages={told?.pages ?? 1} issue={issue} />
          <Button asChild kind="main">
            <a href={kitchenAddress(`/recipes/${recipe.id}/card.pdf?format=${format}${asOf}`)} download={`${recipe.id}.pdf`}>
              <Download size={15} /> PDF
            </a>
          </Button>
        </span>
      </div>
      <div className="card-came px-5 text-compact">
        <span className="muted">{saveState === 'saved' ? saidOf(told) : 'The card shows what is saved; one moment.'}</span>
        <Snapped />
        {capped !== '' && <span>{capped}</span>}
        {told && told.torn.length > 0 && <span className="warn">▲ Longer than its line, and cut: {told.torn.join(', ')}</span>}
        {told && told.lacking.length > 0 && (
          <span className="warn">▲ The card’s fonts have no shape for {told.lacking.join(' ')}: an empty box is printed</span>
        )}
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
        key={format}
        frame={frame}
        src={kitchenAddress(
          `/recipes/${recipe.id}/card-sheet.html?format=${format}&revision=${revision}&of=${encodeURIComponent(JSON.stringify(settings.card ?? {}))}&rules=${settings.rules}${asOf}`,
        )}
        format={format}
        title={`Card of ${recipe.title}`}
        onFigure={showWorking}
        onTold={setTold}
      />
    </>
  );
}

/** How the card came out: pages, and how large its text is. */
function saidOf(told: CardTold | undefined): string {
  if (!told) return '';
  const pages = told.pages === 1 ? 'One page' : `${told.pages} pages`;
  const percent = Math.round(told.scale * 100);
  return `${pages}, ${percent === 100 ? 'text of the usual size' : `text at ${percent} % of the usual size`}`;
}
