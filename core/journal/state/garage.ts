import type { Car } from '../../day';
import type { CarPlace, FaultSeverity, ServicePart } from '../entries/parts';

/** What the garage, the people with the cones and the classroom have entered. */
export interface GarageState {
  /** By car; a car of which nothing was entered is not in it. */
  readonly cars: Map<string, CarInGarage>;
  /** Who was there when somebody last went round with the sheet. */
  counted: { readonly atS: number; readonly by: string; readonly cars: readonly string[] } | undefined;
  /** By id of the cone: when it was last looked at, and whether somebody has doubted it since. */
  readonly cones: Map<string, ConeCheck>;
  readonly answers: CountedAnswers[];
  /** Ids of faults that were repaired on this day; they may have been found on an earlier one. */
  readonly repaired: Set<string>;
}

export interface CarInGarage {
  stall: number | undefined;
  lock: 'left' | 'right' | undefined;
  card: { readonly where: 'in' | 'out'; readonly charged: boolean; readonly atS: number } | undefined;
  readonly walkRounds: {
    readonly when: 'start' | 'end';
    readonly atS: number;
    readonly by: string;
    readonly items: readonly string[];
  }[];
  readonly faults: CarFault[];
  readonly services: Service[];
  readonly fuelMarks: FuelMark[];
}

export interface CarFault {
  /** That of its entry. */
  readonly id: string;
  readonly car: string;
  readonly atS: number;
  readonly by: string;
  readonly where: CarPlace;
  readonly what: string;
  readonly severity: FaultSeverity;
  readonly photo: string | undefined;
  repairedS: number | undefined;
}

interface Service {
  readonly what: ServicePart;
  readonly atS: number;
  readonly by: string;
  readonly note: string | undefined;
  /** Laps that the car had driven this day by then. */
  readonly laps: number;
}

/** A level that somebody knows: read off, or full after refuelling. */
export interface FuelMark {
  readonly atS: number;
  readonly litres: number;
  /** How far off it may be. */
  readonly withinL: number;
  /** Laps that the car had driven this day by then. */
  readonly laps: number;
}

interface ConeCheck {
  readonly atS: number;
  readonly by: string;
  readonly doubt: string | undefined;
}

export interface CountedAnswers {
  readonly atS: number;
  readonly instructor: string;
  readonly question: string;
  readonly hands: readonly number[];
  readonly right: number;
  /** What each answer shows to have been misunderstood; empty where nobody has said. */
  readonly misread: readonly string[];
}

/** The state of a day, as far as the garage goes. */
interface WithGarage {
  readonly garage: GarageState;
}

export function emptyGarage(): GarageState {
  return { cars: new Map(), counted: undefined, cones: new Map(), answers: [], repaired: new Set() };
}

/** The fault that was entered with this id. */
export function faultOf({ garage }: WithGarage, id: string): CarFault | undefined {
  for (const { faults } of garage.cars.values()) {
    const found = faults.find((fault) => fault.id === id);
    if (found) return found;
  }
  return undefined;
}

/** Notes a level of fuel that is known, with the laps driven by then. */
export function markFuel(
  state: WithGarage,
  { car, laps }: { readonly car: Car; readonly laps: number },
  mark: Omit<FuelMark, 'laps'>,
): void {
  inGarage(state, car.id).fuelMarks.push({ ...mark, laps });
}

/** What is known of a car in the garage; begun where nothing was. */
export function inGarage({ garage }: WithGarage, car: string): CarInGarage {
  let known = garage.cars.get(car);
  if (!known) {
    known = {
      stall: undefined,
      lock: undefined,
      card: undefined,
      walkRounds: [],
      faults: [],
      services: [],
      fuelMarks: [],
    };
    garage.cars.set(car, known);
  }
  return known;
}
