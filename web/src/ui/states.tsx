import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Problem } from '../api/client';

/** While something is on its way. Says so only to those who wait: nothing flickers on a quick answer. */
export function Loading({ what }: { what: string }) {
  return (
    <Box
      role="status"
      data-loading
      sx={{
        py: 6,
        color: 'text.secondary',
        animation: 'appear 0s 300ms both',
        '@keyframes appear': { from: { opacity: 0 } },
      }}
    >
      Getting {what} …
    </Box>
  );
}

/** What went wrong, and a way on: asking again, or home where there is nothing that asking again would find. */
export function ErrorNotice({ error, onRetry }: { error: Error; onRetry?: () => void }) {
  const isGone = error instanceof Problem && error.status === 404;
  return (
    <Box role="alert" sx={{ borderLeft: '4px solid', borderColor: 'error.main', pl: 2, py: 1, my: 2, maxWidth: 560 }}>
      <Typography sx={{ fontWeight: 620 }}>{error.message}</Typography>
      {error instanceof Problem &&
        Object.entries(error.errors).map(([path, messages]) => (
          <Typography key={path} variant="body2">
            {messages.join(' ')}
          </Typography>
        ))}
      {onRetry &&
        (isGone ? (
          <Button href="/" sx={{ ml: -1.25 }}>
            Home
          </Button>
        ) : (
          <Button onClick={onRetry} sx={{ ml: -1.25 }}>
            Try again
          </Button>
        ))}
    </Box>
  );
}

/** A list with nothing in it, and what to do about that. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Box sx={{ py: 4, px: 3, border: '1px dashed', borderColor: 'text.secondary', borderRadius: 2, maxWidth: 560 }}>
      <Typography variant="h3" component="p">
        {title}
      </Typography>
      <Box sx={{ color: 'text.secondary', mt: 0.5 }}>{children}</Box>
    </Box>
  );
}

/** A key, shown on its control while that is pointed at or in focus; all of them stand under "?". */
export function Key({ children }: { children: string }) {
  return (
    <Box
      component="kbd"
      aria-hidden
      sx={{
        display: 'none',
        position: 'absolute',
        top: -9,
        right: -4,
        zIndex: 2,
        font: 'inherit',
        fontSize: 11.5,
        lineHeight: 1.4,
        fontWeight: 600,
        px: 0.6,
        borderRadius: '4px',
        border: '1px solid',
        borderColor: 'text.secondary',
        bgcolor: 'background.paper',
        color: 'text.primary',
        whiteSpace: 'nowrap',
        // A selector that begins with a colon would be tied to the key itself, and never match.
        '@media (pointer: fine)': {
          'a:hover > &, a:focus-visible > &, button:hover > &, button:focus-visible > &': { display: 'inline-block' },
        },
      }}
    >
      {children}
    </Box>
  );
}
