import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import badge from '@primeuix/themes/aura/badge';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import chip from '@primeuix/themes/aura/chip';
import datatable from '@primeuix/themes/aura/datatable';
import datepicker from '@primeuix/themes/aura/datepicker';
import dialog from '@primeuix/themes/aura/dialog';
import iconfield from '@primeuix/themes/aura/iconfield';
import inputnumber from '@primeuix/themes/aura/inputnumber';
import inputtext from '@primeuix/themes/aura/inputtext';
import menu from '@primeuix/themes/aura/menu';
import multiselect from '@primeuix/themes/aura/multiselect';
import paginator from '@primeuix/themes/aura/paginator';
import popover from '@primeuix/themes/aura/popover';
import progressbar from '@primeuix/themes/aura/progressbar';
import radiobutton from '@primeuix/themes/aura/radiobutton';
import ripple from '@primeuix/themes/aura/ripple';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import slider from '@primeuix/themes/aura/slider';
import textarea from '@primeuix/themes/aura/textarea';
import toast from '@primeuix/themes/aura/toast';
import togglebutton from '@primeuix/themes/aura/togglebutton';
import tooltip from '@primeuix/themes/aura/tooltip';

/**
 * The colours of Joy Lap, defined here and nowhere else. Everything drawn by hand uses them as `--p-jl-…`; PrimeNG's own
 * tokens refer to the same ones.
 */
const light = {
  paper: '#F5F2EA',
  panel: '#FCFBF7',
  sunk: '#ECE6DA',
  line: '#D5CEBF',
  ink: '#1E2328',
  muted: '#575D64',
  faint: '#8B8F93',
  bar: '#1E2328',
  onBar: '#F5F2EA',
  onBarMuted: '#C3C5C4',
  lake: '#0E5A63',
  lakeSoft: '#CFE2E3',
  onLake: '#FFFFFF',
  kerb: '#B83427',
  kerbSoft: '#F8E1DD',
  onKerb: '#FFFFFF',
  amber: '#865200',
  amberMark: '#B87400',
  amberSoft: '#F6E2BB',
  moss: '#2F6B2E',
  mossSoft: '#D5E5D0',
  lilac: '#5C4C9B',
  lilacSoft: '#E1DBF3',
  done: '#6B6F73',
  doneSoft: '#E3DED3',
};

const dusk: typeof light = {
  paper: '#171B1F',
  panel: '#20262B',
  sunk: '#12161A',
  line: '#3B434A',
  ink: '#EFEBE0',
  muted: '#B2B7BA',
  faint: '#7F868C',
  bar: '#0D1013',
  onBar: '#F5F2EA',
  onBarMuted: '#B9BDBF',
  lake: '#6CC3CC',
  lakeSoft: '#1F4349',
  onLake: '#0D1D20',
  kerb: '#F39184',
  kerbSoft: '#4A2320',
  onKerb: '#2A0D0A',
  amber: '#EDB24E',
  amberMark: '#EDB24E',
  amberSoft: '#46351A',
  moss: '#8FCB8C',
  mossSoft: '#233A24',
  lilac: '#BEB2F0',
  lilacSoft: '#332D52',
  done: '#9AA0A5',
  doneSoft: '#2B3238',
};

/** The scale that PrimeNG derives hover and active shades from, around the lake of each theme. */
const lakeScale = {
  50: '#EEF6F6',
  100: '#D6E8E9',
  200: '#AFD2D5',
  300: '#7FB7BC',
  400: '#3F8E97',
  500: '#0E5A63',
  600: '#0C4F57',
  700: '#0A434A',
  800: '#08363C',
  900: '#062A2F',
  950: '#041C1F',
};

const scheme = (jl: typeof light) => ({
  jl,
  primary: {
    color: jl.lake,
    contrastColor: jl.onLake,
    hoverColor: `color-mix(in srgb, ${jl.lake}, ${jl.ink} 18%)`,
    activeColor: `color-mix(in srgb, ${jl.lake}, ${jl.ink} 28%)`,
  },
  highlight: {
    background: jl.lakeSoft,
    focusBackground: jl.lakeSoft,
    color: jl.ink,
    focusColor: jl.ink,
  },
  text: { color: jl.ink, hoverColor: jl.ink, mutedColor: jl.muted, hoverMutedColor: jl.ink },
  content: {
    background: jl.panel,
    hoverBackground: jl.sunk,
    borderColor: jl.line,
    color: jl.ink,
    hoverColor: jl.ink,
  },
  formField: {
    background: jl.panel,
    disabledBackground: jl.sunk,
    filledBackground: jl.panel,
    borderColor: jl.faint,
    hoverBorderColor: jl.ink,
    focusBorderColor: jl.lake,
    invalidBorderColor: jl.kerb,
    color: jl.ink,
    disabledColor: jl.muted,
    placeholderColor: jl.muted,
    shadow: 'none',
  },
  overlay: {
    select: { background: jl.panel, borderColor: jl.ink, color: jl.ink },
    popover: { background: jl.panel, borderColor: jl.ink, color: jl.ink },
    modal: { background: jl.panel, borderColor: jl.ink, color: jl.ink },
  },
  list: {
    option: {
      focusBackground: jl.lakeSoft,
      selectedBackground: jl.lakeSoft,
      selectedFocusBackground: jl.lakeSoft,
      color: jl.ink,
      focusColor: jl.ink,
      selectedColor: jl.ink,
      selectedFocusColor: jl.ink,
    },
  },
});

