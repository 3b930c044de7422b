import type { WorkedFigure } from '@portiona/core';

/** Panels that say where figures come from. */
export type FiguresPanel = WorkedFigure | 'claims' | 'index';

/** Panels that change the dish, or say what it was. */
export const TOOL_PANELS = ['fit', 'scale', 'drives', 'variants', 'versions', 'matches', 'notes'] as const;
export type ToolPanel = (typeof TOOL_PANELS)[number];

/** What the panel beside the docket shows. */
export type PanelName = FiguresPanel | ToolPanel;

/** Whether a panel changes the dish. */
export function isTool(panel: PanelName): panel is ToolPanel {
  return (TOOL_PANELS as readonly string[]).includes(panel);
}
