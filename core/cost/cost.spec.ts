import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { costOf } from './cost';
import { type Day, type Drive, type Guest, type Plan, type PlannedDrive, layOut } from '../day';
import { passesBetween } from './passes';
import { waitOfGap } from './waiting';

const terms = (day: Day, plan: Plan) => costOf(layOut(day, plan)).terms;

const twoDrives = aGuest({
  arrives: at('09:30'),
  drives: [
    { id: 'd1', cars: ['c1'], laps: 5 },
    { id: 'd2', cars: ['c2'], laps: 5 },
  ],
});
const twoCars = [aCar({ level: 3 }), aCar({ id: 'c2', name: 'Sabrel R', level: 1 })];
const crew = [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })];

describe('Cost', () => {
  it('counts a wait of over forty minutes three times beyond them', () => {
    expect(waitOfGap(20 * 60)).toBe(20);
    expect(waitOfGap(50 * 60)).toBe(70);
    expect(waitOfGap(-60)).toBe(0);
  });

  it('waiting: from the arrival nothing is taken off, between activities the rest is', () => {
    const day = aDay({ cars: twoCars, guests: [twoDrives] });
    const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', car: 'c2' })] });
    // 09:30 to 09:56 are 26 minutes; 10:10:40 to 10:26 are 15 min 20 s, less five of rest.
    expect(terms(day, plan).waiting).toBeCloseTo(26 + 10 + 1 / 3, 9);
  });

  it('unplanned: 2000 each, and weights of the day override', () => {
    const plan = aPlan({ unplanned: [{ drive: 'd1', reason: 'no room' }] });
    expect(terms(aDay(), plan).unplanned).toBe(2000);
    const day = aDay();
    expect(terms({ ...day, rules: { ...day.rules, weights: { unplanned: 7 } } }, plan).unplanned).toBe(7);
  });

  it('continuity, ladder and preference count what guests notice', () => {
    const day = aDay({ cars: twoCars, instructors: crew, guests: [{ ...twoDrives, preferInstructors: ['i1'] }] });
    const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', car: 'c2', instructor: 'i2' })] });
    const { continuity, ladder, preference } = terms(day, plan);
    expect({ continuity, ladder, preference }).toEqual({ continuity: 15, ladder: 10, preference: 10 });
  });

  it('ladder: another car as fierce is no step down', () => {
    const day = aDay({ cars: [aCar({ level: 3 }), aCar({ id: 'c2', level: 3 })], guests: [twoDrives] });
    const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', car: 'c2' })] });
    expect(terms(day, plan).ladder).toBe(0);
  });

  it('is the sum of its terms', () => {
    const day = aDay({ cars: twoCars, instructors: crew, guests: [twoDrives] });
    const { total, terms: each } = costOf(layOut(day, aPlan({ drives: [drive('10:00')] })));
    expect(total).toBeGreaterThan(0);
    expect(total).toBeCloseTo(
      Object.values(each).reduce((sum, term) => sum + term, 0),
      9,
    );
  });

  it('balance: minutes from the fair share, by the plain sum of the windows', () => {
    const day = aDay({ instructors: crew });
    // One drive holds i1 for 880 s; both have the same hours, so each share is 440 s.
    expect(terms(day, aPlan({ drives: [drive('10:00')] })).balance).toBeCloseTo((0.25 * 2 * 440) / 60, 9);
  });

  it('party: minutes between the first and the last member to finish', () => {
    const day = aDay({
      instructors: crew,
      guests: [
        aGuest({ party: 'Brandt' }),
        aGuest({ id: 'g2', party: 'Brandt', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] }),
      ],
    });
    const plan = aPlan({ drives: [drive('10:00'), drive('10:30', { drive: 'd2', instructor: 'i2' })] });
    expect(terms(day, plan).party).toBe(15);
  });

  describe('friends: each drive that is not as two friends wish', () => {
    const two = (wish: Partial<Guest>, ...more: Drive[]) =>
      aDay({
        cars: twoCars,
        instructors: crew,
        guests: [
          aGuest({ drives: [{ id: 'd1', cars: ['c1'], laps: 5 }, ...more] }),
          aGuest({ id: 'g2', drives: [{ id: 'd2', cars: ['c2'], laps: 5 }], ...wish }),
        ],
      });
    const apart = (wish: Partial<Guest>, second: Partial<PlannedDrive>, at = '10:00') =>
      terms(two(wish), aPlan({ drives: [drive(at), drive('10:00', { drive: 'd2', car: 'c2', ...second })] })).friends;

    it('at the same time: on the circuit together for half of the shorter drive', () => {
      // Five laps of 80 s are 400 s: with 200 s between the releases half of it is left.
      expect(apart({ sameTimeAs: ['g1'] }, {}, '10:03:20')).toBe(0);
      expect(apart({ sameTimeAs: ['g1'] }, {}, '10:03:21')).toBe(15);
    });

    it('in turn: fetched within a quarter of an hour of the end of the other, never before it', () => {
      // A drive released at 10:00 ends at 10:10:40; set-up takes four minutes.
      expect(apart({ inTurnWith: ['g1'] }, {}, '10:14:40')).toBe(0);
      expect(apart({ inTurnWith: ['g1'] }, {}, '10:14:39')).toBe(15);
      expect(apart({ inTurnWith: ['g1'] }, {}, '10:29:40')).toBe(0);
      expect(apart({ inTurnWith: ['g1'] }, {}, '10:29:41')).toBe(15);
    });

    it('beside the same instructor, whichever of the two has said it', () => {
      expect(apart({ sameInstructorAs: ['g1'] }, { instructor: 'i2' }, '11:00')).toBe(15);
      expect(apart({ sameInstructorAs: ['g1'] }, {}, '11:00')).toBe(0);
    });

    it('are counted once where both wish it, over the drives of the one who has fewer', () => {
      const day = two({ sameTimeAs: ['g1'] }, { id: 'd3', cars: ['c1'], laps: 5 });
      const both = { ...day, guests: [{ ...day.guests[0]!, sameTimeAs: ['g2'] }, day.guests[1]!] };
      const plan = aPlan({
        drives: [drive('10:00'), drive('11:00', { drive: 'd3' }), drive('11:00:45', { drive: 'd2', instructor: 'i2' })],
      });
      expect(terms(both, plan).friends).toBe(0);
      expect(terms(both, aPlan({ drives: plan.drives.slice(2) })).friends).toBe(15);
    });

    it('are none with somebody who does not come', () => {
      expect(apart({ sameTimeAs: ['g9'] }, {}, '12:00')).toBe(0);
    });
  });

  it('moved and reassigned: only beyond five minutes, and only in a repair', () => {
    const day = aDay({ cars: twoCars, instructors: crew, guests: [aGuest()] });
    const previous = aPlan({ drives: [drive('10:00')] });
    const against = (plan: Plan) => costOf(layOut(day, plan, { previous, nowS: at('09:00') })).terms;
    expect(against(aPlan({ drives: [drive('10:05')] })).moved).toBe(0);
    expect(against(aPlan({ drives: [drive('10:05:01')] })).moved).toBe(3);
    expect(against(aPlan({ drives: [drive('09:55')] })).moved).toBe(0);
    expect(against(aPlan({ drives: [drive('09:54:59')] })).moved).toBe(3);
    expect(against(aPlan({ drives: [drive('10:00', { instructor: 'i2' })] })).reassigned).toBe(8);
    expect(terms(day, aPlan({ drives: [drive('10:30')] })).moved).toBe(0);
  });
});

