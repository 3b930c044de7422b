import type { WorkedFigure } from '@portiona/core';

/** What the panel beside the docket shows: the working of a figure, or what the dish may claim. */
export type PanelName = WorkedFigure | 'claims';
