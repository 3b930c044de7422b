import { BATCH_EDITS, LEFT_TO, type BatchEdit, type BatchLine, type LeftTo } from '../batch/index.js';
import {
  BatchDiscardEntry,
  BatchPartEntry,
  BatchPhotoEntry,
  BoxEntry,
  InsteadLineEntry,
  LeftOutLineEntry,
  MinutesEntry,
  MoreLineEntry,
  PaidEntry,
  TemperatureEntry,
  TimerEntry,
  WeighedLineEntry,
} from './batchFile.js';
import { AnyOf, Day, Flag, Id, Instant, Many, must, One, OneOf, Optional, Quantity, Text, WholeNumber } from './constraints.js';
import { entryFaults } from './entryFaults.js';
import { didYouMean, firstOf, type Fault } from './fault.js';

const LONGEST_PLACE = 241;

class LineEdit {
  @OneOf(['line']) do: 'line';
  @AnyOf('must be {"at", "grams"}, {"at", "food", "grams"} or {"at", "out": true}', {
    types: [WeighedLineEntry, InsteadLineEntry, LeftOutLineEntry],
  })
  line: BatchLine;
}
class AsPlannedEdit {
  @OneOf(['as planned']) do: 'as planned';
  @Text(LONGEST_PLACE, true) at: string;
}
class MoreEdit {
  @OneOf(['more', 'no more']) do: 'more' | 'no more';
  @One(() => MoreLineEntry) line: MoreLineEntry;
}
class PartEdit {
  @OneOf(['part']) do: 'part';
  @One(() => BatchPartEntry) part: BatchPartEntry;
}
class UnmeasuredEdit {
  @OneOf(['unmeasured']) do: 'unmeasured';
  @Id() part: string;
}
class DiscardEdit {
  @OneOf(['discard']) do: 'discard';
  @Id() part: string;
  @Id() food: string;
  @Optional() @Quantity() grams?: BatchDiscardEntry['grams'];
}
class PaidEdit {
  @OneOf(['paid', 'unpaid']) do: 'paid' | 'unpaid';
  @One(() => PaidEntry) pack: PaidEntry;
}
class BoxesEdit {
  @OneOf(['boxes']) do: 'boxes';
  @Many(() => BoxEntry, 500, 'boxes') boxes: BoxEntry[];
}
class LeftEdit {
  @OneOf(['left']) do: 'left';
  @Id() part: string;
  @must('must be "tonight", "stock", "away" or null', (found) => found === null || LEFT_TO.includes(found as LeftTo), {}) to: LeftTo | null;
}
class TemperatureEdit {
  @OneOf(['temperature']) do: 'temperature';
  @One(() => TemperatureEntry) reading: TemperatureEntry;
}
class PhotoEdit {
  @OneOf(['photo']) do: 'photo';
  @One(() => BatchPhotoEntry) photo: BatchPhotoEntry;
}
class NoPhotoEdit {
  @OneOf(['no photo']) do: 'no photo';
}
/** What is said of the whole; null takes it back. */
class HeadEdit {
  @Optional() @Day() date?: string;
  @Optional() @OrNothing() servings?: number | null;
  @Optional() @OrNothing() variant?: string | null;
  @Optional() @One(() => MinutesEntry) minutes?: MinutesEntry;
  @Optional() @OrNothing() rating?: number | null;
  @Optional() @OrNothing() note?: string | null;
  @Optional() @OrNothing() by?: string | null;
  @Optional() @OrNothing() leaveOut?: boolean | null;
}
class SayEdit {
  @OneOf(['say']) do: 'say';
  @One(() => HeadEdit) head: HeadEdit;
}
class StepEdit {
  @OneOf(['step']) do: 'step';
  @WholeNumber(0, 200) step: number;
}
class StepDoneEdit {
  @OneOf(['step done']) do: 'step done';
  @WholeNumber(1, 200) step: number;
  @Flag() done: boolean;
}
class ReadyEdit {
  @OneOf(['ready']) do: 'ready';
  @Text(LONGEST_PLACE, true) at: string;
  @Flag() ready: boolean;
}
class WayEdit {
  @OneOf(['way']) do: 'way';
  @WholeNumber(1, 200) step: number;
  @must('must be a name, or null', (found) => found === null || (typeof found === 'string' && found.length <= 80), {}) way: string | null;
}
class TimerEdit {
  @OneOf(['timer']) do: 'timer';
  @One(() => TimerEntry) timer: TimerEntry;
}
class TimerStoppedEdit {
  @OneOf(['timer stopped']) do: 'timer stopped';
  @Id() id: string;
}
class FinishEdit {
  @OneOf(['finish']) do: 'finish';
  @Optional() @One(() => MinutesEntry) minutes?: MinutesEntry;
}
class ResumeEdit {
  @OneOf(['resume']) do: 'resume';
  @Instant() begun: string;
}

/** What a batch's own class says of it is asked once the edit is made. */
function OrNothing(): PropertyDecorator {
  return must('must be what the batch holds there, or null', (found) => found === null || typeof found !== 'object', {});
}

const CLASSES: Readonly<Record<BatchEdit['do'], new () => object>> = {
  line: LineEdit,
  'as planned': AsPlannedEdit,
  more: MoreEdit,
  'no more': MoreEdit,
  part: PartEdit,
  unmeasured: UnmeasuredEdit,
  discard: DiscardEdit,
  paid: PaidEdit,
  unpaid: PaidEdit,
  boxes: BoxesEdit,
  left: LeftEdit,
  temperature: TemperatureEdit,
  photo: PhotoEdit,
  'no photo': NoPhotoEdit,
  say: SayEdit,
  step: StepEdit,
  'step done': StepDoneEdit,
  ready: ReadyEdit,
  way: WayEdit,
  timer: TimerEdit,
  'timer stopped': TimerStoppedEdit,
  finish: FinishEdit,
  resume: ResumeEdit,
};

/**
 * What is wrong with an edit of a batch by its shape. Whether the batch is sound with it is asked of the batch.
 *
 * @param path put before each fault's
 */
export function batchEditFaults(found: unknown, path: string): readonly Fault[] {
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return [{ path, message: 'must be an object' }];
  const kind = (found as { readonly do?: unknown }).do;
  if (typeof kind !== 'string' || !Object.hasOwn(CLASSES, kind))
    return [
      {
        path: `${path}.do`,
        message: `must be one of: ${BATCH_EDITS.join(', ')}${typeof kind === 'string' && kind.length < 40 ? didYouMean(kind, BATCH_EDITS) : ''}`,
      },
    ];
  return firstOf(entryFaults(CLASSES[kind as BatchEdit['do']], found, path));
}
