import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { reactCompiler } from './reactCompiler.ts';

/** Pages, and parts that are fetched for them when they are needed, that no student opens. */
const coachParts = [
  'AcademyDataPage',
  'BenchPage',
  'CallsFields',
  'CoursesPage',
  'DataPage',
  'DayActs',
  'DraftDialog',
  'Drafted',
  'DrillDialog',
  'DrillEditorPage',
  'DrillPage',
  'HandOverDialog',
  'HolesFields',
  'GoalsPage',
  'GroundsPage',
  'Head',
  'InvitationDialog',
  'Invite',
  'LeaveDialog',
  'MoreParts',
  'OwnTextPage',
  'PeoplePage',
  'PlacesPage',
  'PlannedDrillFields',
  'PlansDrawer',
  'PlansPage',
  'PrintPage',
  'ProgrammePage',
  'ProgrammesPage',
  'PublishDialog',
  'ScorePadPage',
  'ScoringPage',
  'SecurityLogPage',
  'SessionActs',
  'SetForDialog',
  'ShelfPage',
  'SquadsDialog',
  'StartDialog',
  'StudentAccount',
  'StudentDialog',
  'StudentGuardians',
  'StudentPage',
  'TakeAwayDialog',
  'TeeLinePage',
  'TestDayDialog',
  'TestDayPage',
  'TestDaysPage',
  'WalkPage',
  'Templates',
  'WeekSheetPage',
];

export default defineConfig({
  plugins: [
    // Unit tests look at what components do, and are spared the time; the browser's tests run what ships.
    !process.env.VITEST && reactCompiler(),
    react(),
    VitePWA({
      injectRegister: false,
      registerType: 'prompt',
      includeAssets: ['mark.svg', 'icon-*.png'],
      manifest: {
        name: 'Morning Round',
        short_name: 'Morning Round',
        description: 'Practice with a purpose, and proof that it holds',
        lang: 'en',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#f6f1e6',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        // A phone keeps what a student practises from. What only a coach opens is kept once it was opened.
        globIgnores: coachParts.map((part) => `assets/${part}-*.js`),
        runtimeCaching: [
          {
            urlPattern: /\/assets\//,
            handler: 'CacheFirst',
            options: { cacheName: 'opened-pages', expiration: { maxEntries: 120 } },
          },
        ],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/openapi\//, /^\/health\//],
        clientsClaim: true,
        inlineWorkboxRuntime: true,
      },
    }),
  ],
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
});
