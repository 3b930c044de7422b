// What is not in sight when a dish is opened, and one key away: it shares most of its code, so that it comes in one piece.
export { BriefStation } from '../stations/brief/BriefStation';
export { CheckStation } from '../stations/check/CheckStation';
export { CardStation } from '../stations/card/CardStation';
export { ContributionsPanel } from '../features/contributions/ContributionsPanel';
export { FitPanel } from '../features/fit/FitPanel';
export { KitchenSettings } from '../features/kitchen/KitchenSettings';
export { MatchesPanel } from '../features/matches/MatchesPanel';
export { NotesPanel } from '../features/notes/NotesPanel';
export { ScalePanel } from '../features/scaling/ScalePanel';
export { VariantsPanel } from '../features/variants/VariantsPanel';
export { VersionsPanel } from '../features/versions/VersionsPanel';
export { WorkingPanel } from '../working/WorkingPanel';
