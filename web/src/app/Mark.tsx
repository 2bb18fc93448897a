import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { serif } from './theme';

/** The sun coming up over the line of bays, and the name. */
export function Mark({ size = 22, isShort = false }: { size?: number; isShort?: boolean }) {
  return (
    <Box
      component={Link}
      to="/"
      {...(isShort && { 'aria-label': 'Morning Round' })}
      sx={{
        display: 'inline-flex',
        minHeight: 44,
        minWidth: 44,
        alignItems: 'center',
        gap: 1.25,
        color: 'text.primary',
        textDecoration: 'none',
        whiteSpace: 'nowrap',
        fontFamily: serif,
        fontSize: size,
        fontWeight: 600,
        letterSpacing: '-0.01em',
      }}
    >
      <svg width={size * 1.5} height={size * 1.1} viewBox="0 0 36 26" aria-hidden>
        <path d="M9 18a9 9 0 0 1 18 0z" fill="#d9772b" />
        <path d="M1 19.2h34" stroke="currentColor" strokeWidth="2.2" strokeLinecap="round" />
        <path d="M6 24.4h5m4 0h15" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" opacity=".55" />
      </svg>
      {!isShort && 'Morning Round'}
    </Box>
  );
}
