import type { Kitchen, Recipe, RecipeFigures } from '@portiona/core';
import type { LoadedKitchen } from '../features/kitchen/useKitchen';
import { later, type Later } from '../ui/later';
import type { PanelName, ToolPanel } from '../working/panelName';

/** What a tool beside the docket works with; each takes what it needs of it. */
export interface ToolProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly here: LoadedKitchen;
  readonly kitchen: Kitchen;
  readonly onClose: () => void;
  /** Opens a figure's working. */
  readonly onFigure: (figure: PanelName) => void;
}

interface ToolEntry extends Later<ToolProps> {
  readonly name: string;
  /** With Alt. */
  readonly key?: string;
  /** Other words it is looked for by. */
  readonly also: readonly string[];
}

/** The tools that open beside the docket. One that is new is one entry here, and its name in `TOOL_PANELS`. */
export const TOOLS: Readonly<Record<ToolPanel, ToolEntry>> = {
  fit: {
    name: 'Make it fit',
    key: 'f',
    also: ['brief', 'solve', 'adjust', 'optimise', 'target', 'how much of a food'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).FitPanel })),
  },
  scale: {
    name: 'Scale',
    key: 's',
    also: ['more boxes', 'fewer boxes', 'double', 'half', 'yield', 'tray', 'pot', 'vessel', 'portion weight'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).ScalePanel })),
  },
  drives: {
    name: 'What drives it',
    key: 'd',
    also: ['shares', 'most of', 'where from', 'contribution', 'weigh next'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).ContributionsPanel })),
  },
  variants: {
    name: 'Variants',
    key: 'v',
    also: ['vegetarian', 'cheaper', 'other ways', 'swap', 'as cooked'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).VariantsPanel })),
  },
  matches: {
    name: 'What lines count as',
    key: 'm',
    also: ['foods', 'matched', 'unsure', 'counted as', 'agree', 'wrong food'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).MatchesPanel })),
  },
  notes: {
    name: 'Notes',
    key: 'n',
    also: ['comment', 'mention', 'discuss', 'ask', 'remark', 'call somebody'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).NotesPanel })),
  },
  versions: {
    name: 'Versions',
    also: ['history', 'before', 'earlier', 'take back', 'restore', 'drafts', 'saved'],
    ...later<ToolProps>(async () => ({ default: (await import('./beside')).VersionsPanel })),
  },
};
