'use client';
import { createTheme } from '@mui/material/styles';

/** Kevlo's palette: undyed cloth, ink and dye baths. Every pair of text and ground meets WCAG AA. */
const DYES = {
  light: {
    paper: '#f4efe4',
    raised: '#fbf8f1',
    ink: '#22262b',
    faded: '#565a5c',
    line: '#c9bfab',
    woad: '#24527a',
    madder: '#9b2f22',
    weld: '#8a5a00',
    lichen: '#4d6327',
    thread: '#7a6f5d',
  },
  dark: {
    paper: '#1d2023',
    raised: '#26292d',
    ink: '#ece6d8',
    faded: '#b3ad9f',
    line: '#474b4f',
    woad: '#8fbbe0',
    madder: '#ef9486',
    weld: '#e2b457',
    lichen: '#b0c781',
    thread: '#8d8675',
  },
} as const;

function scheme(tone: keyof typeof DYES) {
  const dye = DYES[tone];
  const contrastText = tone === 'light' ? '#ffffff' : '#14171a';
  return {
    palette: {
      mode: tone,
      primary: { main: dye.woad, contrastText },
      info: { main: dye.woad, contrastText },
      error: { main: dye.madder, contrastText },
      warning: { main: dye.weld, contrastText },
      success: { main: dye.lichen, contrastText },
      background: { default: dye.paper, paper: dye.raised },
      text: { primary: dye.ink, secondary: dye.faded },
      divider: dye.line,
    },
  };
}

/** The dark scheme as variables, for a part of a page that is dark whatever the device’s own scheme is. */
export const darkVariables: Readonly<Record<string, string>> = (() => {
  const { primary, info, error, warning, success, background, text, divider } = scheme('dark').palette;
  const dyes = Object.entries({ primary, info, error, warning, success }).flatMap(
    ([name, { main, contrastText }]) => [
      [`--mui-palette-${name}-main`, main],
      [`--mui-palette-${name}-contrastText`, contrastText],
    ],
  );
  return Object.fromEntries([
    ...dyes,
    ['--mui-palette-background-default', background.default],
    ['--mui-palette-background-paper', background.paper],
    ['--mui-palette-text-primary', text.primary],
    ['--mui-palette-text-secondary', text.secondary],
    ['--mui-palette-divider', divider],
  ]) as Record<string, string>;
})();

const WORK_FONT = '"Source Sans 3 Variable", "Source Sans 3", sans-serif';
const HEAD_FONT = '"Fraunces Variable", "Fraunces", serif';
const head = { fontFamily: HEAD_FONT, fontWeight: 560, letterSpacing: '-0.005em' };

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'media' },
  colorSchemes: { light: scheme('light'), dark: scheme('dark') },
  shape: { borderRadius: 2 },
  spacing: 8,
  typography: {
    fontFamily: WORK_FONT,
    fontSize: 15,
    h1: { ...head, fontSize: '2rem', lineHeight: 1.15 },
    h2: { ...head, fontSize: '1.4rem', lineHeight: 1.2 },
    h3: { ...head, fontSize: '1.12rem', lineHeight: 1.3 },
    h4: { fontSize: '1rem', fontWeight: 600, lineHeight: 1.35 },
    button: { textTransform: 'none', fontWeight: 600 },
    overline: { textTransform: 'none', letterSpacing: 0, fontSize: '0.85rem', lineHeight: 1.4 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        'a:not([class])': { color: 'var(--mui-palette-primary-main)' },
        ':focus-visible': { outline: '3px solid var(--mui-palette-primary-main)', outlineOffset: 2 },
        '@media (prefers-reduced-motion: reduce)': {
          '*': { transition: 'none !important', animation: 'none !important' },
        },
        '@media print': { body: { background: '#fff' }, '.no-print': { display: 'none !important' } },
      },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true, variant: 'outlined' },
      styleOverrides: { root: { minHeight: 40, paddingInline: 16 } },
    },
    MuiPaper: {
      defaultProps: { elevation: 0 },
      styleOverrides: { root: { backgroundImage: 'none', border: '1px solid var(--mui-palette-divider)' } },
    },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiTableCell: {
      styleOverrides: { root: { padding: '6px 12px', borderColor: 'var(--mui-palette-divider)' } },
    },
    MuiLink: { defaultProps: { underline: 'always' } },
    MuiToggleButton: {
      styleOverrides: {
        root: { textTransform: 'none', minHeight: 40, color: 'var(--mui-palette-text-primary)' },
      },
    },
  },
});
