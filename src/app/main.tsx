import '../core/records/zodSetup.ts';
import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-700.css';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
import 'bootstrap/dist/css/bootstrap.min.css';
import './theme/tokens.css';
import './theme/bootstrap.css';
import './theme/frame.css';
import './theme/kit.css';
import './theme/benches.css';
import './theme/phone.css';
import './theme/print.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
