import type { PrimeNGConfigType } from 'primeng/config';
import { joyLapPreset } from './theme';

/** The component library in the colours of Joy Lap. */
export const PRIME: PrimeNGConfigType = {
  // Lists that open lie over everything, whatever is drawn anew behind them.
  overlayAppendTo: 'body',
  theme: { preset: joyLapPreset, options: { darkModeSelector: '.dusk', cssLayer: { name: 'primeng' } } },
};
