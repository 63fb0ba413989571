import { fact, type Fact } from '../../values';
import { judgeOf, sharesLanguage, teachesIn, type Violation } from '../../rules';
import { layOut, wishesOf, type Day, type Plan, type PlannedDrive, type Repair } from '../../day';

/** What speaks for an instructor beside a guest, and what against. */
export type AssignmentReason =
  | Fact<'teaches' | 'teachesNot', { car: string | undefined }>
  | Fact<'speaks' | 'speaksNone', object, { languages: readonly string[] }>
  | Fact<'together', object, { drives: number }>
  | Fact<'askedFor'>
  /** A friend with whom the guest wishes to share the instructor drives beside this one too. */
  | Fact<'friendToo', { guest: string }>
  | Fact<'load', object, { laps: number; meanLaps: number }>
  | Fact<'levelLaps', object, { laps: number; most: number; level: number }>;

/** What comes of a drive with another car or instructor, everything else staying as it is. */
export interface Tried {
  /** The first rule that would be broken, if one would. */
  readonly broken: Violation | undefined;
  /** Minutes of patience that the plan costs more; 0 for what it has. */
  readonly costs: number;
}

function tried(
  judge: ReturnType<typeof judgeOf>,
  plan: Plan,
  planned: PlannedDrive,
  change: Partial<PlannedDrive>,
): Tried {
  const drives = plan.drives.map((one) => (one === planned ? { ...one, ...change } : one));
  const { broken, costs } = judge.of({ ...plan, drives });
  return { broken: broken[0], costs };
}

/** What breaks nothing comes first, and of that the cheapest. */
function cheapestAllowed(a: Tried, b: Tried): number {
  return Number(a.broken !== undefined) - Number(b.broken !== undefined) || a.costs - b.costs;
}

/** An instructor for a drive: why, and what comes of it. */
export interface Assignment extends Tried {
  readonly instructor: string;
  readonly name: string;
  /** Skill, language, continuity, load; what speaks for this one and what against. */
  readonly reasons: readonly AssignmentReason[];
}

/**
 * Why a drive has its instructor, and who else could have it, the cheapest first: each is tried in the plan as it stands,
 * with nobody else moved.
 *
 * @returns the instructor that the plan has, then the others; nothing where the drive is not planned
 */
export function assignmentsOf(day: Day, plan: Plan, driveId: string, repair?: Repair): Assignment[] {
  const planned = plan.drives.find(({ drive }) => drive === driveId);
  const guest = day.guests.find(({ drives }) => drives.some(({ id }) => id === driveId));
  const car = day.cars.find(({ id }) => id === planned?.car);
  if (!planned || !guest) return [];
  const judge = judgeOf(day, plan, repair);
  const { drives, index } = layOut(day, plan);
  const laps = new Map<string, number>();
  for (const { instructor, lapsDriven } of drives) {
    if (instructor) laps.set(instructor.id, (laps.get(instructor.id) ?? 0) + lapsDriven);
  }
  const level = car?.level ?? 0;
  const ofLevel = (instructor: string) =>
    drives
      .filter((occupancy) => occupancy.instructor?.id === instructor && occupancy.car?.level === level)
      .reduce((sum, { lapsDriven }) => sum + lapsDriven, 0);
  const mean = [...laps.values()].reduce((sum, count) => sum + count, 0) / Math.max(1, day.instructors.length);
  const together = (instructor: string) =>
    drives.filter(
      (occupancy) =>
        occupancy.planned.drive !== driveId &&
        occupancy.guests[0]?.id === guest.id &&
        occupancy.instructor?.id === instructor,
    ).length;
  const friends = wishesOf(index, guest.id).filter(({ kind }) => kind === 'sameInstructorAs');
  const teaches = (instructor: string, friend: string) =>
    drives.some((occupancy) => occupancy.guests[0]?.id === friend && occupancy.instructor?.id === instructor);
  const found = day.instructors.map((who): Assignment => {
    const now = who.id === planned.instructor;
    const shared = who.languages.filter((language) => guest.languages.includes(language));
    const load = laps.get(who.id) ?? 0;
    const limit = who.levelLaps?.[String(level) as keyof typeof who.levelLaps];
    return {
      instructor: who.id,
      name: who.name,
      ...(now ? { broken: undefined, costs: 0 } : tried(judge, plan, planned, { instructor: who.id })),
      reasons: [
        fact(car && teachesIn(who, car) ? 'teaches' : 'teachesNot', { car: car?.id }),
        sharesLanguage(who, guest)
          ? fact('speaks', {}, { languages: shared })
          : fact('speaksNone', {}, { languages: guest.languages }),
        ...(together(who.id) > 0 ? [fact('together', {}, { drives: together(who.id) })] : []),
        ...(guest.preferInstructors?.includes(who.id) ? [fact('askedFor', {})] : []),
        ...friends
          .filter(({ friend }) => teaches(who.id, friend))
          .map(({ friend }) => fact('friendToo', { guest: friend })),
        fact('load', {}, { laps: load, meanLaps: mean }),
        ...(limit === undefined ? [] : [fact('levelLaps', {}, { laps: ofLevel(who.id), most: limit, level })]),
      ],
    };
  });
  return found.sort(
    (a, b) =>
      Number(b.instructor === planned.instructor) - Number(a.instructor === planned.instructor) ||
      cheapestAllowed(a, b),
  );
}

/** A car for a drive at the time it has, with the instructor it has. */
export interface CarChoice extends Tried {
  readonly car: string;
  readonly name: string;
}

/**
 * The other cars in which a drive could be at the time it has: those that were booked for it, and those of the same level.
 * Each is tried in the plan as it stands, with nobody else moved; the cheapest that breaks nothing first.
 */
export function carsFor(day: Day, plan: Plan, driveId: string, repair?: Repair): CarChoice[] {
  const planned = plan.drives.find(({ drive }) => drive === driveId);
  const booked = day.guests.flatMap(({ drives }) => drives).find(({ id }) => id === driveId);
  if (!planned || !booked) return [];
  const judge = judgeOf(day, plan, repair);
  const level = day.cars.find(({ id }) => id === planned.car)?.level;
  return day.cars
    .filter((car) => car.id !== planned.car && (booked.cars.includes(car.id) || car.level === level))
    .map((car): CarChoice => ({
      car: car.id,
      name: car.name,
      ...tried(judge, plan, planned, { car: car.id }),
    }))
    .sort(cheapestAllowed);
}
