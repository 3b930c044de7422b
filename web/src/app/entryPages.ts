// What a page of a kitchen does not need comes in a piece of its own.
export { AccountPage } from '../features/account/AccountPage';
export { EnterPage } from '../features/account/EnterPage';
export { JoinPage } from '../features/account/JoinPage';
export { LettersPage } from '../features/account/LettersPage';
export { ResetPage } from '../features/account/ResetPage';
export { ToKitchen } from '../features/account/ToKitchen';
export { UpkeepPage } from '../features/upkeep/UpkeepPage';
