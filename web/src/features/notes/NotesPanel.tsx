import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Recipe } from '@portiona/core';
import {
  useChangeNoteMutation,
  useListMembersQuery,
  useListNotesQuery,
  useRemoveNoteMutation,
  useSeeNotesMutation,
  useWriteNoteMutation,
  type MemberDto,
  type NoteDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Remark } from '../../ui/Remark';
import { Select } from '../../ui/Select';
import { SidePanel } from '../../ui/SidePanel';
import { TextArea } from '../../ui/TextArea';
import { dayAndTime } from '../account/dayAndTime';
import { useMay } from '../account/useMe';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { calledIn, notePieces } from './mentions';
import { notePlaces, type NotePlace } from './notePlaces';
import './notes.css';

interface NotesPanelProps {
  readonly recipe: Recipe;
  readonly here: LoadedKitchen;
  readonly onClose: () => void;
}

const NO_NOTES: readonly NoteDto[] = [];
const NO_MEMBERS: readonly MemberDto[] = [];

/** What members write to one another on the dish, on its lines, steps and findings. */
export function NotesPanel({ recipe, here, onClose }: NotesPanelProps) {
  const { data: notes = NO_NOTES, error, isLoading } = useListNotesQuery({ id: recipe.id }, { refetchOnMountOrArgChange: true });
  const { data: members = NO_MEMBERS } = useListMembersQuery();
  const [search] = useSearchParams();
  const [see] = useSeeNotesMutation();
  const [done, setDone] = useState(false);
  const mayWrite = useMay('comment');
  const calls = notes.some(({ callsYou }) => callsYou);
  useEffect(() => {
    // Read here, they call no more.
    if (calls) void see({ id: recipe.id });
  }, [calls, see, recipe.id]);
  const places = useMemo(() => notePlaces(recipe, here.foodsById), [recipe, here.foodsById]);
  const shown = notes.filter(({ doneAt }) => done || doneAt === undefined);
  const closed = notes.length - notes.filter(({ doneAt }) => doneAt === undefined).length;
  const groups = groupsOf(shown, places);
  const wanted = search.get('at');
  return (
    <SidePanel label="Notes" subject={recipe.id} onClose={onClose}>
      <h2>Notes</h2>
      {error !== undefined && <Remark tone="bad">{problemText(problemOf(error))}</Remark>}
      {mayWrite ? (
        <WriteNote key={wanted} recipe={recipe} places={places} members={members} wanted={wanted} about={search.get('about') ?? ''} />
      ) : (
        <p className="muted">You may read notes; testers, editors and owners write them.</p>
      )}
      {groups.map(({ place, about, gone, notes: own }) => (
        <section key={place} className="note-place" aria-label={about}>
          <h3>
            {about}
            {gone && <span className="faint text-small"> no longer in the dish</span>}
          </h3>
          <ol>
            {own.map((note) => (
              <NoteRow key={note.id} note={note} members={members} />
            ))}
          </ol>
        </section>
      ))}
      {groups.length === 0 && !isLoading && <p className="muted">Nothing waits here.</p>}
      {closed > 0 && (
        <Button kind="quiet" onClick={() => setDone(!done)}>
          {done ? 'Only what waits' : `${closed} done with`}
        </Button>
      )}
    </SidePanel>
  );
}

interface NoteGroup extends NotePlace {
  readonly gone: boolean;
  readonly notes: readonly NoteDto[];
}

/** Notes by where they stand, in the dish's order; what stands nowhere any more comes last, with what stood there. */
function groupsOf(notes: readonly NoteDto[], places: readonly NotePlace[]): readonly NoteGroup[] {
  const known = new Map(places.map((one, i) => [one.place, { ...one, order: i }]));
  const groups = new Map<string, NoteDto[]>();
  for (const note of notes) groups.set(note.place, [...(groups.get(note.place) ?? []), note]);
  return [...groups]
    .map(([place, own]) => {
      const here = known.get(place);
      const finding = place.startsWith('finding/');
      return {
        place,
        about: here?.about ?? own[0]?.about ?? '',
        gone: !here && !finding,
        notes: own,
        order: here?.order ?? (finding ? 1e6 : 2e6),
      };
    })
    .sort((a, b) => a.order - b.order);
}

interface WriteNoteProps {
  readonly recipe: Recipe;
  readonly places: readonly NotePlace[];
  readonly members: readonly MemberDto[];
  /** Where it is to stand, where somebody came here for that. */
  readonly wanted: string | null;
  readonly about: string;
}

