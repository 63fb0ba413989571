import type { CarFields } from '@core/venue/fleet';
import { takenByCar, type CarOccupancy } from '@core/day';
import {
  type CarDay,
  type FuelEstimate,
  type RefuelAdvice,
  type WearCounter,
  carDaysOf,
  drivesToCome,
  faultsLeft,
  tankOf,
  refuelBefore,
  totalOf,
  wearOf,
} from '@core/venue/garage';
import type { CarFault, CarInGarage, CarState, DayContext, DayState } from '@core/journal';

/** What the garage sees of one car; plain data, made anew whenever something happens. */
export interface CarView {
  readonly id: string;
  readonly fields: CarFields;
  readonly state: CarState;
  readonly inGarage: CarInGarage | undefined;
  readonly stall: number | undefined;
  readonly lock: 'left' | 'right';
  readonly today: CarDay | undefined;
  readonly inAll: ReturnType<typeof totalOf>;
  /** Of this car, in order of date, with today. */
  readonly days: readonly CarDay[];
  readonly fuel: FuelEstimate;
  readonly refuel: RefuelAdvice | undefined;
  readonly wear: readonly WearCounter[];
  readonly openFaults: readonly CarFault[];
  /** Found on an earlier day and not repaired since. */
  readonly leftFaults: ReturnType<typeof faultsLeft>;
  /** What was replaced, the newest first. */
  readonly log: readonly {
    readonly date: string;
    readonly what: string;
    readonly by: string;
    readonly note: string | undefined;
  }[];
  /** Seconds until it has cooled, while it cools. */
  readonly coolingS: number | undefined;
  readonly next: { readonly guest: string; readonly atS: number } | undefined;
}

/** What a lap costs a car of which the lap model knows nothing: a middling value, MJ. */
const ORDINARY_HEAT_MJ = 6;

/**
 * All cars as the garage sees them.
 *
 * @param earlier days before this one
 * @param heatMJ heat that a lap puts into the brakes, by car, as far as it is known
 * @param lock to which wheels are turned where nothing else was entered
 */
export function carViews(
  context: DayContext,
  state: DayState,
  fleet: readonly { readonly id: string; readonly fields: CarFields }[],
  earlier: readonly CarDay[],
  heatMJ: ReadonlyMap<string, number>,
  lock: 'left' | 'right',
): CarView[] {
  const todays = carDaysOf(context, state);
  const lapKm = context.day.circuit.lapLengthM / 1000;
  const taken = takenByCar(context.schedule);
  const hasBegun = (of: CarOccupancy) =>
    (of.kind === 'drive' ? state.drives.get(of.planned.drive) : state.groups.get(of.planned.group))?.stage !==
    'planned';
  return fleet.flatMap(({ id, fields }): CarView[] => {
    const car = state.cars.get(id);
    if (!car) return [];
    const inGarage = state.garage.cars.get(id);
    const today = todays.find((one) => one.car === id);
    const days = [...earlier.filter((one) => one.car === id), ...(today ? [today] : [])];
    const toCome = drivesToCome(taken.get(id) ?? [], hasBegun);
    const refuels = context.schedule.refuels
      .filter(({ refuel, startS }) => refuel.car === id && startS >= state.timeS)
      .map(({ startS }) => startS)
      .sort((a, b) => a - b);
    const fuel = tankOf(state, car);
    const cooledS = car.parkedS === undefined ? undefined : car.parkedS + car.car.cooling.restS;
    return [
      {
        id,
        fields,
        state: car,
        inGarage,
        stall: inGarage?.stall ?? fields.stall,
        lock: inGarage?.lock ?? lock,
        today,
        days,
        inAll: totalOf(days),
        fuel,
        refuel: refuelBefore(fuel, car.car.fuel.reserveL, car.car.fuel.capacityL, toCome, refuels),
        wear: wearOf(days, fields.wear ?? {}, { heatMJ: heatMJ.get(id) ?? ORDINARY_HEAT_MJ, lapKm }, toCome),
        leftFaults: faultsLeft(
          earlier.filter((one) => one.car === id),
          state.garage.repaired,
        ),
        log: days
          .flatMap(({ date, services }) => services.map(({ what, by, note }) => ({ date, what, by, note })))
          .reverse(),
        openFaults: (inGarage?.faults ?? []).filter(({ repairedS }) => repairedS === undefined),
        coolingS: car.status === 'cooling' && cooledS !== undefined ? Math.max(0, cooledS - state.timeS) : undefined,
        next: toCome[0] && { guest: toCome[0].guest, atS: toCome[0].releaseS },
      },
    ];
  });
}
