import { createTheme } from '@mui/material/styles';

const phone = '@media (max-width: 700px)';

/** Where the keyboard is: the ring that every plain control has too. */
const ring = { outline: '2px solid var(--focus)', outlineOffset: '2px' };

/** The kit's heights of paper: none throws a shadow here. */
const noShadows = createTheme().shadows.fill('none');

/** MUI in our own clothes: colours come from the tokens, so that dusk is one attribute away. */
export function makeTheme(dusk: boolean) {
  const c = dusk
    ? {
        leaf: '#7fbf9b',
        onLeaf: '#122019',
        ink: '#ece7d9',
        quiet: '#aeb8ac',
        ground: '#17201b',
        sheet: '#1e2923',
        rule: '#36423b',
        autumn: '#e8aa88',
      }
    : {
        leaf: '#2f6b4f',
        onLeaf: '#ffffff',
        ink: '#22302a',
        quiet: '#56635b',
        ground: '#faf7f0',
        sheet: '#ffffff',
        rule: '#d9d5c7',
        autumn: '#86421f',
      };
  return createTheme({
    palette: {
      mode: dusk ? 'dark' : 'light',
      primary: { main: c.leaf, contrastText: c.onLeaf },
      error: { main: c.autumn },
      text: { primary: c.ink, secondary: c.quiet },
      background: { default: c.ground, paper: c.sheet },
      divider: c.rule,
    },
    shape: { borderRadius: 4 },
    typography: { fontFamily: 'var(--font-text)', fontSize: 14, button: { textTransform: 'none', fontWeight: 600 } },
    shadows: noShadows,
    components: {
      MuiButton: { defaultProps: { disableElevation: true, disableRipple: true } },
      MuiFormHelperText: { styleOverrides: { root: { fontSize: 'var(--t-note)', lineHeight: 1.35, marginLeft: 2 } } },
      MuiInputLabel: {
        styleOverrides: {
          root: { [phone]: { '&.MuiInputLabel-shrink': { transform: 'translate(14px, -10px) scale(0.875)' } } },
        },
      },
      MuiOutlinedInput: { styleOverrides: { notchedOutline: { [phone]: { '& legend': { fontSize: '0.875em' } } } } },
      MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        styleOverrides: { root: { '&.Mui-focusVisible': ring, '&:focus-visible': ring } },
      },
      MuiCheckbox: { styleOverrides: { root: { '&.Mui-focusVisible': ring, 'input:focus-visible + &': ring } } },
      MuiDialog: { defaultProps: { transitionDuration: 0 } },
      MuiMenu: {
        defaultProps: { transitionDuration: 0 },
        styleOverrides: { paper: { border: `1px solid ${c.rule}` } },
      },
    },
  });
}
