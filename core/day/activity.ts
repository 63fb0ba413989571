import type { PersonOccupancy, RefuelOccupancy } from './schedule';

/** One activity of a plan, by the ids and the time by which people tell it from others. */
export type Activity = DriveActivity | SightingActivity | BriefingActivity | RefuelActivity | GroupActivity;

interface DriveActivity {
  readonly kind: 'drive';
  readonly drive: string;
  /** Nothing where the day does not know the drive. */
  readonly guest: string | undefined;
  readonly car: string;
  readonly releaseS: number;
}

interface SightingActivity {
  readonly kind: 'sighting';
  readonly vehicle: string;
  readonly releaseS: number;
}

interface BriefingActivity {
  readonly kind: 'briefing';
  readonly instructor: string;
  readonly startS: number;
}

interface RefuelActivity {
  readonly kind: 'refuel';
  readonly car: string;
  readonly startS: number;
}

interface GroupActivity {
  readonly kind: 'group';
  readonly group: string;
  readonly releaseS: number;
}

/** What an activity that is laid out is called by. */
export function activityOf(occupancy: PersonOccupancy | RefuelOccupancy): Activity {
  switch (occupancy.kind) {
    case 'drive': {
      const { drive, car, release } = occupancy.planned;
      return { kind: 'drive', drive, guest: occupancy.guests[0]?.id, car, releaseS: release };
    }
    case 'sighting':
      return { kind: 'sighting', vehicle: occupancy.sighting.vehicle, releaseS: occupancy.sighting.release };
    case 'briefing':
      return { kind: 'briefing', instructor: occupancy.briefing.instructor, startS: occupancy.briefing.start };
    case 'group':
      return { kind: 'group', group: occupancy.planned.group, releaseS: occupancy.planned.release };
    case 'refuel':
      return { kind: 'refuel', car: occupancy.refuel.car, startS: occupancy.refuel.start };
  }
}

/** The drives that a fact is about. */
export function drivesConcerned({ subjects }: { readonly subjects: object }): string[] {
  return Object.entries(subjects).flatMap(([name, of]: [string, unknown]) => {
    if (name === 'drive' && typeof of === 'string') return [of];
    return isDrive(of) ? [of.drive] : [];
  });
}

function isDrive(of: unknown): of is DriveActivity {
  return typeof of === 'object' && of !== null && (of as Partial<Activity>).kind === 'drive';
}
