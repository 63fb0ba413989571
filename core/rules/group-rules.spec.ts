import type { Day, Plan, PlannedGroup } from '../day';
import type { Group, Surface } from '../programmes';
import { TRAIN_DAY, TRAIN_PLAN } from '../testing/gathered-train';
import { OVAL } from '../testing/group-days';
import { aGuest, at } from '../testing/small-day';
import { checkPlan } from './check-plan';

/** The train of the day, out at ten: of another kind, or planned otherwise. */
const of = (group: Partial<Group>, day: Partial<Day> = {}): Day => ({
  ...TRAIN_DAY,
  groups: [{ ...TRAIN_DAY.groups[0]!, ...group }],
  ...day,
});
const planned = (change: Partial<PlannedGroup>): Plan => ({
  ...TRAIN_PLAN,
  groups: [{ ...TRAIN_PLAN.groups![0]!, ...change }],
});
const broken = (day: Day, plan: Plan = TRAIN_PLAN) =>
  checkPlan(day, plan).violations.map(({ code, detail }) => `${code} ${detail}`);
/** Where the time that the train needs ends, looked up in a plan that is told to be too late. */
const endsS = () => {
  const [late] = checkPlan(of({ endsBy: at('09:00') }), TRAIN_PLAN).violations;
  return (late!.values as { endS: number }).endS;
};

