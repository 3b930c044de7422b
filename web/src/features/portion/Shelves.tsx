import { DndContext, MouseSensor, pointerWithin, TouchSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { dayText, energyShares, guidelineOf, KEEPS, type BatchBox, type Keep, type Settings } from '@portiona/core';
import { EnergySplit } from '../../ui/EnergySplit';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Segmented } from '../../ui/Segmented';
import { numberText } from '../../ui/numberText';
import { Kept } from '../batches/Kept';
import type { Portioned, SingleBox } from './portioned';

interface ShelvesProps {
  readonly found: Portioned;
  /** Number of the box that is looked at. */
  readonly chosen: number;
  readonly onChoose: (number: number) => void;
  readonly onMove: (number: number, to: Keep) => void;
  readonly onBoxes: (boxes: readonly BatchBox[]) => void;
  readonly guidelineOf: Pick<Settings, 'guideline' | 'rules'>;
}

const NAMES: Readonly<Record<Keep, string>> = { tonight: 'Tonight', fridge: 'Fridge', freezer: 'Freezer' };
/** A press must travel so many pixels before it drags. */
const MOUSE = { activationConstraint: { distance: 6 } };
/** A thumb rests before it drags: else it scrolls. */
const TOUCH = { activationConstraint: { delay: 220, tolerance: 8 } };
const INSTRUCTIONS = { draggable: 'The left and right arrows put the box on the shelf beside.' };
/** Pixels of a box of 750 ml: others in proportion of their area. */
const USUAL = { ml: 750, width: 98, height: 104 };
/** A part narrower than this share of its box has no room for its name. */
const NAMED = 0.4;
/** Boxes drawn on a shelf: of more, how many more there are is said. */
const DRAWN = 18;

/** Boxes to scale on the shelf they go to, each filled by weight; a box is dragged to another, or moved by keys. */
export function Shelves({ found, chosen, onChoose, onMove, onBoxes, guidelineOf: settings }: ShelvesProps) {
  const sensors = useSensors(useSensor(MouseSensor, MOUSE), useSensor(TouchSensor, TOUCH));
  const { singles, batch } = found;
  const box = singles.find(({ number }) => number === chosen);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ screenReaderInstructions: INSTRUCTIONS }}
      onDragStart={({ active }) => onChoose(Number(active.id))}
      onDragEnd={({ active, over }) => over && onMove(Number(active.id), over.id as Keep)}
    >
      <div className="shelves">
        {KEEPS.map((keep) => (
          <Shelf
            key={keep}
            keep={keep}
            boxes={singles.filter((one) => (one.box.keep ?? 'fridge') === keep)}
            found={found}
            chosen={chosen}
            onChoose={onChoose}
            onMove={onMove}
          />
        ))}
      </div>
      {box && (
        <div className="box-chosen" role="group" aria-label={`Box ${box.number}, ${box.box.name}`}>
          <b>
            Box {box.number}, {box.box.name}
          </b>
          <Segmented
            label="Where it goes"
            value={box.box.keep ?? 'fridge'}
            options={KEEPS.map((keep) => [keep, NAMES[keep]] as const)}
            onChange={(keep) => onMove(box.number, keep)}
          />
          {(box.box.keep ?? 'fridge') !== 'tonight' && <Until one={box} onBoxes={onBoxes} boxes={batch.boxes ?? []} />}
          <span className="muted text-small">
            {guidelineOf(settings) === 'uk' ? 'UK' : 'US'} guideline{settings.guideline === undefined ? ', by the rules of your cards' : ''}
            : change it in the kitchen’s settings.
          </span>
        </div>
      )}
    </DndContext>
  );
}

/** Until when it is eaten: the guideline's day, or another; a later one asks why. */
function Until({
  one: { at, box, keeping, limits },
  boxes,
  onBoxes,
}: {
  readonly one: SingleBox;
  readonly boxes: readonly BatchBox[];
  readonly onBoxes: (boxes: readonly BatchBox[]) => void;
}) {
  const change = (next: Partial<BatchBox>) =>
    onBoxes(
      boxes.map((entry, i) => {
        if (i !== at) return entry;
        const all = Object.entries({ ...entry, ...next }).filter(([, value]) => value !== undefined && value !== '');
        return Object.fromEntries(all) as unknown as BatchBox;
      }),
    );
  return (
    <>
      <Field label="Use by">
        <Input
          type="date"
          value={keeping.useBy}
          onChange={({ target }) => /^\d{4}-\d{2}-\d{2}$/.test(target.value) && change({ useBy: target.value })}
        />
      </Field>
      {box.useBy !== undefined && (
        <button type="button" className="underline text-small" onClick={() => change({ useBy: undefined, because: undefined })}>
          by the guideline again
        </button>
      )}
      {keeping.beyond !== undefined && (
        <div className={keeping.unexplained ? 'warn' : ''}>
          <Kept
            label={`Later than the ${limits.guideline} (${dayText(keeping.beyond, false)}): why?`}
            value={box.because ?? ''}
            most={300}
            onKeep={(because) => change({ because })}
          />
          {keeping.unexplained && <span className="text-small">▲ It stands on the label without a reason.</span>}
        </div>
      )}
    </>
  );
}

