import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { dayText, type BatchEdit, type Kitchen } from '@portiona/core';
import { Button } from '../../ui/Button';
import { countText, servingNames } from '../../ui/servingNames';
import { NoBatch } from '../batches/NoBatch';
import { PartWeighed } from '../batches/PartWeighed';
import { batchDay } from '../batches/batchWords';
import { PrintLabels } from '../labels/PrintLabels';
import { LabelPaper } from '../labels/LabelPaper';
import { FillWays } from './FillWays';
import { KindCard } from './KindCard';
import { PortionDocket } from './PortionDocket';
import { PotBar } from './PotBar';
import { Shelves } from './Shelves';
import { boxEdits } from './boxEdits';
import type { Portioned } from './portioned';
import { usePortioned } from './usePortioned';
import './portion.css';

/** A batch is put into boxes: by whom, how much, where they go; every figure follows, and each box has its label. */
export function PortionPage() {
  const { batchId = '' } = useParams();
  const { found, kitchen, say, waiting, refused, trouble } = usePortioned(batchId);
  if (trouble !== undefined) return <NoBatch title="This batch cannot be portioned here" because={trouble} />;
  if (!found || !kitchen) return <main className="page" aria-busy="true" />;
  return <Portion found={found} kitchen={kitchen} say={say} waiting={waiting} refused={refused} />;
}

interface PortionProps {
  readonly found: Portioned;
  readonly kitchen: Kitchen;
  readonly say: (edit: BatchEdit) => void;
  readonly waiting: number;
  readonly refused: readonly string[];
}

function Portion({ found, kitchen, say, waiting, refused }: PortionProps) {
  const { batch, made, portion, kinds, singles } = found;
  const { recipe } = made.figures;
  const [chosen, setChosen] = useState(1);
  const [printing, setPrinting] = useState(false);
  const { keep, keepKind, move } = boxEdits(found, say);
  const box = singles.find(({ number }) => number === chosen) ?? singles[0];
  const unweighed = portion.parts.filter(({ estimated }) => estimated);
  return (
    <main>
      <div className="head">
        <div className="head-title">
          <div className="series">
            {[recipe.series, recipe.number === undefined ? '' : `no. ${recipe.number}`].filter(Boolean).join(', ')}
            {' · '}batch of {batchDay(batch.date)}, {countText(batch.servings ?? recipe.servings, servingNames(recipe))}
          </div>
          <h1 className="batches-title">{recipe.title}</h1>
        </div>
        <nav className="stations batches-stations" aria-label="This batch">
          <Link to={`/cook/${batch.id}`}>
            <span className="station-glyph" aria-hidden>
              ▸
            </span>
            Cook
          </Link>
          <Link to={`/portion/${batch.id}`} aria-current="page">
            <span className="station-glyph" aria-hidden>
              ◱
            </span>
            Portion
          </Link>
          <Link to={`/batches/${batch.recipe}?batch=${batch.id}`}>
            <span className="station-glyph" aria-hidden>
              ◦
            </span>
            Its log
          </Link>
        </nav>
      </div>
      <div className="desk">
        <section className="bench portion" aria-label="Boxes">
          <p className="portion-kept" role="status">
            <i className={waiting === 0 ? 'ok-dot' : 'wait-dot'} aria-hidden />
            {waiting === 0 ? 'Kept' : `Kept here, ${waiting} to send`}
          </p>
          {refused.length > 0 && (
            <p className="bad" role="alert">
              ✕ That cannot be kept: {refused.at(-1)}.
            </p>
          )}
          {unweighed.length > 0 && (
            <div className="portion-unweighed" role="note">
              <p className="warn">
                ▲ Not weighed yet: {unweighed.map(({ part }) => part.name).join(', ')}. What is shared out is what it comes to by estimate;
                weigh it, and every box follows.
              </p>
              {unweighed.map(({ part }) => (
                <PartWeighed
                  key={part.id}
                  name={part.name}
                  came={batch.parts?.find((one) => one.part === part.id) ?? { part: part.id }}
                  portion={part.portion?.by}
                  vessels={kitchen.settings.vessels}
                  onEdit={say}
                />
              ))}
            </div>
          )}
          {portion.parts.map((part, i) => (
            <PotBar
              key={part.part.id}
              part={part}
              tone={i}
              kinds={kinds}
              came={batch.parts?.find((one) => one.part === part.part.id)}
              leftTo={batch.leftTo?.[part.part.id]}
              onGrams={(kind, grams) =>
                keepKind(
                  kind,
                  kind.boxes.map((one) => ({ ...one, grams: { ...one.grams, [part.part.id]: grams } })),
                )
              }
              onLeftTo={(to) => say({ do: 'left', part: part.part.id, to })}
            />
          ))}
          <FillWays found={found} kitchen={kitchen} onBoxes={keep} />
          <div className="kinds">
            {kinds.map((one, i) => (
              <KindCard
                key={`${one.kind.name} ${i}`}
                of={one}
                others={kinds.filter((other) => other !== one)}
                found={found}
                kitchen={kitchen}
                onBoxes={(next) => keepKind(one.kind, next)}
              />
            ))}
          </div>
          {singles.length > 0 && (
            <Shelves
              found={found}
              chosen={box?.number ?? 0}
              onChoose={setChosen}
              onMove={move}
              onBoxes={keep}
              guidelineOf={kitchen.settings}
            />
          )}
        </section>
        <div className="slot portion-slot">
          <PortionDocket found={found} kitchen={kitchen} />
          {box && (
            <section className="portion-label" aria-label="Label">
              <p className="portion-label-head">
                <b>
                  Label {box.number} of {singles.length}
                </b>{' '}
                {box.box.name}, {box.box.keep ?? 'fridge'}
                <Button kind="main" onClick={() => setPrinting(true)}>
                  Print {singles.length}
                </Button>
              </p>
              {(box.label.unsure > 0 || box.label.notKnown.length > 0) && (
                <p className="warn text-small" role="note">
                  ▲{' '}
                  {[
                    box.label.unsure > 0 ? `${box.label.unsure} of its lines ${box.label.unsure === 1 ? 'is' : 'are'} unsure` : '',
                    box.label.notKnown.length > 0 ? `${box.label.notKnown.length} fit no food` : '',
                  ]
                    .filter((one) => one !== '')
                    .join(', ')}
                  : its figures and allergens may be others.{' '}
                  <Link className="underline" to={`/recipes/${batch.recipe}/build`}>
                    Look them over
                  </Link>
                </p>
              )}
              <LabelPaper label={box.label} />
            </section>
          )}
        </div>
      </div>
      {singles.length > 0 && (
        <PrintLabels
          open={printing}
          onClose={() => setPrinting(false)}
          batchId={batch.id}
          labels={singles.map(({ label }) => label)}
          chosen={box?.number ?? 1}
          own={kitchen.settings.labelSheets}
          title={`Labels of ${dayText(batch.date, false)}`}
          unsent={waiting}
        />
      )}
    </main>
  );
}