function WriteNote({ recipe, places, members, wanted, about }: WriteNoteProps) {
  const [write, { isLoading }] = useWriteNoteMutation();
  const [text, setText] = useState('');
  const [place, setPlace] = useState(wanted ?? 'recipe');
  const [trouble, setTrouble] = useState('');
  const area = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (wanted !== null) area.current?.focus();
  }, [wanted]);
  const others = members.filter(({ you }) => !you);
  const all = places.some((one) => one.place === place) ? places : [...places, { place, about }];
  const called = calledIn(text, members);
  const send = async () => {
    try {
      const here = all.find((one) => one.place === place);
      await write({ id: recipe.id, newNoteDto: { place, about: here?.about ?? '', text, mentions: called } }).unwrap();
      setText('');
      setTrouble('');
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <form
      className="note-new"
      data-own-undo
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      <Field label="On">
        <Select value={place} onChange={({ target }) => setPlace(target.value)}>
          {all.map((one) => (
            <option key={one.place} value={one.place}>
              {one.place === 'recipe' ? 'the dish' : one.about}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="A note">
        <TextArea ref={area} required rows={3} maxLength={2000} value={text} onChange={({ target }) => setText(target.value)} />
      </Field>
      {others.length > 0 && (
        <p className="note-calls">
          {others.map(({ id, name }) => (
            <Button
              key={id}
              type="button"
              kind="quiet"
              aria-pressed={called.includes(id)}
              onClick={() => {
                setText(`${text}${text === '' || /\s$/.test(text) ? '' : ' '}@${name} `);
                area.current?.focus();
              }}
            >
              @{name}
            </Button>
          ))}
        </p>
      )}
      <p className="flex gap-3 items-center">
        <Button kind="main" disabled={isLoading || text.trim() === ''}>
          Write it
        </Button>
        {called.length > 0 && (
          <span className="faint text-small">
            calls{' '}
            {members
              .filter(({ id }) => called.includes(id))
              .map(({ name }) => name)
              .join(', ')}
          </span>
        )}
      </p>
    </form>
  );
}

function NoteRow({ note, members }: { readonly note: NoteDto; readonly members: readonly MemberDto[] }) {
  const [change] = useChangeNoteMutation();
  const [remove] = useRemoveNoteMutation();
  const [editing, setEditing] = useState<string>();
  const [trouble, setTrouble] = useState('');
  const mayWrite = useMay('comment');
  const manages = useMay('manage');
  const { id, by, own, madeAt, editedAt, doneAt, doneBy } = note;
  const say = (error: unknown) => setTrouble(problemText(problemOf(error)));
  const keep = async () => {
    try {
      await change({ id, changingNoteDto: { text: editing ?? '', mentions: calledIn(editing ?? '', members) } }).unwrap();
      setEditing(undefined);
    } catch (error) {
      say(error);
    }
  };
  return (
    <li className={doneAt === undefined ? 'note' : 'note done'}>
      <p className="note-by">
        <b>{own ? 'You' : by}</b>{' '}
        <span className="faint text-small">
          {dayAndTime(madeAt)}
          {editedAt !== undefined && ', changed since'}
        </span>
      </p>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      {editing === undefined ? (
        <p className="note-text">
          {notePieces(note.text, members).map(({ text, calls }, i) => (calls === undefined ? text : <b key={i}>{text}</b>))}
        </p>
      ) : (
        <form
          data-own-undo
          className="grid gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <TextArea
            aria-label="The note"
            autoFocus
            rows={3}
            maxLength={2000}
            value={editing}
            onChange={({ target }) => setEditing(target.value)}
          />
          <p className="flex gap-2">
            <Button disabled={editing.trim() === ''}>Keep it</Button>
            <Button type="button" kind="quiet" onClick={() => setEditing(undefined)}>
              Leave it
            </Button>
          </p>
        </form>
      )}
      {doneAt !== undefined && <p className="faint text-small">done with, says {doneBy}</p>}
      {mayWrite && editing === undefined && (
        <p className="note-do">
          <Button
            kind="quiet"
            onClick={() =>
              void change({ id, changingNoteDto: { done: doneAt === undefined } })
                .unwrap()
                .catch(say)
            }
          >
            {doneAt === undefined ? 'Done with' : 'Not done yet'}
          </Button>
          {own && (
            <Button kind="quiet" onClick={() => setEditing(note.text)}>
              Change
            </Button>
          )}
          {(own || manages) && (
            <Button kind="quiet" onClick={() => void remove({ id }).unwrap().catch(say)}>
              Take away
            </Button>
          )}
        </p>
      )}
    </li>
  );
}
