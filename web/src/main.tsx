import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { comeAfter } from './app/comeAfter';
import { router } from './app/routes';
import { store } from './app/store';
import { Toasts } from './ui/Toasts';
import { applyTheme } from './ui/useTheme';
import './app/index.css';

// Style elements that parts of the interface add must carry the page's nonce to be let through.
setNonce(document.querySelector('meta[name="csp-nonce"]')?.getAttribute('content') ?? '');
applyTheme();

createRoot(document.getElementById('root') ?? document.body).render(
  <StrictMode>
    <Provider store={store}>
      <Toasts>
        <RouterProvider router={router} />
      </Toasts>
    </Provider>
  </StrictMode>,
);

window.addEventListener('load', comeAfter);
