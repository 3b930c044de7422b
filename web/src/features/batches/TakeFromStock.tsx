import { useTakeStockMutation } from '../../api/api.gen';
import { IfMay } from '../account/IfMay';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { useToast } from '../../ui/Toasts';

/** Takes what a batch used out of what is in the house: once, whoever presses it. */
export function TakeFromStock({ batch }: { readonly batch: string }) {
  const [take, { isLoading }] = useTakeStockMutation();
  const say = useToast();
  return (
    <IfMay right="cook">
      <Button
        disabled={isLoading}
        onClick={() =>
          void take({ id: batch })
            .unwrap()
            .then(({ taken, lacking, before }) =>
              say(
                before
                  ? 'It was taken out of stock before: nothing was done.'
                  : `${taken === 1 ? 'One thing' : `${taken} things`} in stock made less.${lacking.length === 0 ? '' : ` Not enough was there of ${lacking.slice(0, 4).join(', ')}${lacking.length > 4 ? ` and ${lacking.length - 4} more` : ''}.`}`,
              ),
            )
            .catch((failed: unknown) => say(`Nothing was taken out of stock: ${problemText(problemOf(failed))}`))
        }
      >
        Take what it used out of stock
      </Button>
    </IfMay>
  );
}
