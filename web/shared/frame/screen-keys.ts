/** Held for a second, it stops all on screens that have the stops; no screen uses it for anything else. */
export const STOP_KEY = 'F9';

/** Keys of the frame, and of screens that have keys of their own. */
export const FRAME_KEYS = {
  'Ctrl K': 'find a guest, a car or a screen, or do something',
  n: 'back to now',
  d: 'light or dusk',
} as const;

export const BOARD_KEYS = {
  '+': 'closer',
  '-': 'wider',
  ',': 'to the left',
  '.': 'to the right',
  p: 'plans again',
  h: 'what happened?',
  x: 'swaps two selected drives',
  'Ctrl Z': 'takes back',
  'Ctrl Shift Z': 'does again',
  Escape: 'closes what is open',
} as const;

export const PIT_EXIT_KEYS = {
  a: 'all checked',
  l: 'let out',
  ArrowDown: 'next car on the circuit',
  ArrowUp: 'car before it',
  m: 'counts its lap',
  s: 'lap spoiled',
  x: 'extra lap',
  i: 'bring in',
  Backspace: 'not let out after all',
} as const;

export const CIRCUIT_KEYS = { 'Ctrl Z': 'takes back', 'Ctrl Shift Z': 'does again' } as const;

/** What each key of a list does on a screen: forgetting one does not compile. */
export type ActsOf<Keys> = Readonly<Record<keyof Keys, () => unknown>>;
