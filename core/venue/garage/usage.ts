import { programmeOf } from '../../programmes';
import * as z from 'zod';
import { paceFactorAt } from '../../day';
import {
  carsTaken,
  timedLaps,
  type CarFault,
  type DayContext,
  type DayState,
  type GroupState,
  carPlace,
  faultSeverity,
} from '../../journal';
import { median } from '../../values';

/** What one car did on one day; everything is counted from the journal. */
export const carDay = z.object({
  date: z.iso.date(),
  car: z.string(),
  laps: z.number().int(),
  km: z.number(),
  /** Out on any surface. */
  drivenS: z.number(),
  drives: z.number().int(),
  guests: z.number().int(),
  /** Used by the laps, litres. */
  fuelL: z.number(),
  /** Median of the clean laps after the first, as if driven by a good guest in the dry, and how many there were. */
  lap: z.object({ medianS: z.number(), count: z.number().int() }).nullable(),
  /** What was replaced, and the laps and starts of the day by then. */
  services: z.array(
    z.object({
      what: z.string(),
      laps: z.number().int(),
      starts: z.number().int(),
      by: z.string(),
      note: z.string().optional(),
    }),
  ),
  /** Found on this day. */
  faults: z.array(
    z.object({
      id: z.string(),
      where: carPlace,
      what: z.string(),
      severity: faultSeverity,
      photo: z.string().optional(),
    }),
  ),
  /** Ids of faults that were repaired on this day, whenever they were found. */
  repaired: z.array(z.string()),
});
export type CarDay = z.output<typeof carDay>;

const sumOf = <T>(list: readonly T[], of: (one: T) => number) => list.reduce((sum, one) => sum + of(one), 0);

/** Guests of a group who have driven a car of their own in it. */
function guestsIn({ members }: GroupState, car: string): string[] {
  return [...members.values()].filter((member) => member.car === car).map(({ guest }) => guest);
}

/** Slides, circles and courses on wet ground are driven at about 30 km/h. */
const LOW_GRIP_MPS = 8;

/**
 * Metres that a car drove with a group on low grip, where no laps are counted: the laps behind the leader, and its share of
 * the runs at the stations, by their times.
 */
function lowGripM({ group, cars, members }: GroupState, car: string): number {
  const programme = programmeOf('stations', group.programme);
  if (!programme) return 0;
  const leadS = programme.leadLaps * programme.leadLapS;
  const lasts = new Map(programme.stations.map(({ name, runS }) => [name, runS]));
  const runsS = sumOf([...members.values()], ({ runs }) => sumOf(runs, ({ station }) => lasts.get(station) ?? 0));
  return LOW_GRIP_MPS * (leadS + (cars.includes(car) ? runsS / cars.length : 0));
}

/** The days of the cars that were driven or serviced, from the state at some time of the day. */
export function carDaysOf(context: DayContext, state: DayState): CarDay[] {
  const { day, schedule } = context;
  const drives = [...state.drives.values()].filter(({ releasedS }) => releasedS !== undefined);
  const groups = [...state.groups.values()].filter(({ releasedS }) => releasedS !== undefined);
  return day.cars.flatMap((car): CarDay[] => {
    const own = drives.filter((drive) => drive.car === car.id);
    const outings = groups.filter((group) => carsTaken(group).includes(car.id));
    const inGarage = state.garage.cars.get(car.id);
    const repaired = [...state.garage.repaired];
    if (own.length + outings.length === 0 && !inGarage && repaired.length === 0) return [];
    const onCircuit = sumOf(own, ({ crossings }) => crossings.length);
    const inGroups = outings.map((group) => ({
      laps: group.carLaps.get(car.id) ?? 0,
      lapM: schedule.index.surfaces.get(group.group.surface)?.lapLengthM ?? day.circuit.lapLengthM,
    }));
    const metres =
      onCircuit * day.circuit.lapLengthM +
      sumOf(inGroups, ({ laps, lapM }) => laps * lapM) +
      sumOf(outings, (group) => lowGripM(group, car.id));
    const km = metres / 1000;
    const guests = [...own.map(({ guest }) => guest.id), ...outings.flatMap((group) => guestsIn(group, car.id))];
    const clean = own.flatMap((drive) =>
      timedLaps(context, drive).flatMap(({ lapS, laps: together, first, spoiled, long }) => {
        if (together > 1 || first || spoiled || long) return [];
        const pace = drive.guest.pace * paceFactorAt(day, drive.releasedS!);
        const goodS = lapS / pace;
        return goodS > 0.6 * car.lapTimeS && goodS < 1.6 * car.lapTimeS ? [goodS] : [];
      }),
    );
    return [
      {
        date: day.date,
        car: car.id,
        laps: onCircuit + sumOf(inGroups, ({ laps }) => laps),
        km,
        drivenS:
          sumOf(own, (drive) => {
            const lastS = drive.inS ?? drive.crossings.at(-1)?.atS ?? drive.releasedS!;
            return Math.max(0, lastS - drive.releasedS!);
          }) + sumOf(outings, ({ releasedS, endedS, laps }) => (endedS ?? laps.at(-1)?.atS ?? releasedS!) - releasedS!),
        drives: own.length + outings.length,
        guests: new Set(guests).size,
        // Told for a lap of the circuit.
        fuelL: (1000 * km * (schedule.index.cars.get(car.id)?.fuel.perLapL ?? 0)) / day.circuit.lapLengthM,
        lap: clean.length < 3 ? null : { medianS: median(clean), count: clean.length },
        services: (inGarage?.services ?? []).map(({ what, laps: driven, atS, by, note }) => ({
          what,
          by,
          note,
          laps: driven,
          starts: own.filter(({ releasedS }) => releasedS! <= atS).length,
        })),
        faults: (inGarage?.faults ?? []).map(({ id, where, what, severity, photo }) => ({
          id,
          where,
          what,
          severity,
          photo,
        })),
        repaired,
      },
    ];
  });
}

/** Sums over days. */
export function totalOf(days: readonly CarDay[]) {
  const sum = (of: (one: CarDay) => number) => sumOf(days, of);
  return {
    days: days.filter(({ drives }) => drives > 0).length,
    laps: sum(({ laps }) => laps),
    km: sum(({ km }) => km),
    drivenS: sum(({ drivenS }) => drivenS),
    drives: sum(({ drives }) => drives),
    guests: sum(({ guests }) => guests),
    fuelL: sum(({ fuelL }) => fuelL),
    faults: sum(({ faults }) => faults.length),
  };
}

/** Faults of earlier days that nobody has repaired since, with the day on which they were found. */
export function faultsLeft(
  days: readonly CarDay[],
  repairedNow: ReadonlySet<string>,
): (Pick<CarFault, 'id' | 'where' | 'what' | 'severity'> & {
  readonly date: string;
  readonly photo?: string | undefined;
})[] {
  const repaired = new Set(days.flatMap((day) => day.repaired));
  return days.flatMap(({ date, faults }) =>
    faults.filter(({ id }) => !repaired.has(id) && !repairedNow.has(id)).map((fault) => ({ ...fault, date })),
  );
}

/** The lap of a car as it was measured, over days: the mean of the medians, weighted by their laps. */
export function measuredLap(days: readonly CarDay[]): { readonly medianS: number; readonly count: number } | undefined {
  const measured = days.flatMap(({ lap }) => (lap ? [lap] : []));
  const count = measured.reduce((sum, lap) => sum + lap.count, 0);
  if (count === 0) return undefined;
  return { medianS: measured.reduce((sum, lap) => sum + lap.medianS * lap.count, 0) / count, count };
}
