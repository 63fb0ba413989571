import { aCar, aDay, aGuest, anInstructor } from '../../testing/small-day';
import { fact } from '../../values';
import { aGroup } from '../../testing/group-days';
import { planDay, seededRandom } from '../../planner';
import { starterSet, type CarFields } from '../fleet';
import { CAR_KIND_WORDS } from '@words/en/first-steps';
import { firstSteps, missingForPlan, UNNAMED_VENUE, type StepsSource } from './first-steps';

const names = Object.fromEntries(Object.entries(CAR_KIND_WORDS).map(([kind, { name }]) => [kind, name])) as never;
const fleet = starterSet({ small: 1 }, names, [], {
  currency: 'EUR',
  lapLengthM: 2000,
  available: [{ from: 32400, to: 61200 }],
});
const source = (more: Partial<StepsSource> = {}): StepsSource => ({
  day: aDay(),
  introduction: { class: true, circuit: 'vehicle' },
  putOff: [],
  fleet: fleet.map((car): CarFields => ({ ...car, assumed: undefined })),
  hasCircuit: true,
  planned: false,
  phones: 1,
  ...more,
});
const codes = (more: Partial<StepsSource>) => missingForPlan(firstSteps(source(more))).map(({ what }) => what.code);
const stateOf = (name: string, more: Partial<StepsSource>) =>
  firstSteps(source(more)).find((step) => step.name === name)!.state;

describe('What is missing for a plan', () => {
  it('is nothing where the planner finds a place for everybody', () => {
    const day = aDay();
    expect(codes({ day })).toEqual([]);
    expect(planDay(day, { iterations: 10, random: seededRandom(1) }).plan.unplanned).toEqual([]);
  });

  it('is everything in an empty folder, in the order of the steps', () => {
    const day = aDay({ venue: UNNAMED_VENUE, cars: [], instructors: [], guests: [], sightingVehicles: [] });
    expect(codes({ day, fleet: [] })).toEqual(['venueUnnamed', 'noCars', 'noCrew', 'noVehicle', 'noBookings']);
  });

  it('is what leaves guests out: nobody for the class, the run, a car or a language', () => {
    const guests = [aGuest({ briefed: false, sighted: false, languages: ['fo'] })];
    const instructors = [anInstructor({ brief: false, sighting: false, cars: [], languages: ['en'] })];
    const day = aDay({ guests, instructors });
    expect(codes({ day })).toEqual(['noClassGiver', 'noRunDriver', 'carUntaught', 'languageUnspoken']);
    const { plan } = planDay(day, { iterations: 10, random: seededRandom(1) });
    expect(plan.unplanned.length).toBe(1);
  });

  it('is open until somebody has chosen how guests get to know the circuit, and tells no guest of a group', () => {
    const introduction = { class: true, circuit: 'none' } as const;
    expect(stateOf('introduction', { introduction: { ...introduction, assumed: true } })).toBe('open');
    expect(stateOf('introduction', { introduction })).toBe('done');
    const guests = [aGuest({ id: 'g1', drives: [] }), aGuest({ id: 'g2', drives: [] })];
    const groups = [aGroup({ id: 'one', members: ['g1'], cars: ['c1'] })];
    const [missing] = firstSteps(source({ day: aDay({ guests, groups }) })).find(
      ({ name }) => name === 'bookings',
    )!.missing;
    expect(missing!.what).toEqual(fact('guestsWithoutDrives', {}, { count: 1 }));
  });

  it('is not what a venue does without', () => {
    const day = aDay({ sightingVehicles: [] });
    expect(codes({ day, introduction: { class: true, circuit: 'walk' } })).toEqual([]);
  });

  it('has steps that can be put off, and never those that a plan needs', () => {
    expect(stateOf('circuit', { hasCircuit: false })).toBe('open');
    expect(stateOf('circuit', { hasCircuit: false, putOff: ['circuit'] })).toBe('putOff');
    expect(stateOf('bookings', { day: aDay({ guests: [] }), putOff: ['bookings'] })).toBe('open');
    expect([stateOf('plan', {}), stateOf('plan', { planned: true })]).toEqual(['open', 'done']);
  });

  it('tells of assumed lap times, without keeping the step open', () => {
    const steps = firstSteps(source({ fleet }));
    const cars = steps.find(({ name }) => name === 'cars')!;
    expect(cars.state).toBe('done');
    expect(cars.missing).toEqual([
      { what: { code: 'carsAssumed', subjects: {}, values: { count: 1, of: 1 } }, needed: false },
    ]);
    expect(codes({ fleet: [{ ...fleet[0]!, leftOn: '2020-01-01' }], day: aDay({ cars: [aCar()] }) })).toEqual([
      'noCars',
    ]);
  });
});