describe('Hard rules of groups', () => {
  it('accept a train with a car for everybody and one for who leads', () => {
    expect(broken(TRAIN_DAY)).toEqual([]);
  });

  it('GROUP_CARS: each guest has a car, each car once, and only those that are meant for it', () => {
    expect(broken(TRAIN_DAY, planned({ cars: ['c1', 'c2'] }))).toContain('GROUP_CARS count');
    expect(broken(TRAIN_DAY, planned({ cars: ['c1', 'c2', 'c2'] }))).toContain('GROUP_CARS twice');
    expect(broken(of({ cars: ['c1', 'c2'] }))).toEqual(['GROUP_CARS notAllowed']);
    expect(broken(of({ staffCars: ['c3'] }))).toContain('GROUP_CARS twice');
  });

  it('GROUP_CARS: one of the leading cars goes in front, where there are any', () => {
    const { leadCar: _, ...withoutLead } = TRAIN_PLAN.groups![0]!;
    const plan = { ...TRAIN_PLAN, groups: [withoutLead] };
    expect(broken(TRAIN_DAY, plan)).toEqual(['GROUP_CARS noLeadCar']);
    expect(broken(of({ leadCars: [] }), plan)).toEqual([]);
    expect(broken(of({ leadCars: ['c3'], cars: ['c1', 'c2', 'c4'] }))).toContain('GROUP_CARS noLeadCar');
  });

  it('GROUP_CARS: everybody fits into the own car of a train, in the order of the guests', () => {
    const guests = TRAIN_DAY.guests.map((guest) => (guest.id === 'g2' ? { ...guest, heightCm: 201 } : guest));
    const cars = (low: string) =>
      TRAIN_DAY.cars.map((car) => (car.id === low ? { ...car, fit: { maxHeightCm: 190 } } : car));
    expect(broken(of({}, { guests, cars: cars('c2') }))).toEqual(['GROUP_CARS misfit']);
    expect(broken(of({}, { guests, cars: cars('c1') }))).toEqual([]);
  });

  it('GROUP_CREW: exactly those who are needed, each for one thing', () => {
    expect(broken(TRAIN_DAY, planned({ crew: [] }))).toEqual(['GROUP_CREW count']);
    const lead = { role: 'lead' as const, instructor: 'i1' };
    expect(broken(TRAIN_DAY, planned({ crew: [lead, { role: 'spotter', instructor: 'i2' }] }))).toEqual([
      'GROUP_CREW count',
      'GROUP_CREW notAsked',
    ]);
    expect(broken(of({ roles: [{ role: 'lead', count: 1, people: ['i2'] }] }))).toEqual(['GROUP_CREW notAsked']);
    const both = of({
      roles: [
        { role: 'lead', count: 1 },
        { role: 'inTrain', count: 1 },
      ],
    });
    expect(broken(both, planned({ crew: [lead, { role: 'inTrain', instructor: 'i1' }] }))).toContain(
      'GROUP_CREW twice',
    );
    expect(broken(both, planned({ crew: [lead, { role: 'inTrain', instructor: 'i2' }] }))).toEqual([]);
  });

  it('GROUP_TIME: within the time that is kept for it, and when its pin says', () => {
    // Ten minutes are kept before the release.
    expect(broken(of({ notBefore: at('09:50') }))).toEqual([]);
    expect(broken(of({ notBefore: at('09:50') + 1 }))).toEqual(['GROUP_TIME early']);
    expect(broken(of({ endsBy: endsS() }))).toEqual([]);
    expect(broken(of({ endsBy: endsS() - 1 }))).toEqual(['GROUP_TIME late']);
    expect(broken(of({ pin: { release: at('10:00') } }))).toEqual([]);
    expect(broken(of({ pin: { release: at('10:01') } }))).toEqual(['GROUP_TIME pinned']);
  });

  it('SURFACE_OPEN and SURFACE_LOAD: within its hours, around its closures, and no more than it takes', () => {
    const on = (oval: Partial<Surface>) => of({ surface: 'oval' }, { surfaces: [{ ...OVAL, limit: 4, ...oval }] });
    expect(broken(on({}))).toEqual([]);
    expect(broken(of({ surface: 'oval' }))).toContain('SURFACE_OPEN unknown');
    expect(broken(on({ available: [{ from: at('10:00'), to: at('18:00') }] }))).toEqual([]);
    expect(broken(on({ available: [{ from: at('10:00:01'), to: at('18:00') }] }))).toEqual(['SURFACE_OPEN away']);
    expect(broken(on({ closures: [{ from: at('09:00'), to: at('10:00') }] }))).toEqual([]);
    expect(broken(on({ closures: [{ from: at('09:00'), to: at('10:00:01') }] }))).toEqual(['SURFACE_OPEN closed']);
    expect(broken(on({ limit: 3 }))).toEqual(['SURFACE_LOAD full']);
  });

  it('RIDE_MEETING: few beside a ride, and rides in the gaps that are kept for them', () => {
    const rides = (rule: object): Day => ({
      ...TRAIN_DAY,
      cars: TRAIN_DAY.cars.map((car) => ({ ...car, ride: { lapTimeS: 70, seats: 1 } })),
      guests: [
        ...TRAIN_DAY.guests,
        aGuest({ id: 'g9', drives: [{ id: 'd9', cars: ['c1'], laps: 3, ride: { seats: 1 } }] }),
      ],
      rules: { ...TRAIN_DAY.rules, maxCarsOnTrack: 9, rides: { setUpS: 240, wrapUpS: 240, ...rule } },
    });
    const ride = (release: string): Plan => ({
      ...TRAIN_PLAN,
      drives: [{ drive: 'd9', car: 'c1', instructor: 'i2', release: at(release) }],
    });
    const ofRides = (rule: object, release: string) =>
      broken(rides(rule), ride(release)).filter((one) => one.startsWith('RIDE'));
    expect(ofRides({ mostBeside: 3 }, '10:01')).toEqual(['RIDE_MEETING beside']);
    expect(ofRides({ mostBeside: 4 }, '10:01')).toEqual([]);
    expect(ofRides({ mostBeside: 0 }, '12:00')).toEqual([]);
    // Three laps of 70 s.
    expect(ofRides({ only: [{ from: at('12:00'), to: at('12:03:30') }] }, '12:00')).toEqual([]);
    expect(ofRides({ only: [{ from: at('12:00'), to: at('12:03:29') }] }, '12:00')).toEqual([
      'RIDE_MEETING outsideGaps',
    ]);
  });
});
