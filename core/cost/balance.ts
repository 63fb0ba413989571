import type { CostTerm } from './term';

/** Sum over instructors of the minutes between the time held and the fair share of all time held. */
export const balance: CostTerm = {
  name: 'balance',
  weight: 0.25,
  of: ({ day, crewOccupancies }) => {
    const staff = day.instructors.map((instructor) => ({
      availableS: instructor.available.reduce((sum, window) => sum + window.to - window.from, 0),
      heldS: (crewOccupancies.get(instructor.id) ?? []).reduce(
        (sum, occupancy) => sum + occupancy.endS - occupancy.startS,
        0,
      ),
    }));
    const totalAvailableS = staff.reduce((sum, { availableS }) => sum + availableS, 0);
    const totalHeldS = staff.reduce((sum, { heldS }) => sum + heldS, 0);
    return staff.reduce((sum, { availableS, heldS }) => {
      const fairS = totalAvailableS === 0 ? 0 : (totalHeldS * availableS) / totalAvailableS;
      return sum + Math.abs(heldS - fairS) / 60;
    }, 0);
  },
};
