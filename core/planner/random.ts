/** A source of chance: numbers in [0, 1). The core never makes its own. */
export type Random = () => number;

/** Mulberry32 (Tommy Ettinger, public domain): small, fast, and the same sequence for the same seed everywhere. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
