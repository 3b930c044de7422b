// First: it says which styles are weaker than which.
import './app/index.css';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { api } from './api/api.gen';
import { kitchenKey, kitchenPath } from './api/kitchenAtHand';
import { whoIsSignedIn } from './api/pageToken';
import { Addresses } from './app/Addresses';
import { adoptKept } from './app/adoptKept';
import { comeAfter } from './app/comeAfter';
import { EntryAddresses } from './app/EntryAddresses';
import { NotHere } from './app/NotHere';
import { store } from './app/store';
import { Arriving } from './ui/Arriving';
import { Hints } from './ui/Hints';
import { Toasts } from './ui/Toasts';
import { applyTheme } from './ui/useTheme';

// Style elements that parts of the interface add must carry the page's nonce to be let through.
setNonce(document.querySelector('meta[name="csp-nonce"]')?.getAttribute('content') ?? '');
applyTheme();

// Asked before anything else is: who nobody knows is asked to sign in, and comes back here after it.
if (kitchenKey !== '') void adoptKept();
if (kitchenKey !== '')
  void whoIsSignedIn().then(
    (me) => {
      if (me) void store.dispatch(api.util.upsertQueryData('getMe', undefined, me));
      else window.location.replace(`/enter?back=${encodeURIComponent(window.location.pathname + window.location.search)}`);
    },
    // Without the server, what is kept here goes on.
    () => undefined,
  );

createRoot(document.getElementById('root') ?? document.body).render(
  <StrictMode>
    <Provider store={store}>
      <Toasts>
        {kitchenKey === '' ? (
          <BrowserRouter>
            <Arriving>
              <EntryAddresses />
            </Arriving>
          </BrowserRouter>
        ) : (
          <BrowserRouter basename={kitchenPath(kitchenKey)}>
            <Arriving instead={<NotHere />}>
              <Addresses />
            </Arriving>
          </BrowserRouter>
        )}
      </Toasts>
      <Hints />
    </Provider>
  </StrictMode>,
);

window.addEventListener('load', comeAfter);
