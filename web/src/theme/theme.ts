import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';
import controls from './controls.module.css';

const accent: MantineColorsTuple = [
  '#dcebea',
  '#c3dedd',
  '#9ccac9',
  '#6cb0b0',
  '#3d9496',
  '#1c7d81',
  '#00626b',
  '#00555d',
  '#00474e',
  '#00383e',
];

/** The component library in our type, spaces and shapes. */
export const theme = createTheme({
  fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif',
  fontFamilyMonospace: '"Atkinson Hyperlegible Mono Variable", monospace',
  headings: { fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif' },
  colors: { now: accent },
  primaryColor: 'now',
  primaryShade: 6,
  defaultRadius: 0,
  respectReducedMotion: true,
  components: {
    Button: { defaultProps: { variant: 'default' }, classNames: { root: controls.button } },
    Modal: {
      classNames: { content: controls.sheet, header: controls.sheetHead, title: controls.sheetTitle },
      defaultProps: { centered: true, transitionProps: { duration: 0 }, closeButtonProps: { 'aria-label': 'Close' } },
    },
    Drawer: {
      classNames: { content: controls.sheet, header: controls.sheetHead },
      defaultProps: { transitionProps: { duration: 0 }, closeButtonProps: { 'aria-label': 'Close' } },
    },
    TextInput: { classNames: { input: controls.input } },
    PasswordInput: { classNames: { input: controls.input, innerInput: controls.innerInput } },
    NativeSelect: { classNames: { input: controls.input } },
    NumberInput: { classNames: { input: controls.input } },
    Textarea: { classNames: { input: controls.input } },
  },
});

/** Hands our tokens to the component library, so that all three themes are ours. */
export const variables: CSSVariablesResolver = () => {
  const tokens = {
    '--mantine-color-body': 'var(--paper)',
    '--mantine-color-text': 'var(--ink)',
    '--mantine-color-dimmed': 'var(--ink-2)',
    '--mantine-color-placeholder': 'var(--ink-2)',
    '--mantine-color-error': 'var(--warn)',
    '--mantine-color-default': 'var(--sheet)',
    '--mantine-color-default-hover': 'var(--now-soft)',
    '--mantine-color-default-color': 'var(--ink)',
    '--mantine-color-default-border': 'var(--line-2)',
    '--mantine-primary-color-filled': 'var(--now)',
    '--mantine-primary-color-filled-hover': 'var(--now)',
    '--mantine-primary-color-contrast': 'var(--on-now)',
    '--mantine-color-now-filled': 'var(--now)',
    '--mantine-color-now-filled-hover': 'var(--now)',
    '--mantine-color-anchor': 'var(--now)',
  };
  return { variables: {}, light: tokens, dark: tokens };
};
