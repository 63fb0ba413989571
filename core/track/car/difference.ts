import { fact, type Fact } from '../../values';
import { carOf, type Car } from './car';
import type { FleetCar, StudiedLap } from './study';

/** What the venue has to say of a car beside the numbers. */
export interface CarNotes {
  readonly brakes?: string | undefined;
  readonly steering?: string | undefined;
  /** How well its automatic suits a circuit. */
  readonly automatic?: string | undefined;
  /** Traps of the cockpit. */
  readonly traps?: string[] | undefined;
}

/** What a card tells of a car: engine and weight as they are, the rest as it comes out on this circuit, notes in the venue's words. */
interface CardValues {
  readonly driven: Car['drivenWheels'];
  readonly engine: Car['engine'];
  readonly massKg: number;
  readonly powerKW: number;
  readonly powerKWPerT: number;
  readonly gears: readonly number[];
  /** A lap. */
  readonly shifts: number;
  readonly topSpeedKmh: number;
  /** Of a good guest. */
  readonly lapS: number;
  readonly brakes: string;
  readonly steering: string;
  readonly automatic: string;
}
export type CardTopic = keyof CardValues;
export type CardValue<T extends CardTopic = CardTopic> = CardValues[T];

/** One line of a card: what it is here, and what it was in the car before. */
interface CardLine<T extends CardTopic = CardTopic> {
  readonly topic: T;
  readonly now: CardValue<T>;
  readonly before: CardValue<T> | undefined;
  readonly changes: boolean;
}

/** What to do otherwise than in the car before; for the first car what to know at all. */
export type CardAdvice =
  | Fact<'pulls', object, { wheels: Car['drivenWheels'] }>
  | Fact<'turns', object, { engine: Car['engine'] }>
  | Fact<'gearsHere', object, { gears: readonly number[]; shifts: number }>
  | Fact<'gentleFirst' | 'weaker' | 'alike'>
  | Fact<'stronger', object, { percent: number }>
  | Fact<'heavier' | 'lighter', object, { kg: number }>
  | Fact<'moreShifts' | 'fewerShifts', object, { shifts: number }>
  | Fact<'brakesSooner' | 'brakesLater', object, { metres: number }>;

export interface DifferenceCard {
  readonly car: string;
  readonly from: string | undefined;
  readonly lines: readonly CardLine[];
  readonly advice: readonly CardAdvice[];
  readonly traps: readonly string[];
  /** Values of this card that come from defaults, as the car file does not know them. */
  readonly assumed: readonly string[];
}

/** A car with its notes and its lap here. */
export interface CardSubject {
  readonly car: FleetCar;
  readonly notes: CarNotes;
  readonly lap: StudiedLap | undefined;
}

/**
 * How a car differs from the one before, in the terms of the talk in the car: from numbers, with the venue's own notes.
 * Without a car before it is the checklist of that talk.
 */
export function differenceCard(now: CardSubject, before?: CardSubject): DifferenceCard {
  const { car, assumed } = carOf(now.car.model);
  const old = before && carOf(before.car.model).car;
  const line = <T extends CardTopic>(
    topic: T,
    of: (one: Car, subject: CardSubject) => CardValue<T> | undefined,
  ): CardLine[] => {
    const value = of(car, now);
    const was = old && before ? of(old, before) : undefined;
    if (value === undefined) return [];
    const changes = was !== undefined && JSON.stringify(was) !== JSON.stringify(value);
    return [{ topic, now: value, before: was, changes }];
  };
  return {
    car: now.car.name,
    from: before?.car.name,
    lines: [
      ...line('driven', ({ drivenWheels }) => drivenWheels),
      ...line('engine', ({ engine }) => engine),
      ...line('massKg', ({ massKg }) => massKg),
      ...line('powerKW', (one) => Math.round(peakKW(one))),
      ...line('powerKWPerT', (one) => Math.round(perTonne(one))),
      ...line('gears', (_, { lap }) => lap?.gearsUsed),
      ...line('shifts', (_, { lap }) => lap?.gearChanges),
      ...line('topSpeedKmh', (_, { lap }) => lap && Math.round(lap.topSpeedKmh)),
      ...line('lapS', (_, { lap }) => lap && Math.round(lap.lapTimeS * 10) / 10),
      ...line('brakes', (_, { notes }) => notes.brakes),
      ...line('steering', (_, { notes }) => notes.steering),
      ...line('automatic', (_, { notes }) => notes.automatic),
    ],
    advice: old ? advice(car, old, now, before) : firstAdvice(car, now),
    traps: now.notes.traps ?? [],
    assumed,
  };
}

const peakKW = ({ power }: Car) => Math.max(...power.map(({ kW }) => kW));
const perTonne = (car: Car) => (peakKW(car) / car.massKg) * 1000;

function firstAdvice(car: Car, { lap }: CardSubject): CardAdvice[] {
  return [
    fact('pulls', {}, { wheels: car.drivenWheels }),
    fact('turns', {}, { engine: car.engine }),
    ...(lap ? [fact('gearsHere', {}, { gears: lap.gearsUsed, shifts: lap.gearChanges })] : []),
    fact('gentleFirst', {}),
  ];
}

/** Power to weight from which a car is told to be stronger or weaker than the one before, as a ratio. */
const STRONGER = 1.12;
const WEAKER = 0.89;
const HEAVIER_KG = 120;
const MORE_SHIFTS = 2;
const DEEPER_M = 4;

function advice(car: Car, old: Car, now: CardSubject, before: CardSubject | undefined): CardAdvice[] {
  const told: CardAdvice[] = [];
  if (car.drivenWheels !== old.drivenWheels) told.push(fact('pulls', {}, { wheels: car.drivenWheels }));
  if (car.engine !== old.engine) told.push(fact('turns', {}, { engine: car.engine }));
  const power = perTonne(car) / perTonne(old);
  if (power > STRONGER) told.push(fact('stronger', {}, { percent: Math.round((power - 1) * 100) }));
  else if (power < WEAKER) told.push(fact('weaker', {}));
  const heavierKg = Math.round(car.massKg - old.massKg);
  if (heavierKg > HEAVIER_KG) told.push(fact('heavier', {}, { kg: heavierKg }));
  else if (heavierKg < -HEAVIER_KG) told.push(fact('lighter', {}, { kg: -heavierKg }));
  const [lap, was] = [now.lap, before?.lap];
  if (lap && was) {
    const more = lap.gearChanges - was.gearChanges;
    if (more >= MORE_SHIFTS) told.push(fact('moreShifts', {}, { shifts: more }));
    else if (more <= -MORE_SHIFTS) told.push(fact('fewerShifts', {}, { shifts: -more }));
    const deeper = lap.brakesM.flatMap((atM, i) =>
      atM === undefined || was.brakesM[i] === undefined ? [] : [atM - was.brakesM[i]],
    );
    const meanM = deeper.reduce((sum, m) => sum + m, 0) / Math.max(1, deeper.length);
    if (meanM < -DEEPER_M) told.push(fact('brakesSooner', {}, { metres: Math.round(-meanM) }));
    else if (meanM > DEEPER_M) told.push(fact('brakesLater', {}, { metres: Math.round(meanM) }));
  }
  return told.length > 0 ? told : [fact('alike', {})];
}

/** Which car first: from tame to fierce, by level and then by power to weight. */
export function fromTameToFierce<T extends Pick<FleetCar, 'level' | 'model'>>(cars: readonly T[]): T[] {
  const strength = ({ model }: T) => perTonne(carOf(model).car);
  return [...cars].sort((a, b) => a.level - b.level || strength(a) - strength(b));
}