describe('Predicted passes', () => {
  const vehicle = (releaseS: number, lapS: number, laps: number) => ({
    releaseS,
    trackEndS: releaseS + lapS * laps,
    lapsDriven: laps,
    vehicles: 1,
  });

  it('count every car of a train', () => {
    const train = { ...vehicle(0, 90, 10), vehicles: 5 };
    expect(passesBetween(train, vehicle(45, 60, 8))).toBe(15);
  });

  it('are none between equals, however long they run', () => {
    expect(passesBetween(vehicle(0, 80, 8), vehicle(45, 80, 8))).toBe(0);
  });

  it('count each time the quicker one comes round', () => {
    // From 45 s on the slow one is 0.5 laps ahead; after eight laps of 60 s the quick one has gained 3.5 laps.
    expect(passesBetween(vehicle(0, 90, 10), vehicle(45, 60, 8))).toBe(3);
  });

  it('do not count a meeting at the very start or end', () => {
    expect(passesBetween(vehicle(0, 60, 4), vehicle(0, 120, 2))).toBe(1);
    expect(passesBetween(vehicle(0, 100, 3), vehicle(100, 100, 2))).toBe(0);
  });

  it('are the same whoever is named first', () => {
    const [a, b] = [vehicle(13, 77, 7), vehicle(61, 93, 5)];
    expect(passesBetween(a, b)).toBe(passesBetween(b, a));
  });

  it('need both on the circuit', () => {
    expect(passesBetween(vehicle(0, 60, 5), vehicle(300, 60, 5))).toBe(0);
  });
});
