import { STATIONS } from './stations';
import { TOOLS } from './toolPanels';
import { Modal } from '../ui/Modal';

const KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl K', 'find or do anything'],
  ...STATIONS.map(({ key, name }) => [`Alt ${key}`, name] as const),
  ['Enter', 'new line below'],
  ['Up, Down', 'line above, line below'],
  ['Shift Up, Shift Down', 'select lines'],
  ['Alt Up, Alt Down', 'move the line, the lines selected, or the step'],
  ['Ctrl Up, Ctrl Down', 'a step more or less of it; with Shift ten'],
  ['Ctrl D', 'duplicate the line, or the lines selected'],
  ['Delete', 'take the lines selected out'],
  ['Ctrl Z, Shift Ctrl Z', 'undo, redo, where the focus is'],
  ['Alt O', 'optional, or counted'],
  ['Alt T', 'its part at the table, or in the box'],
  ['Alt Enter', 'agree to the food of a line that is unsure'],
  ['Alt W', 'working of the figure in focus'],
  ...Object.values(TOOLS).flatMap(({ key, name }) => (key === undefined ? [] : [[`Alt ${key.toUpperCase()}`, name] as const])),
  ['@', 'in a step: mention an ingredient'],
  ['Tab', 'from a line to its food'],
  ['Enter', 'in a new food’s name: to its first figure'],
  ['Ctrl Enter', 'add the food'],
  ['Left, Right', 'at the stove: a step back, a step on; of a box: to the shelf beside; of a divider: a gram, with Shift ten'],
  ['Space', 'at the stove: take the weight'],
  ['T', 'at the stove: tare the scale'],
  ['Escape', 'close'],
];

export function KeysHelp({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Modal open={open} onClose={onClose} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
        {KEYS.map(([key, does]) => (
          <div key={does} className="contents">
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
