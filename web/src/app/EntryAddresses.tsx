import { Navigate, Route, Routes, useLocation } from 'react-router';
import { later } from '../ui/later';

const { View: EnterPage } = later(async () => ({ default: (await import('./entryPages')).EnterPage }));
const { View: JoinPage } = later(async () => ({ default: (await import('./entryPages')).JoinPage }));
const { View: ResetPage } = later(async () => ({ default: (await import('./entryPages')).ResetPage }));
const { View: AccountPage } = later(async () => ({ default: (await import('./entryPages')).AccountPage }));
const { View: LettersPage } = later(async () => ({ default: (await import('./entryPages')).LettersPage }));
const { View: UpkeepPage } = later(async () => ({ default: (await import('./entryPages')).UpkeepPage }));
const { View: ToKitchen } = later(async () => ({ default: (await import('./entryPages')).ToKitchen }));

/** Every address that belongs to no kitchen. */
export function EntryAddresses() {
  const { pathname, search, hash } = useLocation();
  // A link that is opened where its page is open already is another link: the page begins anew with it.
  return (
    <Routes>
      <Route path="enter" element={<EnterPage key={hash} />} />
      <Route path="join" element={<JoinPage key={hash} />} />
      <Route path="reset" element={<ResetPage key={hash} />} />
      <Route path="account" element={<AccountPage />} />
      <Route path="account/letters" element={<LettersPage />} />
      <Route path="account/upkeep" element={<UpkeepPage />} />
      <Route path="account/*" element={<Navigate to="/account" replace />} />
      <Route path="*" element={<ToKitchen path={pathname + search} />} />
    </Routes>
  );
}
