import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'react-redux';
import { Document } from '@tiptap/extension-document';
import { Text } from '@tiptap/extension-text';
import { EditorContent, useEditor, type Editor, type JSONContent } from '@tiptap/react';
import {
  mentionsIn,
  mentionWords,
  idsByReference,
  placesByReference,
  sameDocument,
  searchWords,
  stepOf,
  withKnownMentions,
  type LineFigures,
  type Recipe,
  type Step,
} from '@portiona/core';
import { useAppDispatch, type WithRecipe } from '../../../features/recipes/useRecipeState';
import { addPart, withHead } from '../../../features/recipes/editRecipe';
import { recipeActions } from '../../../features/recipes/recipeSlice';
import { useToast } from '../../../ui/Toasts';
import { useStation } from '../../station';
import { ChoiceList } from './ChoiceList';
import { ingredientMention, type Choice, type ChoiceMenu } from './ingredientMention';
import { IngredientOffer } from './IngredientOffer';
import { seenSelection } from './seenSelection';
import { documentOf, stepsOf } from './stepDocument';
import { StepNode } from './stepNode';
import { Button } from '../../../ui/Button';

const NO_STEPS: readonly Step[] = [];

/** The method, a step a paragraph: written as text, its ingredients mentioned so that their amounts are always the recipe's. */
export function MethodEditor() {
  const { recipe, computed } = useStation();
  const lines = useMemo(() => (computed.ok ? computed.figures.lines : []), [computed]);
  const choices = useMemo(() => choicesOf(lines, recipe), [lines, recipe]);
  const [menu, setMenu] = useState<ChoiceMenu>();
  const steps = recipe.steps ?? NO_STEPS;
  const editor = useMethodEditor(steps, choices, setMenu);
  const unsaid = useMemo(() => unsaidOf(choices, steps), [choices, steps]);
  return (
    <div className="method">
      <EditorContent editor={editor} />
      {menu && <ChoiceList menu={menu} />}
      <div className="step-tools">
        <Button onClick={() => editor.chain().focus().insertContent('@').run()} hint="Mention an ingredient (@)">
          @ Ingredient
        </Button>
        {unsaid.length > 0 && (
          <span className="muted text-small">
            In no step yet:{' '}
            {unsaid.map((choice, i) => (
              <span key={choice.at}>
                {i > 0 && ', '}
                <Button kind="quiet" onClick={() => mention(editor, choice)}>
                  {choice.words}
                </Button>
              </span>
            ))}
          </span>
        )}
      </div>
      <p className="faint text-small mt-1">
        Times, temperatures (°C, °F, gas mark) and signs (“until gold at the edge”) are read as you write; the card prints both systems. Alt
        and arrows move a step.
      </p>
    </div>
  );
}

function mention(editor: Editor, { at, words, bare }: Choice): void {
  editor
    .chain()
    .focus()
    .insertContent([
      { type: 'mention', attrs: { at, words, bare } },
      { type: 'text', text: ' ' },
    ])
    .run();
}

/** The editor over the recipe's steps: what is written goes to the recipe, what becomes of it elsewhere (undo, a moved line) comes back. */
function useMethodEditor(steps: readonly Step[], choices: readonly Choice[], show: (menu: ChoiceMenu | undefined) => void): Editor {
  const dispatch = useAppDispatch();
  const store = useStore<WithRecipe>();
  const say = useToast();
  // The editor lives as long as the page; what it offers is of the recipe as it stands when it is asked.
  const [offer] = useState(() => new IngredientOffer());
  useEffect(() => offer.renew(choices), [offer, choices]);
  const [extensions] = useState(() => [
    Document.extend({ content: 'step+' }),
    Text,
    StepNode.configure({
      onRefused: () => say('That is more text than a method has; nothing was pasted.'),
      partNamed: (name) => {
        const { present } = store.getState().recipe;
        if (!present) return undefined;
        const there = partCalled(present, name);
        if (there) {
          if (!there.same) say(`“${name}” is taken for the part “${there.name}”; the part of each step can be chosen under it.`);
          return there.id;
        }
        const added = addPart(present, name);
        dispatch(recipeActions.edited({ recipe: added }));
        say(`“${name}” is a part of the dish now; the steps under it are its own. Ctrl Z takes it back.`);
        return added.parts.at(-1)?.id;
      },
    }),
    ingredientMention((typed) => offer.for(typed), show),
  ]);
  const editor = useEditor({
    extensions,
    content: documentOf(steps),
    injectCSS: false,
    editorProps: {
      attributes: { class: 'steps-field', role: 'textbox', 'aria-multiline': 'true', 'aria-label': 'Method, one step a paragraph' },
    },
    onUpdate: ({ editor: written }) => {
      const { present } = store.getState().recipe;
      if (!present) return;
      // A step pasted from another recipe speaks of lines that are not here.
      const places = new Set(placesByReference(present).keys());
      const next = withKnownMentions(stepsOf(written.getJSON()), places);
      if (sameDocument(next, present.steps ?? [])) return;
      const steps = next.length === 0 ? undefined : next;
      dispatch(recipeActions.edited({ recipe: withHead(present, { steps }), ...mergeKeyOf(present.steps ?? [], next) }));
    },
    onBlur: () => void dispatch(recipeActions.stepEnded(undefined)),
  });
  useEffect(() => {
    const written = stepsOf(editor.getJSON());
    // What was written after this was drawn is in the recipe already, and is drawn next: it is not to be taken back to what it was.
    if (sameDocument(written, steps) || (store.getState().recipe.present?.steps ?? NO_STEPS) !== steps) return;
    if (sameDocument(written.map(withoutId), steps.map(withoutId))) return giveIds(editor, steps);
    const { from } = editor.state.selection;
    editor.commands.setContent(documentOf(steps), { emitUpdate: false });
    editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size));
  }, [editor, steps, store]);
  return editor;
}

