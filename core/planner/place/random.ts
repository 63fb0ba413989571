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

/** A chance of its own for each key, so that a thing happens alike whatever else happens. */
export function randomOf(seed: number, key: string): Random {
  let hash = seed;
  for (const letter of key) hash = (Math.imul(hash, 31) + letter.charCodeAt(0)) >>> 0;
  return seededRandom(hash);
}

/** A normally distributed number, mean 0, standard deviation 1 (Box and Muller, 1958). */
export function normalOf(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
