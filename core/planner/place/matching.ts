/**
 * Gives each place one of those who may take it, nobody twice, by augmenting paths (Kuhn's method for the assignment in a
 * bipartite graph). Whoever stands first in a list is taken where that is possible.
 *
 * @param able for each place those who may take it, the best first
 * @param free asked once of each
 * @returns who takes each place; nothing where they are too few
 */
export function matched(able: readonly (readonly number[])[], free: (one: number) => boolean): number[] | undefined {
  const isFree = new Map<number, boolean>();
  const may = (one: number) => {
    const known = isFree.get(one) ?? free(one);
    isFree.set(one, known);
    return known;
  };
  const placeOf = new Map<number, number>();
  const tries = (place: number, seen: Set<number>): boolean => {
    for (const one of able[place]!) {
      if (seen.has(one) || !may(one)) continue;
      seen.add(one);
      const other = placeOf.get(one);
      if (other !== undefined && !tries(other, seen)) continue;
      placeOf.set(one, place);
      return true;
    }
    return false;
  };
  for (let place = 0; place < able.length; place++) if (!tries(place, new Set())) return undefined;
  const chosen = new Array<number>(able.length);
  for (const [one, place] of placeOf) chosen[place] = one;
  return chosen;
}
