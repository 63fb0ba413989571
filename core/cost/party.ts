import type { CostTerm } from './term';

/** For each party, minutes between the first and the last of its members to finish the last occupancy. */
export const party: CostTerm = {
  name: 'party',
  weight: 0.5,
  of: ({ index, guestOccupancies }) => {
    const finishes = new Map<string, number[]>();
    for (const [id, occupancies] of guestOccupancies) {
      const name = index.guests.get(id)!.party;
      if (name === undefined) continue;
      const endS = Math.max(...occupancies.map((occupancy) => occupancy.endS));
      finishes.set(name, [...(finishes.get(name) ?? []), endS]);
    }
    let sum = 0;
    for (const ends of finishes.values()) sum += (Math.max(...ends) - Math.min(...ends)) / 60;
    return sum;
  },
};
