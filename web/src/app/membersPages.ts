// The pages about the kitchen itself, in one piece.
export { LogPage } from '../features/members/LogPage';
export { MembersPage } from '../features/members/MembersPage';
export { TokensPage } from '../features/members/TokensPage';
export { WholePage } from '../features/members/WholePage';
