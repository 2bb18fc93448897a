import { existsSync } from 'node:fs';

/**
 * Debian's Chromium without a window: CHROMIUM if it is set, or the build of it that never had one, or the whole one. The
 * first takes a third less of the processor than the second.
 */
export const launchOptions = {
  executablePath:
    process.env.CHROMIUM ??
    ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path)) ??
    'chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