/** Buttons of one theme: full, outlined and plain, in ink rather than in grey. */
const buttons = (jl: typeof light) => ({
  root: {
    danger: {
      background: jl.kerb,
      hoverBackground: jl.kerb,
      activeBackground: jl.kerb,
      borderColor: jl.kerb,
      hoverBorderColor: jl.ink,
      color: jl.onKerb,
      hoverColor: jl.onKerb,
    },
  },
  outlined: {
    primary: { borderColor: jl.ink, color: jl.ink, hoverBackground: jl.sunk, activeBackground: jl.sunk },
    danger: { borderColor: jl.kerb, color: jl.kerb, hoverBackground: jl.kerbSoft },
  },
  text: {
    primary: { color: jl.lake, hoverBackground: jl.lakeSoft },
    danger: { color: jl.kerb, hoverBackground: jl.kerbSoft },
  },
});

/** Messages: what is done in moss, what is not in amber. */
const toasts = (jl: typeof light) => {
  const of = (background: string, colour: string) => ({
    background,
    borderColor: colour,
    color: colour,
    detailColor: jl.ink,
    shadow: 'none',
  });
  return { success: of(jl.mossSoft, jl.moss), warn: of(jl.amberSoft, jl.amber) };
};

/** Choices side by side: the chosen one in ink. */
const toggles = (jl: typeof light) => ({
  root: {
    background: jl.sunk,
    checkedBackground: jl.sunk,
    hoverBackground: jl.sunk,
    borderColor: jl.sunk,
    checkedBorderColor: jl.sunk,
    color: jl.muted,
    hoverColor: jl.ink,
    checkedColor: jl.panel,
  },
  content: { checkedBackground: jl.ink },
});

/** The components that are used, and no others: the whole of it weighs as much as the board. `tools/theme-check.ts` looks. */
const aura = {
  ...base,
  components: {
    badge,
    button,
    checkbox,
    chip,
    datatable,
    datepicker,
    dialog,
    iconfield,
    inputnumber,
    inputtext,
    menu,
    multiselect,
    paginator,
    popover,
    progressbar,
    radiobutton,
    ripple,
    select,
    selectbutton,
    slider,
    textarea,
    toast,
    togglebutton,
    tooltip,
  },
};

export const joyLapPreset = definePreset(aura, {
  primitive: { borderRadius: { none: '0', xs: '2px', sm: '3px', md: '5px', lg: '6px', xl: '8px' } },
  semantic: {
    primary: lakeScale,
    focusRing: { width: '2px', style: 'solid', color: '{jl.lake}', offset: '2px' },
    formField: { paddingX: '0.6rem', paddingY: '0.4rem', borderRadius: '5px' },
    colorScheme: { light: scheme(light), dark: scheme(dusk) },
  },
  components: {
    button: {
      root: { borderRadius: '6px', paddingX: '0.9rem', paddingY: '0.5rem', label: { fontWeight: '640' } },
      colorScheme: { light: buttons(light), dark: buttons(dusk) },
    },
    togglebutton: {
      root: { borderRadius: '5px', padding: '0.15rem' },
      content: { borderRadius: '4px', padding: '0.25rem 0.7rem', checkedShadow: 'none' },
      colorScheme: { light: toggles(light), dark: toggles(dusk) },
    },
    datatable: {
      headerCell: { background: '{jl.sunk}', color: '{jl.muted}', padding: '0.4rem 0.7rem' },
      columnTitle: { fontWeight: '600' },
      bodyCell: { padding: '0.42rem 0.7rem', borderColor: '{jl.line}' },
      row: { background: '{jl.panel}', hoverBackground: '{jl.sunk}', color: '{jl.ink}' },
    },
    toast: { colorScheme: { light: toasts(light), dark: toasts(dusk) } },
    dialog: { root: { borderRadius: '8px' }, title: { fontSize: '1.2rem', fontWeight: '700' } },
  },
});
