import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/bitter/index.css';
import './tokens.css';
import './base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { registerSW } from 'virtual:pwa-register';
import { App } from './App';
import { newerVersion } from './outbox/version';

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </StrictMode>,
  );
}

// the program on this phone, for the yard without a network; not where a browser has none of it
const update = registerSW({ onNeedRefresh: () => newerVersion(() => void update(true)) });
