import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useMemo } from 'react';
import { RouterProvider } from 'react-router';
import { Problem } from '../api/client';
import { signInKeys } from '../api/queryKeys';
import { PhasePatterns } from '../ui/phases';
import { useOutdoor } from './outdoor';
import { router } from './router';
import { whoIsSignedIn } from './signIn';
import { makeTheme } from './theme';

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({
    // A sign-in that ran out is noticed at the first call, not when it is asked for again.
    onError: (error, query) => {
      if (error instanceof Problem && error.status === 401 && query.queryKey[0] !== signInKeys.all[0])
        // A question on its way may have been answered before the sign-in ended: it is asked anew.
        void queries
          .cancelQueries({ queryKey: signInKeys.all })
          .then(() => queries.invalidateQueries({ queryKey: signInKeys.all }));
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What a device believes about its network is often wrong; asking tells.
      networkMode: 'always',
      // Asking again helps when the connection failed, not when the server said no.
      retry: (failures, error) => failures < 2 && error instanceof Problem && error.status === 0,
    },
    mutations: { networkMode: 'always' },
  },
});

// Asked while the page is still on its way: nothing on it can be asked for before it is known whose it is.
void queries.query(whoIsSignedIn).catch(() => undefined);

/** Styles are written with the nonce that the page came with: a browser takes them from nobody else. */
const styles = createCache({
  key: 'css',
  nonce: document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '',
});

export function App() {
  const [isOutdoor] = useOutdoor();
  const theme = useMemo(() => makeTheme(isOutdoor), [isOutdoor]);
  return (
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <PhasePatterns />
        <QueryClientProvider client={queries}>
          <RouterProvider router={router} />
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  );
}
