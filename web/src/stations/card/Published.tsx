import { useEffect, useRef, useState } from 'react';
import { IfMay } from '../../features/account/IfMay';
import { Link, useSearchParams } from 'react-router';
import { causedCorrection, dayText, groundOf, type Finding, type Kitchen, type Recipe } from '@portiona/core';
import { useListPublishedCardsQuery, usePublishCardMutation, type PublishedCardDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { DropPanel } from '../../ui/DropPanel';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Modal } from '../../ui/Modal';
import { TextArea } from '../../ui/TextArea';
import { CardIssues } from '../../features/cards/CardIssues';
import { Drifts } from '../../features/cards/Drifts';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { useAppDispatch } from '../../features/recipes/useRecipeState';
import { kitchenAddress } from '../../api/kitchenAtHand';

interface PublishedProps {
  readonly recipe: Recipe;
  readonly kitchen: Kitchen;
  /** What is published is what is saved. */
  readonly saved: boolean;
  readonly issue: number | undefined;
  readonly onIssue: (issue: number | undefined) => void;
  /** What Check finds wrong, or nobody is sure of, and nobody left with a reason; undefined while that is not known. */
  readonly wrong: readonly Finding[] | undefined;
}

/** Publishes the card, and says whether the one readers hold is still what would be printed. */
export function Published({ recipe, kitchen, saved, issue, onIssue, wrong }: PublishedProps) {
  const recipeId = recipe.id;
  const card = useListPublishedCardsQuery(undefined, { refetchOnMountOrArgChange: true }).data?.find(({ recipe }) => recipe === recipeId);
  const [publish, { isLoading }] = usePublishCardMutation();
  const say = useToast();
  const [asking, setAsking] = useState(false);
  const dispatch = useAppDispatch();
  /** Reasons were given, and are being saved with the recipe: then it is published. */
  const [waiting, setWaiting] = useState(false);
  /** What readers of the issue before are told; asked for where it no longer holds. */
  const [correcting, setCorrecting] = useState(false);
  const correction = useRef('');
  /** The way here may ask for the corrected card. */
  const [asked, ask] = useSearchParams();
  const wanted = asked.has('correct') && card !== undefined && card.drift.length > 0 && saved && wrong !== undefined;
  useEffect(() => {
    if (!wanted) return;
    setCorrecting(true);
    ask({}, { replace: true });
  }, [wanted, ask]);
  const publishIt = async () => {
    setAsking(false);
    try {
      const said = correction.current.trim();
      correction.current = '';
      const { issue: made } = await publish({ id: recipeId, publishingDto: said === '' ? {} : { correction: said } }).unwrap();
      onIssue(undefined);
      say(`Published as issue ${made}. Nothing you edit changes it.`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  useEffect(() => {
    if (!waiting || !saved) return;
    setWaiting(false);
    void publishIt();
    // Once the reasons are saved, and once only.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [waiting, saved]);
  const publishWith = (reasons: ReadonlyMap<Finding, string>) => {
    const accepted = [...reasons].map(([finding, because]) => ({
      code: finding.code,
      at: finding.at,
      because,
      about: groundOf(finding, recipe, kitchen),
      on: kitchen.settings.date,
    }));
    setAsking(false);
    dispatch(recipeActions.edited({ recipe: { ...recipe, accepted: [...(recipe.accepted ?? []), ...accepted] } }));
    // What was just given is not saved yet: `saved` is false from here until it is.
    setTimeout(() => setWaiting(true));
  };
  const goOn = () => ((wrong?.length ?? 0) > 0 ? setAsking(true) : void publishIt());
  return (
    <>
      {card && (
        <DropPanel
          trigger={
            <Button kind="quiet" className={card.drift.length > 0 || card.uncomputed !== null || card.takenBack !== null ? 'warn' : ''}>
              {card.takenBack !== null
                ? '▲ the published card is taken back'
                : card.uncomputed !== null
                  ? '▲ nobody can tell whether the published card holds'
                  : card.drift.length === 0
                    ? '✓ published card holds'
                    : `▲ published card drifted, ${card.drift.length}`}{' '}
              ▾
            </Button>
          }
          className="w-[400px] p-3"
          label="The published card"
        >
          <p className="mb-2">
            Issue {card.issue}, published {dayText(card.publishedAt.slice(0, 10), true)}.{' '}
            {card.uncomputed !== null
              ? `The dish has no figures today: ${card.uncomputed}.`
              : card.drift.length === 0
                ? 'It says what would be printed today.'
                : 'Today these would be printed otherwise:'}
          </p>
          {card.drift.length > 0 && <Drifts drift={card.drift} />}
          {card.causes.length > 0 && card.drift.length > 0 && (
            <p className="my-2 text-compact">Because {card.causes.map(({ text }) => text).join('; ')}.</p>
          )}
          <CardIssues recipeId={recipeId} issue={issue} onIssue={onIssue} />
          <Button asChild kind="quiet">
            <a
              className="text-compact"
              href={kitchenAddress(`/recipes/${recipeId}/published-cards/${card.issue}/kitchen-file`)}
              title="Recipe, foods, prices and settings as they were: “portiona calc” reckons its figures from it again"
            >
              What it was computed from
            </a>
          </Button>
        </DropPanel>
      )}
      {issue !== undefined && <Chip tone="warn">as published, issue {issue}</Chip>}
      <IfMay right="publish">
        <Button
          disabled={!saved || isLoading || waiting || wrong === undefined}
          hint={wrong === undefined ? 'Check has not looked yet' : undefined}
          onClick={() => (card && card.drift.length > 0 ? setCorrecting(true) : goOn())}
        >
          Publish
        </Button>
      </IfMay>
      <Modal open={correcting} title={`For readers who hold issue ${card?.issue ?? ''}`} onClose={() => setCorrecting(false)}>
        <Correcting
          card={card}
          onPublish={(said) => {
            correction.current = said;
            setCorrecting(false);
            goOn();
          }}
        />
      </Modal>
      <Modal
        open={asking}
        title={wrong?.some(({ severity }) => severity === 'wrong') ? 'Something is wrong' : 'Publish with lines in doubt?'}
        onClose={() => setAsking(false)}
      >
        <Reasons recipeId={recipeId} wrong={wrong ?? []} onPublish={publishWith} onClose={() => setAsking(false)} />
      </Modal>
    </>
  );
}

/** What the next issue says of what it puts right: proposed by what changed, and a person's to word. */
function Correcting({
  card,
  onPublish,
}: {
  readonly card: PublishedCardDto | undefined;
  readonly onPublish: (correction: string) => void;
}) {
  const { drift = [], causes = [] } = card ?? {};
  const [text, setText] = useState(() => causedCorrection(drift, causes));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onPublish(text);
      }}
    >
      <p className="mb-2">
        They go by a card that reads otherwise now. What the new one puts right is printed on it, and why, as far as that is known: word it
        for your readers.
      </p>
      <Drifts drift={drift} />
      <Field label="Correction, as it is printed" className="mt-2">
        <TextArea rows={3} maxLength={600} value={text} onChange={({ target }) => setText(target.value)} />
      </Field>
      <p className="flex flex-wrap gap-2 mt-3">
        <Button type="submit" kind="main" disabled={text.trim() === ''}>
          Publish with it
        </Button>
        <Button onClick={() => onPublish('')}>Publish without a correction</Button>
      </p>
    </form>
  );
}

interface ReasonsProps {
  readonly recipeId: string;
  readonly wrong: readonly Finding[];
  readonly onPublish: (reasons: ReadonlyMap<Finding, string>) => void;
  readonly onClose: () => void;
}

/** What is wrong, each with the reason to publish it all the same: nothing goes to readers unasked. */
function Reasons({ recipeId, wrong, onPublish, onClose }: ReasonsProps) {
  const [reasons, setReasons] = useState<ReadonlyMap<Finding, string>>(new Map());
  const said = (finding: Finding) => (reasons.get(finding) ?? '').trim();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.every((finding) => said(finding) !== '')) onPublish(new Map(wrong.map((finding) => [finding, said(finding)])));
      }}
    >
      <p className="mb-2">
        Readers eat and shop by this card, and Check finds {wrong.length === 1 ? 'one thing' : `${wrong.length} things`} to be settled. It
        is published with a reason for each, or not at all; the reasons stay with the recipe.
      </p>
      <ol className="reasons">
        {wrong.map((finding) => (
          <li key={`${finding.code} ${finding.at} ${finding.message}`}>
            <p className={finding.severity === 'wrong' ? 'bad' : 'warn'}>
              {finding.severity === 'wrong' ? '✕' : '▲'} {finding.message}
            </p>
            <Field label="Published all the same, because">
              <Input
                maxLength={500}
                value={reasons.get(finding) ?? ''}
                onChange={({ target }) => setReasons(new Map(reasons).set(finding, target.value))}
              />
            </Field>
          </li>
        ))}
      </ol>
      <p className="flex flex-wrap gap-2 mt-3">
        <Button asChild kind="main">
          <Link to={`/recipes/${recipeId}/check`} onClick={onClose}>
            Mend them first
          </Link>
        </Button>
        <Button type="submit" disabled={wrong.some((finding) => said(finding) === '')}>
          Publish with these reasons
        </Button>
      </p>
    </form>
  );
}
