// First: it says which styles are weaker than which.
import './app/index.css';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { Addresses } from './app/Addresses';
import { comeAfter } from './app/comeAfter';
import { NotHere } from './app/NotHere';
import { store } from './app/store';
import { Arriving } from './ui/Arriving';
import { Hints } from './ui/Hints';
import { Toasts } from './ui/Toasts';
import { applyTheme } from './ui/useTheme';

// Style elements that parts of the interface add must carry the page's nonce to be let through.
setNonce(document.querySelector('meta[name="csp-nonce"]')?.getAttribute('content') ?? '');
applyTheme();

createRoot(document.getElementById('root') ?? document.body).render(
  <StrictMode>
    <Provider store={store}>
      <Toasts>
        <BrowserRouter>
          <Arriving instead={<NotHere />}>
            <Addresses />
          </Arriving>
        </BrowserRouter>
      </Toasts>
      <Hints />
    </Provider>
  </StrictMode>,
);

window.addEventListener('load', comeAfter);
