import './app/fonts.css';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { keepApplication } from './app/offline';
import { sans, serif } from './app/theme';

/** How long the first picture waits for its letters, in milliseconds; on a worse network it comes in the device's own. */
const waitForLetters = 1_500;

/** The letters of every page, which the page itself has asked for. One that comes later would move what stands already. */
const letters = Promise.allSettled([document.fonts.load(`1em ${sans}`), document.fonts.load(`600 1em ${serif}`)]);

const root = document.getElementById('root');
if (root)
  void Promise.race([letters, new Promise((go) => setTimeout(go, waitForLetters))]).then(() =>
    createRoot(root).render(<App />),
  );

if (import.meta.env.PROD && 'serviceWorker' in navigator)
  // Where a browser keeps no application, everything works with a signal.
  void keepApplication().catch(() => undefined);
