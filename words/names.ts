import type { Day } from '@core/day';

/** What people call what is named by an id; the id itself where nobody knows it. */
export interface Names {
  readonly guest: (id: string) => string;
  readonly car: (id: string) => string;
  /** What stands on its door. */
  readonly carNumber?: (id: string) => number | undefined;
  readonly instructor: (id: string) => string;
  readonly vehicle: (id: string) => string;
  readonly group: (id: string) => string;
  readonly surface: (id: string) => string;
}

const itself = (id: string): string => id;
/** Where no day is known everything is called by its id. */
export const BY_ID: Names = {
  guest: itself,
  car: itself,
  instructor: itself,
  vehicle: itself,
  group: itself,
  surface: itself,
};

/** The names of everything on a day. */
export function namesOf(
  day: Pick<Day, 'guests' | 'cars' | 'instructors' | 'sightingVehicles' | 'groups' | 'surfaces'>,
): Names {
  return {
    guest: nameIn(day.guests),
    car: nameIn(day.cars),
    instructor: nameIn(day.instructors),
    vehicle: nameIn(day.sightingVehicles),
    group: nameIn(day.groups ?? []),
    surface: nameIn(day.surfaces ?? []),
  };
}

function nameIn(things: readonly { readonly id: string; readonly name: string }[]): (id: string) => string {
  const names = new Map(things.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? id;
}
