import { useDispatch } from 'react-redux';
import { api, useChangeSettingsMutation, type SettingsDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';

/** Changes settings of the kitchen; what went wrong is told. */
export function useChangeSettings(): (changes: SettingsDto) => void {
  const [save] = useChangeSettingsMutation();
  const say = useToast();
  const dispatch = useDispatch();
  return (settingsDto) => {
    save({ settingsDto })
      .unwrap()
      // What a box costs and delivers follows the settings, and what is told of its card and its series.
      .then(() => dispatch(api.util.invalidateTags(['recipes', 'cards', 'series', 'readers'])))
      .catch((error: unknown) => say(problemText(problemOf(error))));
  };
}
