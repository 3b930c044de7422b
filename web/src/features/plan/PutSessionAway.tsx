import { useNavigate } from 'react-router';
import { IfMay } from '../account/IfMay';
import { useArchiveSessionMutation } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { useToast } from '../../ui/Toasts';

/** Puts a session away. */
export function PutSessionAway({ id }: { readonly id: string }) {
  const [archive] = useArchiveSessionMutation();
  const say = useToast();
  const go = useNavigate();
  return (
    <IfMay right="cook">
      <Button
        kind="quiet"
        onClick={() =>
          void archive({ id })
            .unwrap()
            .then(() => {
              say('The session is put away.');
              void go('/plan');
            })
            .catch(() => say('It could not be put away just now; nothing was changed.'))
        }
      >
        Put away
      </Button>
    </IfMay>
  );
}
