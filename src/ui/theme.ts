'use client';

import './zod-in-browsers';
import { createTheme, type ThemeOptions } from '@mui/material/styles';

/** Neutral greys only (a = b = 0): the only colour on the screen is paint. One dark red for what is dangerous or lossy. */
export const INK = '#1c1c1c';
export const DIM = '#505050';
export const RULE = '#b4b4b4';
const WORK = '#e8e8e8';
export const SHEET = '#f3f3f3';
const DANGER = '#7a1414';

const heading = { fontFamily: '"Barlow Condensed", sans-serif', fontWeight: 600 };

const shared: ThemeOptions = {
  shape: { borderRadius: 0 },
  // What was pressed is there at once. A border that fades has its whole page painted for each of fifteen frames, just as the answer is drawn.
  transitions: {
    create: () => 'none',
    duration: {
      shortest: 0,
      shorter: 0,
      short: 0,
      standard: 0,
      complex: 0,
      enteringScreen: 0,
      leavingScreen: 0,
    },
  },
  typography: {
    fontFamily: '"Atkinson Hyperlegible", sans-serif',
    fontSize: 14,
    h1: heading,
    h2: heading,
    h3: heading,
    button: { ...heading, textTransform: 'none', fontSize: 16 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true, size: 'small' },
      styleOverrides: { root: { minHeight: 34, fontSize: 16, padding: '3px 12px' } },
    },
    MuiTextField: { defaultProps: { size: 'small', variant: 'outlined', fullWidth: true } },
    MuiTooltip: { defaultProps: { arrow: true } },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          ...heading,
          textTransform: 'none',
          padding: '3px 12px',
          fontSize: 16,
          color: 'inherit',
          '&.Mui-selected': { background: 'var(--ink)', color: 'var(--sheet)' },
          '&.Mui-selected:hover': { background: 'var(--ink)' },
        },
      },
    },
  },
};

export const theme = createTheme({
  ...shared,
  palette: {
    mode: 'light',
    primary: { main: INK, contrastText: '#ffffff' },
    secondary: { main: DIM },
    error: { main: DANGER },
    warning: { main: INK },
    info: { main: INK },
    success: { main: INK },
    text: { primary: INK, secondary: DIM },
    background: { default: WORK, paper: SHEET },
    divider: RULE,
  },
});

/** The bench under the lamp of a workshop: the same, on a dark ground (L* 12). */
const LAMP = { ink: '#ececec', dim: '#b8b8b8', work: '#1f1f1f', sheet: '#2a2a2a', rule: '#5c5c5c' };
export const lampTheme = createTheme({
  ...shared,
  palette: {
    mode: 'dark',
    primary: { main: LAMP.ink, contrastText: '#111111' },
    secondary: { main: LAMP.dim },
    error: { main: '#ff9a9a' },
    warning: { main: LAMP.ink },
    info: { main: LAMP.ink },
    success: { main: LAMP.ink },
    text: { primary: LAMP.ink, secondary: LAMP.dim },
    background: { default: LAMP.work, paper: LAMP.sheet },
    divider: LAMP.rule,
  },
});
