import type { WorkedFigure } from '@portiona/core';

/** What the panel beside the docket shows: the working of a figure, what the dish may claim, or how it can be made to fit. */
export type PanelName = WorkedFigure | 'claims' | 'fit';
