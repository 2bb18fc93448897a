import { createTheme, type Theme } from '@mui/material/styles';

/** The colours of early light on a practice ground, and of the same ground in hard sun. */
const light = {
  paper: '#f6f1e6',
  card: '#fffdf7',
  ink: '#1e3b30',
  soft: '#50645a',
  line: '#cfc8b6',
  dawn: '#b24e0c',
  glow: '#f0b37a',
};
const outdoor: typeof light = {
  paper: '#ffffff',
  card: '#ffffff',
  ink: '#000000',
  soft: '#1c1c1c',
  line: '#000000',
  dawn: '#8a3200',
  glow: '#ffc98f',
};

export const sans = '"Figtree Variable", system-ui, sans-serif';
export const serif = 'Literata, Georgia, serif';

/** A height or width in pixels, or what a thumb needs where one presses. */
export const thumb = (px = 0) => `max(${px}px, var(--thumb, 0px))`;

declare module '@mui/material/styles' {
  interface Palette {
    line: string;
    glow: string;
  }
  interface PaletteOptions {
    line: string;
    glow: string;
  }
}

/** The application's one theme, in its everyday and its outdoor (high contrast) form. */
export function makeTheme(isOutdoor: boolean): Theme {
  const c = isOutdoor ? outdoor : light;
  const border = `${isOutdoor ? 2 : 1}px solid ${c.line}`;
  return createTheme({
    // A number is a size at the browser's usual letters, and follows what somebody sets there.
    unstable_sxConfig: {
      fontSize: {
        themeKey: 'typography',
        transform: (value: unknown) => (typeof value === 'number' ? `${value / 16}rem` : (value as string)),
      },
    },
    palette: {
      primary: { main: c.ink, contrastText: c.paper },
      secondary: { main: c.dawn, contrastText: '#ffffff' },
      error: { main: '#9c2a1c' },
      background: { default: c.paper, paper: c.card },
      text: { primary: c.ink, secondary: c.soft },
      divider: c.line,
      line: c.line,
      glow: c.glow,
    },
    shape: { borderRadius: 8 },
    spacing: 8,
    typography: {
      fontFamily: sans,
      h1: { fontFamily: serif, fontSize: '1.9rem', fontWeight: 600, lineHeight: 1.2, letterSpacing: '-0.01em' },
      h2: { fontFamily: serif, fontSize: '1.3rem', fontWeight: 600, lineHeight: 1.25 },
      h3: { fontSize: '1rem', fontWeight: 650, lineHeight: 1.3 },
      body1: { fontSize: '1rem', lineHeight: 1.5 },
      body2: { fontSize: '0.9rem', lineHeight: 1.45 },
      button: { textTransform: 'none', fontWeight: 620, fontSize: '0.97rem', letterSpacing: 0 },
    },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontVariantNumeric: 'tabular-nums', fontFeatureSettings: '"tnum"' },
          '*:focus-visible': { outline: `3px solid ${c.ink}`, outlineOffset: 2 },
          '@media (prefers-reduced-motion: reduce)': {
            '*': { transition: 'none !important', animation: 'none !important' },
          },
          '@media print': {
            body: { background: '#fff' },
            '.no-print': { display: 'none !important' },
            // What neither holds the part that is printed alone, nor is it, nor stands in it.
            '.prints-a-part *:not(:has(.printed-part)):not(.printed-part, .printed-part *)': {
              display: 'none !important',
            },
          },
          a: { color: c.ink },
          // Words that lead somewhere look like the buttons that are words.
          'a:not([class])': { fontWeight: 620, textUnderlineOffset: 4, textDecorationThickness: 1 },
          // A thumb needs more than a line of text: what can be pressed grows without moving what stands around it.
          '@media (pointer: coarse)': {
            'a:not(:has(div, svg))': { paddingBlock: 14, marginBlock: -14 },
            ':root': { '--thumb': '44px' },
          },
          button: { minWidth: thumb(), minHeight: thumb() },
        },
      },
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        // Links and labels that look like buttons are none by name.
        styleOverrides: { root: { minWidth: thumb(), minHeight: thumb() } },
      },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: {
            borderRadius: 22,
            padding: '7px 18px',
            minHeight: thumb(40),
          },
          outlined: { borderColor: c.soft, '&:hover': { background: 'rgba(30,59,48,0.06)' } },
          text: {
            textDecoration: 'underline',
            textUnderlineOffset: 4,
            textDecorationThickness: 1,
            padding: '7px 10px',
          },
        },
      },
      MuiOutlinedInput: {
        defaultProps: { notched: false },
        styleOverrides: {
          root: { background: c.card, borderRadius: 8 },
          notchedOutline: { border, borderColor: isOutdoor ? '#000' : '#8d9488' },
          input: { padding: '9px 12px' },
          multiline: { padding: '9px 12px', '& textarea': { padding: 0 } },
        },
      },
      MuiDialog: {
        styleOverrides: {
          paper: { background: c.card, borderRadius: 14, boxShadow: '0 18px 60px rgba(30,40,30,0.28)' },
        },
      },
      MuiDialogTitle: { styleOverrides: { root: { fontFamily: serif, fontSize: '1.3rem', fontWeight: 600 } } },
      MuiDialogActions: { styleOverrides: { root: { padding: '8px 24px 20px' } } },
      MuiTooltip: { defaultProps: { enterDelay: 400 } },
    },
  });
}