/** The part that is called so, or so in part: "Rice" of "Brown rice" where no other is. */
function partCalled({ parts }: Recipe, name: string): { readonly id: string; readonly name: string; readonly same: boolean } | undefined {
  const sought = searchWords(name).join(' ');
  const called = parts.map((part) => ({ id: part.id, name: part.name, words: searchWords(part.name).join(' ') }));
  const same = called.find(({ words }) => words === sought);
  const within = called.filter(
    ({ words }) => sought !== '' && (` ${words} `.includes(` ${sought} `) || ` ${sought} `.includes(` ${words} `)),
  );
  if (same) return { ...same, same: true };
  const [only] = within;
  return only && within.length === 1 ? { ...only, same: false } : undefined;
}

function withoutId(step: Step): Step {
  const { id: _, ...rest } = stepOf(step);
  return rest;
}

/** Tells the editor's steps what they are known by; the words and the caret stay where they are. */
function giveIds(editor: Editor, steps: readonly Step[]): void {
  const { doc, tr } = editor.state;
  const ids = steps.map((step) => stepOf(step).id ?? null);
  let s = 0;
  doc.forEach((block, at) => {
    // A step without words is none yet.
    if (stepsOf({ content: [block.toJSON() as JSONContent] }).length > 0) tr.setNodeAttribute(at, 'id', ids[s++] ?? null);
  });
  const seen = seenSelection(editor.view, tr.doc);
  if (seen) tr.setSelection(seen);
  editor.view.dispatch(tr.setMeta('addToHistory', false).setMeta('preventUpdate', true));
}

/** Writing on in one step is one edit; a step begun, moved or taken out is one of its own. */
function mergeKeyOf(before: readonly Step[], after: readonly Step[]): { readonly mergeKey?: string } {
  const changed = after.flatMap((step, i) => (sameDocument(step, before[i]) ? [] : [i]));
  return before.length === after.length && changed.length === 1 ? { mergeKey: `step ${changed[0]}` } : {};
}

function choicesOf(lines: readonly LineFigures[], recipe: Recipe): Choice[] {
  const names = new Map(recipe.parts.map(({ id, name }) => [id, name]));
  const ids = idsByReference(recipe);
  return lines.flatMap((line) => {
    const { amount, food } = mentionWords(line);
    const part = names.get(line.at.replace(/\/\d+$/, '')) ?? '';
    return food === '' ? [] : [{ at: ids.get(line.at) ?? line.at, words: food, bare: false, reads: `${amount} ${food}`.trim(), part }];
  });
}

/** Ingredients that no step mentions, and none speaks of. */
function unsaidOf(choices: readonly Choice[], steps: readonly Step[]): Choice[] {
  const texts = steps.map((step) => stepOf(step).text);
  const mentioned = new Set(texts.flatMap(mentionsIn).map(({ at }) => at));
  const spoken = new Set(texts.flatMap(searchWords));
  return choices.filter(({ at, words }) => !mentioned.has(at) && !spoken.has(searchWords(words).at(-1) ?? ''));
}
