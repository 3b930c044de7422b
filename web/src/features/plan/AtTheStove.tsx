import type { ComponentProps } from 'react';
import { Modal } from '../../ui/Modal';
import { useAwake } from '../cook/useAwake';
import { dayTitle } from './planWords';
import { RunningList } from './RunningList';
import { RunningTimers } from './RunningTimers';

interface AtTheStoveProps extends Omit<ComponentProps<typeof RunningList>, 'large' | 'onMove'> {
  readonly open: boolean;
  readonly onClose: () => void;
}

/** The running list as it is read from two metres, with the clocks of what is under way; the screen stays on. */
export function AtTheStove({ open, onClose, ...list }: AtTheStoveProps) {
  const { session } = list;
  return (
    <Modal open={open} onClose={onClose} title={`${session.name ?? 'Session'}, ${dayTitle(session.date)}`}>
      <div className="plan-large">
        <Awake />
        <RunningTimers {...list} />
        <RunningList large {...list} />
      </div>
    </Modal>
  );
}

function Awake() {
  return useAwake() ? null : <p className="sr">The screen may go off.</p>;
}
