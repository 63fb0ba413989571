/** The colours of the house on paper. */
export const INK = '#1E2328';
export const MUTED = '#575D64';
export const LINE = '#B9B3A6';
export const LAKE = '#0E5A63';
export const KERB = '#B83427';
