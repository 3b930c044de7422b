import { useState } from 'react';
import { dayText, type Finding } from '@portiona/core';
import { useListPublishedCardsQuery, usePublishCardMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { DropPanel } from '../../ui/DropPanel';
import { Modal } from '../../ui/Modal';

interface PublishedProps {
  readonly recipeId: string;
  /** What is published is what is saved. */
  readonly saved: boolean;
  readonly issue: number | undefined;
  readonly onIssue: (issue: number | undefined) => void;
  /** Lines of which it is not known that their figures are right: unsure, of no food, of no weight. */
  readonly doubtful: readonly Finding[];
}

/** Publishes the card, and says whether the one readers hold is still what would be printed. */
export function Published({ recipeId, saved, issue, onIssue, doubtful }: PublishedProps) {
  const card = useListPublishedCardsQuery(undefined, { refetchOnMountOrArgChange: true }).data?.find(({ recipe }) => recipe === recipeId);
  const [publish, { isLoading }] = usePublishCardMutation();
  const say = useToast();
  const [asking, setAsking] = useState(false);
  const publishIt = async () => {
    setAsking(false);
    try {
      const { issue: made } = await publish({ id: recipeId }).unwrap();
      onIssue(undefined);
      say(`Published as issue ${made}. Nothing you edit changes it.`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <>
      {card && (
        <DropPanel
          trigger={
            <Button kind="quiet" className={card.drift.length > 0 || card.uncomputed !== null ? 'warn' : ''}>
              {card.uncomputed !== null
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
          {card.drift.length > 0 && (
            <table className="drifts">
              <tbody>
                {card.drift.map(({ name, was, is }, i) => (
                  <tr key={i}>
                    <td>{name}</td>
                    <td className="num">
                      {was || 'not there'} → {is || 'not there'}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <Button className="mt-2" onClick={() => onIssue(issue === undefined ? card.issue : undefined)}>
            {issue === undefined ? 'Look at it as published' : 'Look at it as it stands'}
          </Button>{' '}
          <Button asChild kind="quiet">
            <a
              className="text-compact"
              href={`/api/recipes/${recipeId}/published-cards/${card.issue}/kitchen-file`}
              title="Recipe, foods, prices and settings as they were: “portiona calc” reckons its figures from it again"
            >
              What it was computed from
            </a>
          </Button>
        </DropPanel>
      )}
      {issue !== undefined && <Chip tone="warn">as published, issue {issue}</Chip>}
      <Button disabled={!saved || isLoading} onClick={() => (doubtful.length > 0 ? setAsking(true) : void publishIt())}>
        Publish
      </Button>
      <Modal open={asking} title="Publish with lines in doubt?" onClose={() => setAsking(false)}>
        <p className="mb-2">
          Readers eat by this card. {doubtful.length === 1 ? 'One of its lines is' : `${doubtful.length} of its lines are`} not settled:
        </p>
        <ul className="mb-3">
          {doubtful.map(({ code, at, message }) => (
            <li key={`${code} ${at}`} className={code === 'food-unsure' ? 'warn' : 'bad'}>
              {code === 'food-unsure' ? '▲' : '✕'} {message}
            </li>
          ))}
        </ul>
        <p className="flex gap-2">
          <Button kind="main" onClick={() => setAsking(false)}>
            Settle them first
          </Button>
          <Button onClick={() => void publishIt()}>Publish all the same</Button>
        </p>
      </Modal>
    </>
  );
}