function Shelf({
  keep,
  boxes,
  found,
  chosen,
  onChoose,
  onMove,
}: Pick<ShelvesProps, 'found' | 'chosen' | 'onChoose' | 'onMove'> & { readonly keep: Keep; readonly boxes: readonly SingleBox[] }) {
  const { setNodeRef, isOver } = useDroppable({ id: keep });
  const limits = boxes[0]?.limits ?? found.limits;
  return (
    <section className="shelf-part" aria-label={NAMES[keep]}>
      <h2>
        {NAMES[keep]} <span>{saidOf(keep, found, limits)}</span>
      </h2>
      <div ref={setNodeRef} className={`shelf ${isOver ? 'over' : ''}`}>
        {boxes.slice(0, DRAWN).map((one) => (
          <DrawnBox key={one.number} one={one} found={found} chosen={one.number === chosen} onChoose={onChoose} onMove={onMove} />
        ))}
        {boxes.length > DRAWN && <span className="muted">and {boxes.length - DRAWN} more</span>}
        {boxes.length === 0 && <span className="faint">no box</span>}
      </div>
    </section>
  );
}

function saidOf(keep: Keep, { batch }: Portioned, limits: Portioned['limits']): string {
  if (!limits) return '';
  if (keep === 'tonight') return dayText(batch.date, false);
  if (keep === 'fridge') return `${limits.fridgeDays === 1 ? '1 day' : `${limits.fridgeDays} days`}, ${limits.because}`;
  if (!limits.freezes) return '▲ the recipe says that it does not freeze';
  return `${limits.freezerMonths} months${limits.monthsAssumed ? ', as usual: the recipe does not say' : ''}`;
}

function DrawnBox({
  one: { number, box, figures, keeping },
  found,
  chosen,
  onChoose,
  onMove,
}: Pick<ShelvesProps, 'found' | 'onChoose' | 'onMove'> & { readonly one: SingleBox; readonly chosen: boolean }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: number });
  const { parts } = found.portion;
  const holds = box.holds ?? figures.weight / 0.8;
  const scale = Math.sqrt(Math.max(60, holds) / USUAL.ml);
  const [width, height] = [Math.round(USUAL.width * scale), Math.round(USUAL.height * scale)];
  const energy = figures.nutrients.energyKcal.amount;
  const keep = box.keep ?? 'fridge';
  const inside = parts.flatMap((part, i) => {
    const grams = box.grams[part.part.id] ?? 0;
    return grams > 0 ? [{ id: part.part.id, name: part.part.name.toLowerCase(), grams, tone: i % 5 }] : [];
  });
  const until =
    keep === 'tonight' ? 'eat now' : keep === 'freezer' ? `thaw by ${shortDay(keeping.thawBy ?? '')}` : `use by ${shortDay(keeping.useBy)}`;
  return (
    <div
      className={`box ${keep === 'freezer' ? 'cold' : ''} ${isDragging ? 'dragging' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <button
        ref={setNodeRef}
        type="button"
        className="box-body"
        aria-pressed={chosen}
        {...listeners}
        onClick={() => onChoose(number)}
        onKeyDown={(event) => {
          const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
          const next = by === undefined ? undefined : KEEPS[KEEPS.indexOf(keep) + by];
          if (!next) return;
          event.preventDefault();
          event.stopPropagation();
          onMove(number, next);
        }}
      >
        <span className="box-lid">
          <span className="sr">Box {number}, </span>
          {box.name}
          <span className="sr">, {NAMES[keep]}: </span>
        </span>
        <span className="box-fill" style={{ width, height }}>
          {inside.map(({ id, name, grams, tone }) => (
            <span
              key={id}
              className={`box-part tone-${tone}`}
              style={{
                width: `${(100 * grams) / Math.max(1, figures.weight)}%`,
                height: `${Math.min(100, (100 * figures.weight) / holds)}%`,
              }}
            >
              <span className={grams >= NAMED * figures.weight ? '' : 'sr'}>{name}</span>
              <b>
                {numberText(grams, 0)}
                {grams >= NAMED * figures.weight && ' g'}
              </b>
            </span>
          ))}
        </span>
      </button>
      {energy !== undefined && energy > 0 && (
        <EnergySplit shares={energyShares(figures)} width={`${Math.round(Math.min(width, (energy / 900) * 140))}px`} />
      )}
      <span className="box-foot">
        <b>{energy === undefined ? '? kcal' : `${numberText(energy, 0)} kcal`}</b>{' '}
        <span className={keeping.beyond === undefined ? '' : 'warn'}>{until}</span>
      </span>
    </div>
  );
}

/** "Fri 13 Nov". */
function shortDay(day: string): string {
  return day === '' ? '' : new Date(`${day}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
}
