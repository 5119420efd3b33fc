import { Button, createTheme, type MantineColorsTuple } from '@mantine/core';

/** The one accent: the next action, and nothing else. */
const brass: MantineColorsTuple = [
  '#faf4e4',
  '#f0e4c4',
  '#e2cd95',
  '#d4b566',
  '#c8a140',
  '#b98d22',
  '#a07717',
  '#8a6414',
  '#6f5010',
  '#543c0b',
];
/** Neutral greys: equal parts red, green and blue, so that no colour is judged on a tint. */
const grey: MantineColorsTuple = [
  '#f6f6f6',
  '#eaeaea',
  '#dcdcdc',
  '#c8c8c8',
  '#aeaeae',
  '#8e8e8e',
  '#6c6c6c',
  '#4c4c4c',
  '#343434',
  '#222222',
];
const dark: MantineColorsTuple = [
  '#ececec',
  '#d6d6d6',
  '#b6b6b6',
  '#909090',
  '#626262',
  '#484848',
  '#383838',
  '#2a2a2a',
  '#202020',
  '#161616',
];

export const theme = createTheme({
  colors: { brass, gray: grey, dark, ink: grey },
  primaryColor: 'ink',
  primaryShade: { light: 9, dark: 3 },
  autoContrast: true,
  fontFamily: 'Barlow, system-ui, sans-serif',
  fontFamilyMonospace: '"JetBrains Mono", monospace',
  headings: { fontFamily: '"Barlow Condensed", Barlow, sans-serif', fontWeight: '600' },
  defaultRadius: 'sm',
  cursorType: 'pointer',
  respectReducedMotion: true,
  components: {
    // Two looks, both in styles.css: what is done next is brass, everything else is quiet.
    Button: Button.extend({
      defaultProps: { variant: 'quiet' },
      classNames: (_theme, { variant }) => ({ root: variant === 'action' ? 'action' : 'quiet' }),
    }),
    // The rest by name, so that the first view does not fetch what it does not show.
    // 24 px: to be hit with gloves on.
    Checkbox: { defaultProps: { size: 'md' }, classNames: { label: 'checklabel' } },
    Radio: { defaultProps: { size: 'md' }, classNames: { label: 'checklabel' } },
    Table: { defaultProps: { withRowBorders: false } },
    Tooltip: { defaultProps: { withArrow: true, openDelay: 300 } },
    TextInput: { defaultProps: { size: 'sm' } },
    Select: { defaultProps: { size: 'sm', allowDeselect: false } },
    // A list is drawn when it is opened: left to itself every closed one would hold all its options.
    Combobox: { defaultProps: { keepMounted: false } },
  },
});
