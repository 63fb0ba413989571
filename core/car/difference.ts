import { carOf, type Car } from './car-file';
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

/** One line of a card: what it is here, what it was in the car before, and what to do otherwise. */
export interface CardLine {
  readonly topic: string;
  readonly now: string;
  readonly before: string | undefined;
  readonly changes: boolean;
}

export interface DifferenceCard {
  readonly car: string;
  readonly from: string | undefined;
  readonly lines: readonly CardLine[];
  /** What to do otherwise than in the car before; for the first car what to know at all. */
  readonly advice: readonly string[];
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

const WHEELS = { front: 'front wheels', rear: 'rear wheels', all: 'all four wheels' } as const;
const ENGINES = { front: 'in front', mid: 'behind the seats', rear: 'behind the rear axle' } as const;

/**
 * How a car differs from the one before, in the terms of the talk in the car: from numbers, with the venue's own notes.
 * Without a car before it is the checklist of that talk.
 */
export function differenceCard(now: CardSubject, before?: CardSubject): DifferenceCard {
  const { car, assumed } = carOf(now.car.model);
  const old = before && carOf(before.car.model).car;
  const line = (topic: string, of: (one: Car, subject: CardSubject) => string | undefined): CardLine[] => {
    const text = of(car, now);
    const was = old && before ? of(old, before) : undefined;
    if (text === undefined) return [];
    return [{ topic, now: text, before: was, changes: was !== undefined && was !== text }];
  };
  return {
    car: now.car.name,
    from: before?.car.name,
    lines: [
      ...line('Driven', ({ drivenWheels }) => WHEELS[drivenWheels]),
      ...line('Engine', ({ engine }) => ENGINES[engine]),
      ...line('Weight', ({ massKg }) => `${massKg} kg`),
      ...line('Power', (one) => `${Math.round(peakKW(one))} kW`),
      ...line('Power to weight', (one) => `${Math.round(perTonne(one))} kW/t`),
      ...line('Gears used here', (_, { lap }) => lap && gearsText(lap.gearsUsed)),
      ...line('Shifts a lap', (_, { lap }) => lap && `${lap.gearChanges}`),
      ...line('Top speed here', (_, { lap }) => lap && `${Math.round(lap.topSpeedKmh)} km/h`),
      ...line('Lap of a good guest', (_, { lap }) => lap && `${lap.lapTimeS.toFixed(1)} s`),
      ...line('Brakes', (_, { notes }) => notes.brakes),
      ...line('Steering', (_, { notes }) => notes.steering),
      ...line('Automatic', (_, { notes }) => notes.automatic),
    ],
    advice: old ? advice(car, old, now, before) : firstAdvice(car, now),
    traps: now.notes.traps ?? [],
    assumed,
  };
}

const peakKW = ({ power }: Car) => Math.max(...power.map(({ kW }) => kW));
const perTonne = (car: Car) => (peakKW(car) / car.massKg) * 1000;

function gearsText(gears: readonly number[]): string {
  return gears.length === 1 ? `${gears[0]}` : `${gears[0]} to ${gears.at(-1)}`;
}

const HOW_IT_PULLS = {
  front: 'The front wheels steer and pull: too much throttle in the turn pushes it wide.',
  rear: 'The rear wheels push: open the throttle only as the wheel unwinds.',
  all: 'All four wheels pull: it feels safe early, and still pushes wide when asked too soon.',
} as const;
const HOW_IT_TURNS = {
  front: 'The weight is in front: brake in a straight line and give the nose time to turn.',
  mid: 'The weight is in the middle: it turns at once, and turns quickly if it slides. Smooth hands.',
  rear: 'The weight is behind: never lift suddenly in the turn.',
} as const;

function firstAdvice(car: Car, { lap }: CardSubject): string[] {
  return [
    HOW_IT_PULLS[car.drivenWheels],
    HOW_IT_TURNS[car.engine],
    ...(lap ? [`Gears ${gearsText(lap.gearsUsed)} do all the work here, ${lap.gearChanges} shifts a lap.`] : []),
    'A gentler first lap, then a little quicker each time.',
  ];
}

function advice(car: Car, old: Car, now: CardSubject, before: CardSubject | undefined): string[] {
  const sentences: string[] = [];
  if (car.drivenWheels !== old.drivenWheels) sentences.push(HOW_IT_PULLS[car.drivenWheels]);
  if (car.engine !== old.engine) sentences.push(HOW_IT_TURNS[car.engine]);
  const power = perTonne(car) / perTonne(old);
  if (power > 1.12)
    sentences.push(
      `A good deal stronger (${percent(power)} more per tonne): gentler with the throttle, brake sooner than it seems.`,
    );
  else if (power < 0.89)
    sentences.push('Weaker than the last: carry speed through the corner, it does not come back on the straight.');
  const heavier = car.massKg - old.massKg;
  if (heavier > 120)
    sentences.push(`${Math.round(heavier)} kg heavier: it takes longer to slow and to change direction.`);
  else if (heavier < -120) sentences.push(`${Math.round(-heavier)} kg lighter: it answers sooner; smaller movements.`);
  const [lap, was] = [now.lap, before?.lap];
  if (lap && was) {
    if (lap.gearChanges - was.gearChanges >= 2)
      sentences.push(`${lap.gearChanges - was.gearChanges} more shifts a lap: listen for the call.`);
    else if (was.gearChanges - lap.gearChanges >= 2)
      sentences.push(`${was.gearChanges - lap.gearChanges} fewer shifts a lap.`);
    const deeper = lap.brakesM.flatMap((atM, i) =>
      atM === undefined || was.brakesM[i] === undefined ? [] : [atM - was.brakesM[i]],
    );
    const mean = deeper.reduce((sum, m) => sum + m, 0) / Math.max(1, deeper.length);
    if (mean < -4) sentences.push(`Braking begins ${Math.round(-mean)} m sooner on average: it arrives faster.`);
    else if (mean > 4) sentences.push(`Braking could begin ${Math.round(mean)} m later; the cone stays where it is.`);
  }
  if (sentences.length === 0) sentences.push('Much like the last car: the same calls hold.');
  return sentences;
}

const percent = (ratio: number) => `${Math.round((ratio - 1) * 100)} %`;

/** Which car first: from tame to fierce, by level and then by power to weight. */
export function fromTameToFierce<T extends Pick<FleetCar, 'level' | 'model'>>(cars: readonly T[]): T[] {
  const strength = ({ model }: T) => perTonne(carOf(model).car);
  return [...cars].sort((a, b) => a.level - b.level || strength(a) - strength(b));
}
