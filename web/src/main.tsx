import './app/fonts.css';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';

const root = document.getElementById('root');
if (root) createRoot(root).render(<App />);

// Keeps the application itself on the device. A new version waits until every tab of the old one is closed, so that nobody's
// practice is interrupted.
if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');
